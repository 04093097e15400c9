"""What the piece has painted there so far."""

from __future__ import annotations

from collections.abc import Hashable

import numpy as np

from .. import bands
from ..arrays import Planes
from ..kernels import njit
from ..model import OwnPaint, Tone
from .context import PaintContext
from .kind import PaintKind, unseen


@njit(nogil=True, cache=True, error_model="numpy")
def _straight(planes: Planes, solid: bool, out: Planes, first: int, last: int) -> None:
    one, zero, least = np.float32(1), np.float32(0), np.float32(1e-6)
    for y in range(first, last):
        for x in range(planes.shape[2]):
            alpha = planes[3, y, x]
            by = one / max(alpha, least)
            for p in range(3):
                out[p, y, x] = min(max(planes[p, y, x] * by, zero), one)
            out[3, y, x] = one if solid else alpha


def straight(planes: Planes, solid: bool = False) -> Planes:
    """(4, H, W) premultiplied to straight alpha; solid : the colours alone, alpha 1."""
    out = np.empty(planes.shape, np.float32)
    bands.run(lambda a, b: _straight(planes, solid, out, a, b), bands.split(planes.shape[1]))
    return out


def rasterise(context: PaintContext) -> Planes:
    """(4, H, W) straight; clear where nothing was painted yet."""
    if context.backdrop is None:
        return np.zeros((4, 1, context.box.width), np.float32)
    return straight(context.backdrop.planes("own", 1.0, context.box))


class OwnKind(PaintKind[OwnPaint]):
    """The colours that a colour glyph brings along."""

    struct = OwnPaint
    title = "the coats beneath"
    about = "What the lower coats painted, changed by the tone below."

    def rasterise(self, paint: OwnPaint, context: PaintContext) -> Planes:
        return rasterise(context)

    def value(self, paint: OwnPaint, context: PaintContext) -> Hashable:
        key = context.backdrop.key("own") if context.backdrop is not None else None
        return (paint, context.units, key)

    def tone(self, paint: OwnPaint) -> tuple[Tone, ...]:
        return paint.tone

    def in_section(self, paint: OwnPaint, count: int, em: float) -> Planes:
        """Of one colour: it looks at a picture that is not there."""
        return unseen(count)
