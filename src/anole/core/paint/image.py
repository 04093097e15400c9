"""A picture laid over a frame."""

from __future__ import annotations

import math
from collections.abc import Hashable

import cv2
import msgspec
import numpy as np

from ..arrays import Planes, Points
from ..field import coverage
from ..model import ImagePaint, Tone
from . import pictures
from .context import PaintContext
from .handles import Laying, PaintHandle
from .kind import PaintKind
from .own import straight
from .tile_handles import picture_handles, picture_pulled
from .tiling import lines, sample


def _sides(
    paint: ImagePaint, size: tuple[int, int], wide: float, high: float
) -> tuple[float, float]:
    """Width and height of the laid picture, px."""
    across, down = wide / size[0], high / size[1]
    if paint.fit == "stretch":
        return wide * paint.scale, high * paint.scale
    if paint.fit == "tile":
        side = min(across, down)
    else:
        side = max(across, down) if paint.fit == "cover" else min(across, down)
    return size[0] * side * paint.scale, size[1] * side * paint.scale


def _placed(
    planes: Planes,
    middle: tuple[float, float],
    sides: tuple[float, float],
    angle: float,
    context: PaintContext,
) -> Planes:
    turn = math.radians(angle)
    cos, sin = math.cos(turn), math.sin(turn)
    sx, sy = sides[0] / planes.shape[2], sides[1] / planes.shape[1]
    linear = np.array([[cos * sx, -sin * sy], [sin * sx, cos * sy]])
    # OpenCV counts from pixel centres
    centre = np.array([planes.shape[2], planes.shape[1]]) / 2 - 0.5
    aim = np.array(middle) - (context.box.x0 + 0.5, context.box.y0 + 0.5)
    into = np.column_stack([linear, aim - linear @ centre])
    how = cv2.INTER_CUBIC if max(sx, sy) > 1.01 else cv2.INTER_LINEAR
    size = (context.box.width, context.box.height)
    placed = [
        cv2.warpAffine(p, into, size, flags=how, borderMode=cv2.BORDER_REPLICATE) for p in planes
    ]
    # the picture's own sides are cut exactly; enlarged, its last pixels would fade out
    halves = np.array([[-1, -1], [1, -1], [1, 1], [-1, 1]]) / 2 * sides
    corners = halves @ np.array([[cos, sin], [-sin, cos]]) + middle
    cover, _ = coverage.rasterise(np.hstack([corners, np.roll(corners, -1, 0)]), context.box)
    return np.clip(np.stack(placed), 0, 1) * cover


class ImageKind(PaintKind[ImagePaint]):
    """A picture of the board's assets, fitted or laid again."""

    struct = ImagePaint
    title = "picture"

    def rasterise(self, paint: ImagePaint, context: PaintContext) -> Planes:
        """(4, H, W) straight sRGB; clear beyond the picture, and where there is none."""
        size = pictures.size_of(paint.asset) if paint.asset else None
        if size is None:
            return np.zeros((4, 1, context.box.width), np.float32)
        frame = context.frames.board if paint.frame == "board" else context.frames.piece
        x0, y0, x1, y1 = frame
        wide, high = max(x1 - x0, 1e-3), max(y1 - y0, 1e-3)
        w, h = (max(side, 0.5) for side in _sides(paint, size, wide, high))
        planes = pictures.reduced(paint.asset, w, h, context.cache)
        assert planes is not None
        middle = ((x0 + x1) / 2 + paint.x * wide, (y0 + y1) / 2 + paint.y * high)
        if paint.fit == "tile":
            turn = math.radians(paint.angle)
            cos, sin = math.cos(turn), math.sin(turn)
            corner = (middle[0] - (cos * w - sin * h) / 2, middle[1] - (sin * w + cos * h) / 2)
            at = lines(corner, (w, h), paint.angle, (0, 0), context.box)
            return straight(sample(planes, at, False, context.box))
        return straight(_placed(planes, middle, (w, h), paint.angle, context))

    def value(self, paint: ImagePaint, context: PaintContext) -> Hashable:
        return (paint, context.frames.piece, context.frames.board, context.units)

    def tone(self, paint: ImagePaint) -> tuple[Tone, ...]:
        return paint.tone

    def over_board(self, paint: ImagePaint) -> bool:
        return paint.frame == "board"

    def turned(self, paint: ImagePaint, degrees: float) -> ImagePaint:
        return msgspec.structs.replace(paint, angle=(paint.angle + degrees) % 360)

    def handles(self, paint: ImagePaint, laid: Laying) -> list[PaintHandle]:
        return picture_handles(paint, laid)

    def pulled(self, paint: ImagePaint, laid: Laying, kind: str, at: Points) -> ImagePaint:
        return picture_pulled(paint, laid, kind, at)
