"""Any paint over a box of pixels: one list of paints, one file each."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, NamedTuple

import numpy as np

from ..box import Box
from ..cache import Cache
from ..model import ColourPaint, Gradient, LetterPaint, Paint
from . import gradient, letter
from .frames import Frames, LetterFrames, Unit

__all__ = ["Frames", "LetterFrames", "Spot", "Unit", "source"]


class Spot(NamedTuple):
    """Where a paint is laid: the frames it may be stretched over and the px it has to cover."""

    frames: Frames
    box: Box
    cache: Cache


def _solid(paint: ColourPaint, spot: Spot) -> np.ndarray:
    colour = np.array(paint.colour.floats, np.float32)
    return np.repeat(colour[:, None, None], spot.box.width, 2)


def _gradient(paint: Gradient, spot: Spot) -> np.ndarray:
    def make() -> np.ndarray:
        letters = spot.frames.letters
        if paint.frame in ("letter", "word", "line") and letters is not None and letters.units:
            return gradient.lay_grouped(paint, letters, spot.box)
        frame = spot.frames.board if paint.frame == "board" else spot.frames.piece
        return gradient.lay(paint, frame, spot.box)

    return spot.cache.get(("gradient", paint, spot.frames, spot.box), make)


def _letter(paint: LetterPaint, spot: Spot) -> np.ndarray:
    return spot.cache.get(
        ("letter", paint, spot.frames, spot.box), lambda: letter.lay(spot.frames.letters, spot.box)
    )


PAINTS: dict[type, Callable[[Any, Spot], np.ndarray]] = {}


def register(kind: type, lay: Callable[[Any, Spot], np.ndarray]) -> None:
    if kind in PAINTS:
        raise ValueError(f"the paint {kind.__name__!r} is registered twice")
    PAINTS[kind] = lay


for _kind, _lay in ((ColourPaint, _solid), (Gradient, _gradient), (LetterPaint, _letter)):
    register(_kind, _lay)


def source(paint: Paint, spot: Spot) -> np.ndarray:
    """The paint's colours over the spot's box: straight alpha, sRGB-encoded, float32.

    returns (4, H, W), or (4, 1, W) where every row is the same
    """
    return PAINTS[type(paint)](paint, spot)
