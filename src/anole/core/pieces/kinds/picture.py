"""Picture: a raster image in its frame."""

from __future__ import annotations

import math
from typing import Any

import numpy as np

from ...arrays import Planes
from ...cache import Cache
from ...model import Length, Picture
from ...model.tones import Tones
from ...paint.pictures import has_alpha, reduced, size_of
from ..fresh import Fresh
from ..own_pixels import PixelsKind
from ..placing.picture_frame import PictureFrame, frame_of

NO_SIZE = (1, 1)
REDUCED = Cache(192 << 20)
"""Pictures about as large as they lie on boards: whoever moves one needs the same again."""
FINER = 1.25
"""A picture is reduced in such steps before it is placed: each does for many sizes."""


class PictureKind(PixelsKind[Picture]):
    """The silhouette is the frame's quad where nothing of the picture is clear, else its alpha."""

    struct = Picture
    title = "picture"
    outline_fields = ("asset", "fit", "zoom", "shift_x", "shift_y", "width", "height")
    sections = ("source", "fields", "place", "shape", "blending")

    def fresh(self) -> tuple[Fresh, ...]:
        """None: it comes with its file."""
        return ()

    def refinable(self, piece: Picture) -> bool:
        return False

    def frame(self, piece: Picture, dpi: float) -> PictureFrame:
        return frame_of(piece, dpi, size_of(piece.asset) or NO_SIZE)

    def planes(self, piece: Picture, wanted: tuple[float, float]) -> Planes:
        size = size_of(piece.asset) or NO_SIZE
        times = max(min(size[0] / max(wanted[0], 0.5), size[1] / max(wanted[1], 0.5)), 1.0)
        times = FINER ** math.floor(math.log(times, FINER) + 1e-9)
        planes = reduced(piece.asset, size[0] / times, size[1] / times, REDUCED)
        return np.zeros((4, 1, 1), np.float32) if planes is None else planes

    def has_alpha(self, piece: Picture) -> bool:
        return has_alpha(piece.asset)

    def tone(self, piece: Picture) -> Tones:
        return piece.tone

    def has_content(self, piece: Picture) -> bool:
        return bool(piece.asset) and size_of(piece.asset) is not None

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
