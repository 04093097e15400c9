"""Emblem: vector artwork in its own colours, or as one silhouette for coats."""

from __future__ import annotations

from typing import Any

import numpy as np

from ...arrays import Chords, Planes
from ...coats.context import CoatContext
from ...coats.shape import Shape
from ...compose.steps import CompositeStep
from ...model import Emblem, Length
from ...model.tones import Tones
from ...paint.svg_files import SvgFile, drawn, svg_file
from ..coated_kind import CoatedKind
from ..fresh import Fresh
from ..own_pixels import PixelsKind
from ..placing.picture_frame import PictureFrame
from ..placing.placement import placed_chords, placement_of
from ..placing.view import View


class EmblemKind(PixelsKind[Emblem]):
    """Its outlines are the artwork's own; traced only where its colours let something through."""

    struct = Emblem
    title = "emblem"
    outline_fields = ("asset", "own", "height")
    sections = ("source", "fields", "place", "shape", "blending")

    def fresh(self) -> tuple[Fresh, ...]:
        """None: it comes with its file."""
        return ()

    def _aspect(self, piece: Emblem) -> float:
        file = svg_file(piece.asset)
        return 1.0 if file is None else file.aspect

    def frame(self, piece: Emblem, dpi: float) -> PictureFrame:
        half = self._aspect(piece) / 2
        box = (-half, -0.5, half, 0.5)
        return PictureFrame(
            placement_of(piece, box, max(piece.height.px(1.0, dpi), 1e-6)), box, box
        )

    def planes(self, piece: Emblem, wanted: tuple[float, float]) -> Planes:
        planes = drawn(piece.asset, max(wanted))
        return np.zeros((4, 1, 1), np.float32) if planes is None else planes

    def has_alpha(self, piece: Emblem) -> bool:
        return True

    def tone(self, piece: Emblem) -> Tones:
        return piece.tone

    def has_content(self, piece: Emblem) -> bool:
        return svg_file(piece.asset) is not None

    def _exact(self, piece: Emblem) -> SvgFile | None:
        """The file, where its outlines are the silhouette."""
        file = svg_file(piece.asset)
        return file if file is not None and (file.solid or not piece.own) else None

    def chords(self, piece: Emblem, dpi: float, scale: float) -> Chords:
        file, frame = self._exact(piece), self.frame(piece, dpi)
        if not frame.is_within_reach(scale):
            return np.zeros((0, 4))
        if file is None:
            return super().chords(piece, dpi, scale)
        return placed_chords(file.curves - (file.aspect / 2, 0.5), frame.placement, scale)

    def shape(self, piece: Emblem, view: View) -> Shape:
        if self._exact(piece) is not None:
            return CoatedKind.shape(self, piece, view)
        return super().shape(piece, view)

    def own_steps(self, piece: Emblem, context: CoatContext, view: View) -> list[CompositeStep]:
        return super().own_steps(piece, context, view) if piece.own else []

    def resized(self, piece: Emblem, ratio: float) -> dict[str, Any]:
        high = piece.height
        value = min(max(round(high.value * ratio, 3), 0.01), 32_000.0)
        return {"height": Length(value, high.unit)}

    def summary(self, piece: Emblem) -> str:
        return super().summary(piece) if piece.asset else "emblem, no file"

    def dropped(self, piece: Emblem, asset: str) -> dict[str, Any] | None:
        return {"asset": asset} if svg_file(asset) is not None else None
