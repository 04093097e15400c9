"""What lies beneath, moved, enlarged and blurred."""

from __future__ import annotations

import math
from collections.abc import Hashable

import cv2
import numpy as np

from ..arrays import Planes, Points
from ..model import Backdrop, Tone
from ..tone.blur import blurred
from .context import PaintContext
from .handles import Laying, PaintHandle
from .kind import PaintKind, unseen
from .own import straight
from .tile_handles import picture_handles, picture_pulled


def _start(paint: Backdrop, context: PaintContext) -> tuple[float, float]:
    """Where the picture, enlarged about the board's middle, has its corner, px."""
    x0, y0, x1, y1 = context.frames.board
    wide, high = x1 - x0, y1 - y0
    return (wide * ((1 - paint.scale) / 2 + paint.x), high * ((1 - paint.scale) / 2 + paint.y))


def _moved(planes: Planes, dx: float, dy: float) -> Planes:
    """Moved by less than a px."""
    if abs(dx) < 1e-3 and abs(dy) < 1e-3:
        return planes
    into = np.array([[1, 0, dx], [0, 1, dy]])
    size = (planes.shape[2], planes.shape[1])
    return np.stack(
        [
            cv2.warpAffine(
                np.ascontiguousarray(p),
                into,
                size,
                flags=cv2.INTER_LINEAR,
                borderMode=cv2.BORDER_REPLICATE,
            )
            for p in planes
        ]
    )


class BackdropKind(PaintKind[Backdrop]):
    """What was painted beneath, as a paint."""

    struct = Backdrop
    title = "the background"
    about = "The clean ground or what is beneath, in the letters."

    def rasterise(self, paint: Backdrop, context: PaintContext) -> Planes:
        """Drawn at its own scale, so that enlarging loses nothing."""
        if context.backdrop is None:
            return np.zeros((4, 1, context.box.width), np.float32)
        sigma = context.units.px(paint.blur) / 2
        x, y = _start(paint, context)
        ix, iy = math.floor(x), math.floor(y)
        wide = context.box.grown(3 * sigma + 1)
        planes = context.backdrop.planes(paint.of, paint.scale, wide.moved(-ix, -iy))
        planes = blurred(_moved(planes, x - ix, y - iy), sigma)
        rows, columns = context.box.slices_in(wide)
        return straight(np.ascontiguousarray(planes[:, rows, columns]))

    def value(self, paint: Backdrop, context: PaintContext) -> Hashable:
        key = context.backdrop.key(paint.of) if context.backdrop is not None else None
        return (paint, context.frames.board, context.units, key)

    def over_board(self, paint: Backdrop) -> bool:
        return True

    def tone(self, paint: Backdrop) -> tuple[Tone, ...]:
        return paint.tone

    def handles(self, paint: Backdrop, laid: Laying) -> list[PaintHandle]:
        return picture_handles(paint, laid)

    def pulled(self, paint: Backdrop, laid: Laying, kind: str, at: Points) -> Backdrop:
        return picture_pulled(paint, laid, kind, at)

    def in_section(self, paint: Backdrop, count: int, em: float) -> Planes:
        """Of one colour: it looks at a picture that is not there."""
        return unseen(count)
