"""What the piece has painted there so far."""

from __future__ import annotations

from collections.abc import Hashable

import numpy as np

from ..arrays import Planes
from ..model import OwnPaint, Tone
from .context import PaintContext
from .kind import PaintKind


def straight(planes: Planes) -> np.ndarray:
    """Premultiplied to straight alpha."""
    out = planes.copy()
    out[:3] = np.clip(out[:3] / np.maximum(out[3], 1e-6), 0, 1)
    return out


def rasterise(context: PaintContext) -> Planes:
    """(4, H, W) straight; clear where nothing was painted yet."""
    if context.backdrop is None:
        return np.zeros((4, 1, context.box.width), np.float32)
    return straight(context.backdrop.planes("own", 1.0, context.box))


class OwnKind(PaintKind[OwnPaint]):
    """The colours that a colour glyph brings along."""

    struct = OwnPaint

    def rasterise(self, paint: OwnPaint, context: PaintContext) -> np.ndarray:
        return rasterise(context)

    def value(self, paint: OwnPaint, context: PaintContext) -> Hashable:
        key = context.backdrop.key("own") if context.backdrop is not None else None
        return (paint, context.units, key)

    def tone(self, paint: OwnPaint) -> tuple[Tone, ...]:
        return paint.tone
