"""Pieces with px of their own: these on their silhouette, and coats on both."""

from __future__ import annotations

import math
from abc import abstractmethod
from typing import Protocol, TypeVar

import cv2
import numpy as np

from ..arrays import Chords, Planes
from ..box import Box
from ..coats.context import CoatContext
from ..coats.shape import Shape
from ..compose.cover import Cover, full
from ..compose.program import NO_FACTORS
from ..compose.steps import CompositeStep
from ..field.coverage import rasterise
from ..field.raster import Raster, traced_alpha
from ..lettering.bent import positive
from ..model import Coated
from ..model.tones import Tones
from ..paint.own import straight
from ..tone import margin, toned
from ..tone.where import Where
from ..units import Units
from .coated_kind import CoatedKind
from .placing.picture_frame import PictureFrame
from .placing.placement import Placement
from .placing.view import View
from .shapes.raster_shape import raster_shape

MOST_PX = 6_000_000
S = TypeVar("S", bound=Coated)


class PixelsKind(CoatedKind[S], Protocol[S]):
    """The silhouette is the frame's quad where nothing is clear, else traced from the alpha."""

    @abstractmethod
    def frame(self, piece: S, dpi: float) -> PictureFrame:
        """Where its picture lies, and what is to be seen of it."""

    @abstractmethod
    def planes(self, piece: S, wanted: tuple[float, float]) -> Planes:
        """(4, H, W) premultiplied: its picture at about so many px, or smaller where there are no
        more."""

    @abstractmethod
    def has_alpha(self, piece: S) -> bool:
        """Whether anything of its picture is clear."""

    def tone(self, piece: S) -> Tones:
        """How its colours are changed."""
        return ()

    def placement(self, piece: S, dpi: float) -> Placement:
        return self.frame(piece, dpi).placement

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

    def _raster(self, piece: S, dpi: float, scale: float) -> Raster:
        """The alpha of what is seen, over all of it."""
        frame = self.frame(piece, dpi)
        box = frame.box(scale)
        alpha = self._warped(piece, frame, scale, box)[3]
        return Raster(alpha * rasterise(self._edge(frame, scale), box)[0], box)

    def chords(self, piece: S, dpi: float, scale: float) -> Chords:
        frame = self.frame(piece, dpi)
        if not self.has_content(piece) or frame.empty or not frame.is_within_reach(scale):
            return np.zeros((0, 4))
        if self.has_alpha(piece):
            share = self._share(frame, scale)
            raster = self._raster(piece, dpi, scale * share)
            return traced_alpha(raster.plane, raster.box) / share
        return self._edge(frame, scale)

    def shape(self, piece: S, view: View) -> Shape:
        dpi, scale = view.board.dpi, view.scale
        frame = self.frame(piece, dpi)
        whole = (
            self.has_content(piece)
            and frame.is_within_reach(scale)
            and self._share(frame, scale) == 1
        )
        if not whole or not self.has_alpha(piece):
            return super().shape(piece, view)
        key = (self.struct, *self.outline_key(piece, dpi), scale)
        raster = view.cache.get(("alpha", *key), lambda: self._raster(piece, dpi, scale))
        placed = self.placement(piece, dpi)
        shape = raster_shape(key, raster, placed.em, view.cache)
        return shape._replace(depth_axis=placed.depth_axis(scale))

    def ink(self, piece: S, dpi: float) -> tuple[float, float, float, float] | None:
        frame = self.frame(piece, dpi)
        if not self.has_content(piece) or frame.empty:
            return None
        (x0, y0), (x1, y1) = frame.quad(1.0).min(0), frame.quad(1.0).max(0)
        return float(x0), float(y0), float(x1), float(y1)

    # its own px

    def own_steps(self, piece: S, context: CoatContext, view: View) -> list[CompositeStep]:
        dpi, scale, box = view.board.dpi, view.scale, context.around(0)
        if box.empty or view.bare or not self.has_content(piece):
            return []
        key = (self.struct, *self.outline_key(piece, dpi), self.tone(piece), dpi, scale, box)

        def source() -> Planes:
            return self._coloured(piece, dpi, scale, box)

        return [
            CompositeStep(
                key,
                box,
                lambda: Cover(full(box), outside=False, face=True),
                lambda: view.cache.get(("own px", *key), source),
                1.0,
                "normal",
                NO_FACTORS,
                "everywhere",
                context.shape.covered,
            )
        ]

    def _warped(self, piece: S, frame: PictureFrame, scale: float, box: Box) -> Planes:
        """(4, H, W) premultiplied px of the picture over a box; its last px go on beyond its sides."""
        wanted = frame.size_on_board(scale)
        planes = self.planes(piece, wanted)
        matrix = frame.matrix((planes.shape[2], planes.shape[1]), scale)
        there = np.array([[1, 0, 0.5], [0, 1, 0.5], [0, 0, 1]])
        here = np.array([[1, 0, -box.x0 - 0.5], [0, 1, -box.y0 - 0.5], [0, 0, 1]])
        into = here @ matrix @ there
        enlarged = wanted[0] > 1.02 * planes.shape[2] or wanted[1] > 1.02 * planes.shape[1]
        how = cv2.INTER_CUBIC if enlarged else cv2.INTER_LINEAR
        over = (box.width, box.height)
        laid = [
            cv2.warpPerspective(p, into, over, flags=how, borderMode=cv2.BORDER_REPLICATE)
            for p in planes
        ]
        return np.stack([np.clip(plane, 0, 1) for plane in laid])

    def _coloured(self, piece: S, dpi: float, scale: float, box: Box) -> Planes:
        """(4, H, W) straight, opaque: the colours alone, for the silhouette brings the alpha."""
        frame = self.frame(piece, dpi)
        units = Units(frame.placement.em, dpi, scale)
        ops = tuple(op for op in self.tone(piece) if op.on)
        wide = box.grown(margin(ops, units)) if ops else box
        planes = straight(self._warped(piece, frame, scale, wide))
        if ops:
            rows, columns = box.slices_in(wide)
            planes = toned(planes, ops, Where(wide, units))[:, rows, columns]
        planes = np.ascontiguousarray(planes, np.float32)
        planes[3] = 1.0
        return planes
