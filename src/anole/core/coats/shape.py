"""What coats work on: a piece's outlines at the render scale, and all that comes with them."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

import numpy as np

from ..arrays import Chords
from ..box import Box
from ..field.extrusion import DepthAxis
from ..field.raster import Raster
from ..paint.frames import FrameBox, LetterFrames

MOST_CHORDS = 4_000_000
LEAST_AREA = 1e-6
"""px^2 that an outline must enclose, twice."""


class ShapeError(ValueError):
    """An outline that no picture can be made of."""


def sound_outline(chords: Chords) -> Chords:
    """(m, 4) float64 chords that a picture can be made of: those that go nowhere left out, and none
    where they enclose no area. Raises ShapeError for too many of them and for points that are no
    numbers."""
    if chords.ndim != 2 or chords.shape[1] != 4:
        raise ShapeError(f"an outline is (m, 4) chords, not {chords.shape}")
    if len(chords) > MOST_CHORDS:
        raise ShapeError(f"an outline of {len(chords):,} chords is too much to draw")
    if not np.isfinite(chords).all():
        raise ShapeError("an outline has points that are not numbers")
    still = (chords[:, 0] == chords[:, 2]) & (chords[:, 1] == chords[:, 3])
    moving = chords[~still] if still.any() else chords
    x0, y0, x1, y1 = moving.T
    return moving if abs((x0 * y1 - x1 * y0).sum()) > LEAST_AREA else moving[:0]


def no_letters(box: Box) -> LetterFrames | None:
    """The frames of a piece that has no letters."""
    return None


class Shape(NamedTuple):
    """A piece as coats see it.

    key : the value that all of it comes from
    chords : (m, 4) float64 px of the render scale, closed outlines, the covered area positive
    em : board px; core : the greatest inside distance, px of the render scale
    frame : x0, y0, x1, y1 px, what paints are stretched over
    smooth : False for hard pixels
    raster : a coverage of its own, where the outlines were traced from one
    undamaged : the outlines before damage, which is made near the window alone; None: they have none
    letters : the frames of letters, words and lines over a box of px
    depth_axis : the way straight back, where it is posed
    """

    key: tuple
    chords: Chords
    em: float
    core: float
    frame: FrameBox
    smooth: bool = True
    raster: Raster | None = None
    undamaged: Chords | None = None
    letters: Callable[[Box], LetterFrames | None] = no_letters
    depth_axis: DepthAxis | None = None
