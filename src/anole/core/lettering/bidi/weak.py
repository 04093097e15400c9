"""Numbers, marks and what stands about them (rules W1 to W7)."""

from __future__ import annotations

from collections.abc import Sequence

APART = ("LRI", "RLI", "FSI", "PDI")


def resolve_weak(before: Sequence[str], start: str) -> list[str]:
    """Classes of an isolating run sequence after the weak rules; `start` is its sos."""
    kinds = _marks(before, start)
    _numbers(kinds, start)
    _separators(kinds)
    _terminators(kinds)
    strong = start
    for n, kind in enumerate(kinds):
        if kind in ("ES", "ET", "CS"):  # W6
            kinds[n] = "ON"
        elif kind in ("L", "R"):
            strong = kind
        elif kind == "EN" and strong == "L":  # W7
            kinds[n] = "L"
    return kinds


def _marks(before: Sequence[str], start: str) -> list[str]:
    """W1: a mark is what it stands on."""
    kinds: list[str] = []
    for kind in before:
        last = kinds[-1] if kinds else start
        kinds.append(("ON" if last in APART else last) if kind == "NSM" else kind)
    return kinds


def _numbers(kinds: list[str], start: str) -> None:
    """W2, W3: numbers behind Arabic letters are Arabic ones; then its letters are R."""
    strong = start
    for n, kind in enumerate(kinds):
        if kind in ("L", "R", "AL"):
            strong = kind
        elif kind == "EN" and strong == "AL":
            kinds[n] = "AN"
    kinds[:] = ["R" if kind == "AL" else kind for kind in kinds]


def _separators(kinds: list[str]) -> None:
    """W4: one separator between two numbers of a kind belongs to them."""
    for n in range(1, len(kinds) - 1):
        first, kind, last = kinds[n - 1 : n + 2]
        if first == last and (
            (first == "EN" and kind in ("ES", "CS")) or (first == "AN" and kind == "CS")
        ):
            kinds[n] = first


def _terminators(kinds: list[str]) -> None:
    """W5: signs beside a European number belong to it."""
    n = 0
    while n < len(kinds):
        end = n
        while end < len(kinds) and kinds[end] == "ET":
            end += 1
        if end > n:
            beside = (kinds[n - 1] if n else "", kinds[end] if end < len(kinds) else "")
            if "EN" in beside:
                kinds[n:end] = ["EN"] * (end - n)
        n = max(end, n + 1)
