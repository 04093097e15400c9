"""Any paint over a box of pixels."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ..box import Box
from ..cache import Cache
from ..model import ColourPaint, Gradient, Paint
from . import gradient


class Frames(NamedTuple):
    """The boxes a paint may be stretched over: x0, y0, x1, y1 in px at the render scale."""

    piece: tuple[float, float, float, float]
    board: tuple[float, float, float, float]


def source(paint: Paint, frames: Frames, box: Box, cache: Cache) -> np.ndarray:
    """The paint's colours over `box`: straight alpha, sRGB-encoded, float32.

    returns (4, H, W), or (4, 1, W) where every row is the same
    """
    if isinstance(paint, ColourPaint):
        colour = np.array(paint.colour.floats, np.float32)
        return np.repeat(colour[:, None, None], box.width, 2)
    assert isinstance(paint, Gradient)
    frame = frames.piece if paint.frame == "piece" else frames.board
    return cache.get(("gradient", paint, frame, box), lambda: gradient.lay(paint, frame, box))
