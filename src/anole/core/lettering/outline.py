"""The placed outline of a lettering: from its fields to chords at any scale."""

from __future__ import annotations

import operator
from typing import NamedTuple

import numpy as np

from ..arrays import Chords, Matrix, Points
from ..model import Lettering, Place
from . import stored_outlines
from .bends import Bends, bends_of
from .bent import bent, positive
from .block import Block, block, setting_of
from .flatten import TOLERANCE, flatten
from .fonts import FontFile, when_changed
from .matrix import apply, placing
from .warp import Warp

BENT_TOLERANCE = 0.03
"""px at the render scale"""


class Outline(NamedTuple):
    """A lettering's outline in board px; `em` after fitting, `key` all it depends on, `fonts` those
    that draw its letters."""

    key: tuple
    block: Block
    bends: Bends
    matrix: Matrix
    em: float
    fonts: frozenset[FontFile]


def fitted_em(piece: Lettering, words: Block, dpi: float) -> float:
    """One em in board px: the size, or what makes the words fit their box."""
    em = piece.size.px(1.0, dpi)
    if piece.box is None or piece.box.fit == "none":
        return em
    wide, high = words.box[2] - words.box[0], words.box[3] - words.box[1]
    if wide <= 0 or high <= 0:
        return em
    fit = max(min(piece.box.width / wide, piece.box.height / high), 0.5)
    return min(em, fit) if piece.box.fit == "shrink" else fit


SHAPING = ("text", "font", "size", "tracking", "leading", "lines", "gap", "widths", "least", "align", "underline", "strike", "box", "rails",
           "head", "foot", "ring", "letters", "smoothing", "outlines", "corners", "pose", "off", "place")  # fmt: skip
"""Fields of a lettering that its outline comes from."""
_shaping = operator.attrgetter(*SHAPING)
MOST = 32
_known: dict[tuple, tuple[tuple, Outline]] = {}
when_changed(_known.clear)


def outline(piece: Lettering, dpi: float) -> Outline:
    """Words, font, size, bends and place to an outline.

    Some are known again by the very same field values, which are kept with them: a drag on a coat
    asks for one outline many times a frame, and comparing what fonts are set to takes longer.
    """
    values = _shaping(piece)
    key = (dpi, *map(id, values))
    known = _known.get(key)
    if known is None:
        if len(_known) >= MOST:
            _known.clear()
        made = _outline(piece, dpi)
        if not made.block.complete:
            return made
        known = _known[key] = (values, made)
    return known[1]


def _outline(piece: Lettering, dpi: float) -> Outline:
    setting = setting_of(piece, dpi)
    words = block(setting, stored_outlines.usable(piece))
    em = fitted_em(piece, words, dpi)
    bends = bends_of(piece, em, dpi)
    matrix = placing(piece.place, words.box, em)
    if not piece.smoothing:
        matrix = _on_the_grid(matrix, piece.place, words)
    fonts = words.fonts
    key = (setting, fonts, em, bends, piece.place, piece.smoothing, words.complete)
    return Outline(key, words, bends, matrix, em, fonts)


def _on_the_grid(matrix: Matrix, place: Place, words: Block) -> Points:
    """Hard pixels stay whole: the first letter's origin stands on a whole px."""
    if place.rotation or place.skew:
        return matrix
    snapped = matrix.copy()
    snapped[:, 2] = np.round(matrix[:, 2])
    return snapped


def chords(line: Outline, scale: float) -> Chords:
    """(m, 4) float64 px at a render scale, the covered area positive, overlaps united."""
    matrix = line.matrix * scale
    if not line.bends.bent:
        return positive(flatten(apply(matrix, line.block.curves), TOLERANCE))
    shape = Warp(line.block, line.bends)
    lines = bent(line.block, shape, lambda p, _: apply(matrix, p), BENT_TOLERANCE)
    still = (lines[:, 0] == lines[:, 2]) & (lines[:, 1] == lines[:, 3])
    return lines[~still]


def corners(line: Outline) -> Points:
    """(4, 2) board px: the corners of the words' box, clockwise from the top left."""
    x0, y0, x1, y1 = line.block.box
    box = np.array([[x0, y0], [x1, y0], [x1, y1], [x0, y1]])
    return apply(line.matrix, Warp(line.block, line.bends).last(box))
