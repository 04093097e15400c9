"""Glyph outlines, drawn once per font."""

from __future__ import annotations

import functools
from typing import NamedTuple

import numpy as np
import skia

from .. import isolation
from ..arrays import Curves
from . import skia_paths, stored_outlines
from .coloured.glyphs import is_coloured, silhouette
from .font_file import is_stored
from .fonts import FontFile, load

Axes = tuple[tuple[str, float], ...]


class Glyph(NamedTuple):
    """One glyph: its united path in font units, its cubics and box in em, y down."""

    path: skia.Path
    curves: Curves
    box: tuple[float, float, float, float] | None


NO_GLYPH = Glyph(skia.Path(), np.zeros((0, 4, 2)), None)
"""Stands for one whose picture is still being read."""


def glyph(file: FontFile, index: int, axes: Axes = ()) -> Glyph:
    """The outline of a font's glyph, contours wound by nesting, in em with y down; kept for the next
    time. NO_GLYPH in a thread that must not wait for its picture."""
    return isolation.at_hand(("glyph", file, index), lambda: _glyph(file, index, axes), NO_GLYPH)


@functools.lru_cache(8192)
def _glyph(file: FontFile, index: int, axes: Axes) -> Glyph:
    if is_stored(file):
        path = skia_paths.path_of(stored_outlines.curves(file, index) * stored_outlines.UPEM)
        return _measured(skia_paths.wound(path, stored_outlines.UPEM), stored_outlines.UPEM)
    if is_coloured(file, index):
        upem = load(file).upem
        return _measured(
            skia_paths.wound(skia_paths.path_of(silhouette(file, index) * upem), upem), upem
        )
    face = load(file, axes)
    pen = skia_paths.PathPen()
    face.hb_font.draw_glyph_with_pen(index, pen)
    return _measured(skia_paths.union(pen.path, face.upem), face.upem)


def upem_of(file: FontFile) -> int:
    """Units of an em in this font's glyph paths."""
    return stored_outlines.UPEM if is_stored(file) else load(file).upem


def _measured(outlines: skia_paths.United, upem: int) -> Glyph:
    path, cubics = outlines.path, outlines.curves / upem
    if not len(cubics):
        return Glyph(path, cubics, None)
    (x0, y0), (x1, y1) = cubics.min((0, 1)), cubics.max((0, 1))
    return Glyph(path, cubics, (float(x0), float(y0), float(x1), float(y1)))
