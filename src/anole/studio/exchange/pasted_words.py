"""How much of a pasted text becomes words."""

from __future__ import annotations

MOST_WORDS = 1000
"""Letters of words that are pasted: shaping them is quicker than a hand notices."""


def cut(text: str, others: int = 0) -> tuple[str, str]:
    """What of a pasted text is taken beside `others` letters that are there, and what is to be said."""
    room = max(MOST_WORDS - others, 0)
    if len(text) <= room:
        return text, ""
    out = len(text) - room
    return text[:room], f"Words have at most {MOST_WORDS:,} letters here; {out:,} were left out."
