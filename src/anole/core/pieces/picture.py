"""Picture: its own px on its silhouette, and coats on both."""

from __future__ import annotations

import math
from typing import Any

import cv2
import numpy as np

from ..arrays import Chords, Planes
from ..box import Box
from ..cache import Cache
from ..coats.context import CoatContext
from ..coats.shape import Shape
from ..compose.cover import Cover, full
from ..compose.program import NO_FACTORS
from ..compose.steps import CompositeStep
from ..field.coverage import rasterise
from ..field.raster import Raster, traced
from ..lettering.bent import positive
from ..model import Length, Picture
from ..paint.own import straight
from ..paint.pictures import has_alpha, reduced, size_of
from ..tone import margin, toned
from ..tone.where import Where
from ..units import Units
from .kind import CoatedKind
from .picture_frame import PictureFrame, frame_of
from .placement import Placement
from .raster_shape import raster_shape
from .view import View

NO_SIZE = (1, 1)
REDUCED = Cache(192 << 20)
"""Pictures about as large as they lie on boards: whoever moves one needs the same again."""
MOST_PX = 6_000_000
FINER = 1.25
"""A picture is reduced in such steps before it is placed: each does for many sizes."""


class PictureKind(CoatedKind[Picture]):
    """The silhouette is the frame's quad where nothing of the picture is clear, else its alpha."""

    struct = Picture
    title = "picture"
    sections = ("source", "fields", "place", "shape", "blending")

    def _frame(self, piece: Picture, dpi: float) -> PictureFrame:
        return frame_of(piece, dpi, size_of(piece.asset) or NO_SIZE)

    def placement(self, piece: Picture, dpi: float) -> Placement:
        return self._frame(piece, dpi).placement

    def has_content(self, piece: Picture) -> bool:
        return bool(piece.asset) and size_of(piece.asset) is not None

    def outline_key(self, piece: Picture, dpi: float) -> tuple:
        cut = (piece.fit, piece.zoom, piece.shift_x, piece.shift_y)
        size = (piece.width.px(1.0, dpi), piece.height.px(1.0, dpi))
        return (piece.asset, *cut, *size, piece.place, piece.corners, piece.pose, piece.off)

    # the silhouette

    def _edge(self, frame: PictureFrame, scale: float) -> Chords:
        """The quad of what is seen, as closed chords."""
        quad = frame.quad(scale)
        return positive(np.hstack([quad, np.roll(quad, -1, 0)]))

    def _share(self, frame: PictureFrame, scale: float) -> float:
        """Of the scale: at which an alpha is looked at as a whole, which may be far larger than
        what is seen of it."""
        wide, high = np.ptp(frame.quad(scale), axis=0) + 3
        return min(1.0, math.sqrt(MOST_PX / max(float(wide * high), 1.0)))

    def _raster(self, piece: Picture, dpi: float, scale: float) -> Raster:
        """The alpha of what is seen, over all of it."""
        frame = self._frame(piece, dpi)
        box = frame.box(scale)
        alpha = _warped(piece.asset, frame, scale, box)[3]
        return Raster(alpha * rasterise(self._edge(frame, scale), box)[0], box)

    def chords(self, piece: Picture, dpi: float, scale: float) -> Chords:
        frame = self._frame(piece, dpi)
        if not self.has_content(piece) or frame.empty or not frame.is_within_reach(scale):
            return np.zeros((0, 4))
        if has_alpha(piece.asset):
            share = self._share(frame, scale)
            raster = self._raster(piece, dpi, scale * share)
            return traced(raster.plane, raster.box) / share
        return self._edge(frame, scale)

    def shape(self, piece: Picture, view: View) -> Shape:
        dpi, scale = view.board.dpi, view.scale
        frame = self._frame(piece, dpi)
        whole = (
            self.has_content(piece)
            and frame.is_within_reach(scale)
            and self._share(frame, scale) == 1
        )
        if not whole or not has_alpha(piece.asset):
            return super().shape(piece, view)
        key = (self.struct, *self.outline_key(piece, dpi), scale)
        raster = view.cache.get(("alpha", *key), lambda: self._raster(piece, dpi, scale))
        return raster_shape(key, raster, self.placement(piece, dpi).em, view.cache)

    def ink(self, piece: Picture, dpi: float) -> tuple[float, float, float, float] | None:
        frame = self._frame(piece, dpi)
        if not self.has_content(piece) or frame.empty:
            return None
        (x0, y0), (x1, y1) = frame.quad(1.0).min(0), frame.quad(1.0).max(0)
        return float(x0), float(y0), float(x1), float(y1)

    # its own px

    def own_steps(self, piece: Picture, context: CoatContext, view: View) -> list[CompositeStep]:
        dpi, scale, box = view.board.dpi, view.scale, context.around(0)
        if box.empty or not self.has_content(piece):
            return []
        key = ("picture", *self.outline_key(piece, dpi), piece.tone, dpi, scale, box)

        def source() -> np.ndarray:
            return _coloured(piece, self._frame(piece, dpi), scale, dpi, box)

        return [
            CompositeStep(
                key,
                box,
                lambda: Cover(full(box), outside=False, face=True),
                lambda: view.cache.get(key, source),
                1.0,
                "normal",
                NO_FACTORS,
                "everywhere",
                context.shape.covered,
            )
        ]

    # changing

    def resized(self, piece: Picture, ratio: float) -> dict[str, Any]:
        sizes = {"width": piece.width, "height": piece.height}
        return {
            name: Length(min(max(round(old.value * ratio, 3), 0.01), 32_000.0), old.unit)
            for name, old in sizes.items()
        }

    def summary(self, piece: Picture) -> str:
        return super().summary(piece) if piece.asset else "picture, no file"

    def dropped(self, piece: Picture, asset: str) -> dict[str, Any]:
        return {"asset": asset}


def _warped(asset: str, frame: PictureFrame, scale: float, box: Box) -> Planes:
    """(4, H, W) premultiplied px of the picture over a box; its last px go on beyond its sides."""
    size, wanted = size_of(asset) or NO_SIZE, frame.size_on_board(scale)
    times = max(min(size[0] / max(wanted[0], 0.5), size[1] / max(wanted[1], 0.5)), 1.0)
    times = FINER ** math.floor(math.log(times, FINER) + 1e-9)
    planes = reduced(asset, size[0] / times, size[1] / times, REDUCED)
    assert planes is not None
    matrix = frame.matrix((planes.shape[2], planes.shape[1]), scale)
    there = np.array([[1, 0, 0.5], [0, 1, 0.5], [0, 0, 1]])
    here = np.array([[1, 0, -box.x0 - 0.5], [0, 1, -box.y0 - 0.5], [0, 0, 1]])
    into = here @ matrix @ there
    enlarged = wanted[0] > 1.02 * planes.shape[2] or wanted[1] > 1.02 * planes.shape[1]
    how = cv2.INTER_CUBIC if enlarged else cv2.INTER_LINEAR
    over = (box.width, box.height)
    return np.stack(
        [
            np.clip(
                cv2.warpPerspective(p, into, over, flags=how, borderMode=cv2.BORDER_REPLICATE), 0, 1
            )
            for p in planes
        ]
    )


def _coloured(piece: Picture, frame: PictureFrame, scale: float, dpi: float, box: Box) -> Planes:
    """(4, H, W) straight, opaque: the colours alone, for the silhouette brings the alpha."""
    units = Units(frame.placement.em, dpi, scale)
    ops = tuple(op for op in piece.tone if op.on)
    wide = box.grown(margin(ops, units)) if ops else box
    planes = straight(_warped(piece.asset, frame, scale, wide))
    if ops:
        rows, columns = box.slices_in(wide)
        planes = toned(planes, ops, Where(wide, units))[:, rows, columns]
    planes = np.ascontiguousarray(planes, np.float32)
    planes[3] = 1.0
    return planes
