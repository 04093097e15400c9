"""Brackets and neutral characters (rules N0 to N2)."""

from __future__ import annotations

from collections.abc import Sequence

from .brackets import CLOSING, OPENING

NEUTRAL = ("B", "S", "WS", "ON", "LRI", "RLI", "FSI", "PDI")
MOST_OPEN = 63


def strong(kind: str) -> str:
    """L or R; numbers count as R, and all else as neither."""
    return {"L": "L", "R": "R", "EN": "R", "AN": "R"}.get(kind, "")


def _pairs(chars: Sequence[str], kinds: Sequence[str]) -> list[tuple[int, int]]:
    """Bracket pairs by where they open (BD16)."""
    open_: list[tuple[str, int]] = []
    isolates = []
    for n, (char, kind) in enumerate(zip(chars, kinds, strict=True)):
        if kind != "ON":
            continue
        if char in OPENING:
            if len(open_) == MOST_OPEN:
                break
            open_.append((OPENING[char], n))
        elif char in CLOSING:
            for at in range(len(open_) - 1, -1, -1):
                if open_[at][0] == CLOSING[char]:
                    isolates.append((open_[at][1], n))
                    del open_[at:]
                    break
    return sorted(isolates)


def resolve_brackets(
    chars: Sequence[str], before: Sequence[str], kinds: list[str], way: str, start: str
) -> None:
    """N0: both brackets of a pair go with what they hold, or with what stands before them.

    before : classes ahead of the weak rules; kinds : after them, changed in place
    way : the direction of the sequence's level; start : its sos
    """
    for opening, closing in _pairs(chars, kinds):
        held = {strong(kind) for kind in kinds[opening + 1 : closing]} - {""}
        if not held:
            continue
        if way in held:
            taken = way
        else:
            context = next((s for s in map(strong, reversed(kinds[:opening])) if s), start)
            taken = context if context in held else way
        for n in (opening, closing):
            kinds[n] = taken
            mark = n + 1
            while mark < len(kinds) and before[mark] == "NSM":
                kinds[mark] = taken
                mark += 1


def resolve_neutrals(kinds: list[str], way: str, bounds: tuple[str, str]) -> None:
    """N1, N2: neutrals between two of one direction take it, others that of the level."""
    n = 0
    while n < len(kinds):
        end = n
        while end < len(kinds) and kinds[end] in NEUTRAL:
            end += 1
        if end > n:
            before = strong(kinds[n - 1]) if n else bounds[0]
            after = strong(kinds[end]) if end < len(kinds) else bounds[1]
            kinds[n:end] = [before if before == after else way] * (end - n)
        n = max(end, n + 1)
