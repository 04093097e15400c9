"""Levels of a line's characters, by all rules of UAX #9 but reordering."""

from __future__ import annotations

import unicodedata
from collections.abc import Sequence

from .explicit import EMBEDDINGS, ISOLATES, Explicit, explicit, first_strong, isolate_pairs
from .neutral import resolve_brackets, resolve_neutrals
from .weak import resolve_weak

REMOVED = (*EMBEDDINGS, "PDF", "BN")
"""Rule X9: they take part in nothing."""
BLANK = ("WS", "FSI", "LRI", "RLI", "PDI", *REMOVED)


def classes(text: str) -> list[str]:
    """The bidirectional class of each character; unassigned ones run rightward."""
    return [unicodedata.bidirectional(char) or "L" for char in text]


def levels(text: str, base: int | None = None) -> tuple[int, list[int]]:
    """The line's own level and one a character; odd levels run from right to left.

    base : 0 or 1; None takes the direction of the first strong character (P2, P3)
    """
    if text.isascii() and not base:  # no character of ASCII runs leftward
        return 0, [0] * len(text)
    own = classes(text)
    pairs = isolate_pairs(own)
    if base is None:
        base = first_strong(own, pairs, 0, len(own)) or 0
    embedded = explicit(own, pairs, base)
    kept = [n for n, kind in enumerate(own) if kind not in REMOVED]
    sequences = _sequences(own, embedded, pairs, kept)
    # all from the explicit levels, before any is resolved
    bounds = [_bounds(own, embedded, pairs, kept, sequence, base) for sequence in sequences]
    for sequence, ends in zip(sequences, bounds, strict=True):
        _resolve(text, embedded, sequence, ends)
    _reset_blanks(own, embedded.levels, base)
    return base, embedded.levels


def _runs(found: Explicit, kept: Sequence[int]) -> list[list[int]]:
    """Stretches of one level (BD7)."""
    runs: list[list[int]] = []
    for n in kept:
        if runs and found.levels[runs[-1][-1]] == found.levels[n]:
            runs[-1].append(n)
        else:
            runs.append([n])
    return runs


def _sequences(
    own: Sequence[str], found: Explicit, pairs: dict[int, int], kept: Sequence[int]
) -> list[list[int]]:
    """Isolating run sequences (BD13): runs joined across what is isolated between them."""
    runs = _runs(found, kept)
    starting = {run[0]: run for run in runs}
    closed = set(pairs.values())
    sequences = []
    for run in runs:
        if own[run[0]] == "PDI" and run[0] in closed:
            continue
        sequence = list(run)
        while own[sequence[-1]] in ISOLATES and pairs.get(sequence[-1]) in starting:
            sequence += starting[pairs[sequence[-1]]]
        sequences.append(sequence)
    return sequences


def _bounds(
    own: Sequence[str],
    found: Explicit,
    pairs: dict[int, int],
    kept: Sequence[int],
    sequence: Sequence[int],
    base: int,
) -> tuple[str, str]:
    """The directions at the start and at the end of a sequence (X10)."""
    level, first, last = found.levels[sequence[0]], sequence[0], sequence[-1]
    before = max((n for n in kept if n < first), default=None)
    after = min((n for n in kept if n > last), default=None)
    if own[last] in ISOLATES and last not in pairs:
        after = None
    beside = [base if n is None else found.levels[n] for n in (before, after)]
    start, end = ("R" if max(level, other) % 2 else "L" for other in beside)
    return start, end


def _resolve(text: str, found: Explicit, sequence: Sequence[int], bounds: tuple[str, str]) -> None:
    level = found.levels[sequence[0]]
    before = [found.kinds[n] for n in sequence]
    kinds = resolve_weak(before, bounds[0])
    way = "R" if level % 2 else "L"
    resolve_brackets([text[n] for n in sequence], before, kinds, way, bounds[0])
    resolve_neutrals(kinds, way, bounds)
    for n, kind in zip(sequence, kinds, strict=True):
        if level % 2 == 0:  # I1, I2
            found.levels[n] = level + {"R": 1, "AN": 2, "EN": 2}.get(kind, 0)
        else:
            found.levels[n] = level + (kind != "R")


def _reset_blanks(own: Sequence[str], levels: list[int], base: int) -> None:
    """Rule L1; and what X9 removed goes with the character before it, so that it parts nothing."""
    for n, kind in enumerate(own):
        if kind in REMOVED:
            levels[n] = levels[n - 1] if n else base
    trailing = True
    for n in range(len(own) - 1, -1, -1):
        if own[n] in ("B", "S"):
            trailing = True
        elif own[n] not in BLANK:
            trailing = False
        if trailing:
            levels[n] = base
