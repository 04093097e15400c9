"""Embeddings, overrides and isolates (rules X1 to X8)."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

DEEPEST = 125
EMBEDDINGS = ("LRE", "RLE", "LRO", "RLO")
ISOLATES = ("LRI", "RLI", "FSI")


class Explicit(NamedTuple):
    """For each character its level and its class, overridden where it is."""

    levels: list[int]
    kinds: list[str]


class _Status(NamedTuple):
    level: int
    override: str = ""
    isolate: bool = False


class _Overflow:
    def __init__(self) -> None:
        self.isolates = self.embeddings = self.valid = 0


def isolate_pairs(own: Sequence[str]) -> dict[int, int]:
    """For each isolate that is closed, where (BD9)."""
    open_: list[int] = []
    pairs = {}
    for n, kind in enumerate(own):
        if kind in ISOLATES:
            open_.append(n)
        elif kind == "PDI" and open_:
            pairs[open_.pop()] = n
        elif kind == "B":
            open_.clear()
    return pairs


def first_strong(own: Sequence[str], pairs: dict[int, int], start: int, end: int) -> int | None:
    """0 or 1 by the first strong character, isolates skipped; None without one (P2, P3)."""
    n = start
    while n < end:
        if own[n] in ("L", "R", "AL"):
            return int(own[n] != "L")
        if own[n] in ISOLATES:
            n = pairs.get(n, end)
        n += 1
    return None


def explicit(own: Sequence[str], pairs: dict[int, int], base: int) -> Explicit:
    """Levels of embedding and the kinds as overridden, one for each character (UAX 9, X1 to X8)."""
    stack, over = [_Status(base)], _Overflow()
    levels, kinds = [], list(own)
    for n, kind in enumerate(own):
        if kind == "PDI":
            _close_isolate(stack, over)
        top = stack[-1]
        levels.append(base if kind == "B" else top.level)
        if top.override and kind not in ("B", "BN", "PDF", *EMBEDDINGS):
            kinds[n] = top.override
        if kind in EMBEDDINGS:
            _embed(stack, over, kind)
        elif kind in ISOLATES:
            if kind == "FSI":
                leftward = first_strong(own, pairs, n + 1, pairs.get(n, len(own)))
                kind = "RLI" if leftward else "LRI"
            _isolate(stack, over, kind)
        elif kind == "PDF":
            _close_embedding(stack, over)
            levels[n] = stack[-1].level
        elif kind == "B":
            stack, over = [_Status(base)], _Overflow()
    return Explicit(levels, kinds)


def _next(level: int, leftward: bool) -> int:
    """The least odd or even level above one."""
    return level + 1 if (level % 2 == 0) == leftward else level + 2


def _embed(stack: list[_Status], over: _Overflow, kind: str) -> None:
    level = _next(stack[-1].level, kind[0] == "R")
    if level <= DEEPEST and not over.isolates and not over.embeddings:
        stack.append(_Status(level, kind[0] if kind.endswith("O") else ""))
    elif not over.isolates:
        over.embeddings += 1


def _isolate(stack: list[_Status], over: _Overflow, kind: str) -> None:
    level = _next(stack[-1].level, kind[0] == "R")
    if level <= DEEPEST and not over.isolates and not over.embeddings:
        over.valid += 1
        stack.append(_Status(level, isolate=True))
    else:
        over.isolates += 1


def _close_isolate(stack: list[_Status], over: _Overflow) -> None:
    if over.isolates:
        over.isolates -= 1
    elif over.valid:
        over.embeddings = 0
        while not stack[-1].isolate:
            stack.pop()
        stack.pop()
        over.valid -= 1


def _close_embedding(stack: list[_Status], over: _Overflow) -> None:
    if over.isolates:
        return
    if over.embeddings:
        over.embeddings -= 1
    elif not stack[-1].isolate and len(stack) > 1:
        stack.pop()
