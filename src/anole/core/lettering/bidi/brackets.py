"""Paired brackets (Unicode Character Database, BidiBrackets): each opening one and its closing one."""

from __future__ import annotations

PAIRS = (
    "()[]{}\u0f3a\u0f3b\u0f3c\u0f3d\u169b\u169c\u2045\u2046"
    "\u207d\u207e\u208d\u208e\u2308\u2309\u230a\u230b\u2329\u232a\u2768\u2769\u276a\u276b"
    "\u276c\u276d\u276e\u276f\u2770\u2771\u2772\u2773\u2774\u2775\u27c5\u27c6\u27e6\u27e7"
    "\u27e8\u27e9\u27ea\u27eb\u27ec\u27ed\u27ee\u27ef\u2983\u2984\u2985\u2986\u2987\u2988"
    "\u2989\u298a\u298b\u298c\u298d\u2990\u298f\u298e\u2991\u2992\u2993\u2994\u2995\u2996"
    "\u2997\u2998\u29d8\u29d9\u29da\u29db\u29fc\u29fd\u2e22\u2e23\u2e24\u2e25\u2e26\u2e27"
    "\u2e28\u2e29\u2e55\u2e56\u2e57\u2e58\u2e59\u2e5a\u2e5b\u2e5c\u3008\u3009\u300a\u300b"
    "\u300c\u300d\u300e\u300f\u3010\u3011\u3014\u3015\u3016\u3017\u3018\u3019\u301a\u301b"
    "\ufe59\ufe5a\ufe5b\ufe5c\ufe5d\ufe5e\uff08\uff09\uff3b\uff3d\uff5b\uff5d\uff5f\uff60"
    "\uff62\uff63"
)
SAME = {"\u2329": "\u3008", "\u232a": "\u3009"}
"""Canonical equivalents: either closes the other."""

OPENING = {PAIRS[n]: SAME.get(PAIRS[n + 1], PAIRS[n + 1]) for n in range(0, len(PAIRS), 2)}
"""Each opening bracket, and what closes it."""
CLOSING = {char: SAME.get(char, char) for char in PAIRS[1::2]}
"""Each closing bracket, by the name that opening ones know it."""
