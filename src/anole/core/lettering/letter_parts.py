"""The letters of a placed outline one by one, before any are united."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ..arrays import Chords
from .bent import chords as bent_chords
from .flatten import flatten
from .matrix import apply
from .outline import BENT_TOLERANCE, Outline
from .warp import Warp


class LetterPart(NamedTuple):
    """One letter: its place in the text, its word and line, and its chords (m, 4) in px."""

    at: int
    word: int
    line: int
    chords: Chords


def _words(text: str) -> list[int]:
    """The number of the word that each character stands in or behind."""
    words, number, blank = [], -1, True
    for char in text:
        number += blank and not char.isspace()
        blank = char.isspace()
        words.append(max(number, 0))
    return words


def letter_parts(line: Outline, text: str, scale: float) -> list[LetterPart]:
    """The letters in the order of the text, placed at a render scale. Blanks are left out."""
    block, matrix = line.block, line.matrix * scale
    shape = Warp(block, line.bends)
    words = _words(text)
    found: dict[tuple[int, int], list[Chords]] = {}
    for placed in block.glyphs:
        curves = placed.curves
        if not len(curves):
            continue
        if line.bends.bent:
            letter = np.full(len(curves), shape.number(placed.letter))
            outline = bent_chords(
                curves, letter, lambda p, n: apply(matrix, shape(p, n)), BENT_TOLERANCE
            )
        else:
            outline = flatten(apply(matrix, curves))
        found.setdefault(placed.letter, []).append(outline)
    parts = []
    for (row, cluster), chords in sorted(found.items(), key=lambda item: item[0]):
        at = block.starts[row] + cluster
        word = words[at] if at < len(words) else 0
        parts.append(LetterPart(at, word, row, np.concatenate(chords)))
    return parts
