"""Any paint over a box of pixels: one list of paints, one file each."""

from __future__ import annotations

from collections.abc import Callable, Hashable
from typing import Any

import numpy as np

from ..model import (
    Backdrop,
    ColourPaint,
    Gradient,
    ImagePaint,
    LetterPaint,
    OwnPaint,
    Paint,
    Pattern,
)  # fmt: skip
from ..tone import Where, margin, toned
from . import backdrop, gradient, image, letter, own, pattern
from .frames import Frames, LetterFrames, Unit
from .spot import Backing, Edge, Spot

__all__ = ["Backing", "Edge", "Frames", "LetterFrames", "Spot", "Unit", "source", "value_of"]


def _solid(paint: ColourPaint, spot: Spot) -> np.ndarray:
    colour = np.array(paint.colour.floats, np.float32)
    return np.repeat(colour[:, None, None], spot.box.width, 2)


def _gradient(paint: Gradient, spot: Spot) -> np.ndarray:
    if paint.shape == "edge" and spot.edge is not None:
        edge = spot.edge
        return gradient.lay_along(paint, edge.field(spot.box), edge.outer, edge.inner)
    letters = spot.frames.letters
    if paint.frame in ("letter", "word", "line") and letters is not None and letters.units:
        return gradient.lay_grouped(paint, letters, spot.box)
    frame = spot.frames.board if paint.frame == "board" else spot.frames.piece
    return gradient.lay(paint, frame, spot.box)


def _letter(paint: LetterPaint, spot: Spot) -> np.ndarray:
    return letter.lay(spot.frames.letters, spot.box)


def _pattern(paint: Pattern, spot: Spot) -> np.ndarray:
    def ink(name: str) -> np.ndarray:
        kind = LetterPaint() if name == "letter" else OwnPaint()
        return np.broadcast_to(PAINTS[type(kind)](kind, spot), (4, spot.box.height, spot.box.width))

    return pattern.lay(paint, spot, ink)


PAINTS: dict[type, Callable[[Any, Spot], np.ndarray]] = {}


def register(kind: type, lay: Callable[[Any, Spot], np.ndarray]) -> None:
    if kind in PAINTS:
        raise ValueError(f"the paint {kind.__name__!r} is registered twice")
    PAINTS[kind] = lay


for _kind, _lay in (
    (ColourPaint, _solid), (Gradient, _gradient), (LetterPaint, _letter), (Pattern, _pattern),
    (ImagePaint, image.lay), (Backdrop, backdrop.lay), (OwnPaint, own.lay),
):  # fmt: skip
    register(_kind, _lay)


def _inks_own(paint: Paint) -> bool:
    return isinstance(paint, Pattern) and any(ink.name == "own" for ink in paint.inks)


def value_of(paint: Paint, spot: Spot) -> Hashable:
    """All that the paint's colours come from."""
    seen = None
    if spot.backing is not None:
        if isinstance(paint, Backdrop):
            seen = spot.backing.key(paint.of)
        elif isinstance(paint, OwnPaint) or _inks_own(paint):
            seen = spot.backing.key("own")
    edge = spot.edge if isinstance(paint, Gradient) and paint.shape == "edge" else None
    run = (edge.key, edge.outer, edge.inner) if edge is not None else None
    return (paint, spot.frames, spot.units, run, seen)


def _toned(paint: Any, spot: Spot) -> np.ndarray:
    tones = getattr(paint, "tone", ())
    if not any(op.on for op in tones):
        return PAINTS[type(paint)](paint, spot)
    wide = spot.box.grown(margin(tones, spot.units))
    planes = PAINTS[type(paint)](paint, spot.over(wide))
    planes = np.ascontiguousarray(np.broadcast_to(planes, (4, wide.height, wide.width)))
    rows, columns = spot.box.slices_in(wide)
    made = toned(planes, tones, Where(wide, spot.units))[:, rows, columns]
    return np.ascontiguousarray(made)


def source(paint: Paint, spot: Spot) -> np.ndarray:
    """The paint's colours over the spot's box: straight alpha, sRGB-encoded, float32.

    returns (4, H, W); (4, 1, W) where every row is the same, (4, H, 1) where every column is
    """
    if isinstance(paint, ColourPaint):
        return _solid(paint, spot)
    kind = str(type(paint).__struct_config__.tag)
    return spot.cache.get((kind, value_of(paint, spot), spot.box), lambda: _toned(paint, spot))
