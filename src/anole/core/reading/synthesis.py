"""What was read, drawn again by the renderer on the silhouette that was found, beside the picture."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

import msgspec
import numpy as np

from .. import assets
from ..arrays import Mask, Plane
from ..cache import Cache
from ..files import png
from ..model import Board, Coat, Length, Picture, Place
from ..pieces.registry import placed_kind
from ..render.export import rgba
from ..render.renderer import Renderer
from .seen import apart, oklab

JUST_SEEN = 0.03
"""Unlikeness in OKLab that is hardly seen."""
HOLDER = "reading a look"
CACHE = 96 << 20
"""Bytes kept between two trials."""


class Drawn(NamedTuple):
    """rgb : (H, W, 3) float32 of the coats on the picture's own ground; cover : how much of each px they
    paint, (H, W) float32"""

    rgb: Plane
    cover: Plane


class Synthesis:
    """Draws coats on the face that was found, `by` times as large as the picture is read, and compares it
    with the picture at that size. Lengths stay those of the picture as it is read."""

    def __init__(self, alpha: Plane, lab: Plane, ground: Plane, by: float) -> None:
        height, width = alpha.shape
        pixels = np.full((height, width, 4), 255, np.uint8)
        pixels[..., 3] = np.round(alpha * 255)
        self._asset = assets.put(png.encode(pixels, quick=True))
        self._piece = Picture(
            id="face", asset=self._asset, width=Length(float(width)), height=Length(float(height)), fit="stretch",
            place=Place(x=width / 2, y=height / 2),
        )  # fmt: skip
        self._board = Board(width=width, height=height, pieces=(self._piece,))
        self.em = placed_kind(self._piece).placement(self._piece, self._board.dpi).em
        self.lab, self.ground, self.by = lab, ground, by
        self._renderer = Renderer(Cache(CACHE))

    def __enter__(self) -> Synthesis:
        assets.hold(HOLDER, [*assets.held_by(HOLDER), self._asset])
        return self

    def __exit__(self, *_: object) -> None:
        assets.hold(HOLDER, [one for one in assets.held_by(HOLDER) if one != self._asset])
        self._renderer.release()

    def drawn(self, coats: Sequence[Coat]) -> Drawn:
        """The coats, whose em is `self.em` px, over the picture's ground."""
        piece = msgspec.structs.replace(self._piece, style=tuple(coats))
        board = msgspec.structs.replace(self._board, pieces=(piece,))
        pixels = rgba(board, self.by, transparent=True, renderer=self._renderer)
        straight = pixels.astype(np.float32) / np.float32(255)
        cover = np.ascontiguousarray(straight[..., 3])
        share = cover[..., None]
        return Drawn(self.ground * (1 - share) + straight[..., :3] * share, cover)

    def off(self, drawn: Drawn) -> Plane:
        """(H, W) float32: how unlike the picture it is, in OKLab."""
        return apart(oklab(drawn.rgb), self.lab)


def difference(off: Plane, where: Mask) -> float:
    """Mean unlikeness there."""
    return float(off[where].mean()) if where.any() else 0.0


def hardly_off(off: Plane, where: Mask) -> float:
    """The share of px there that hardly differ."""
    return float((off[where] < JUST_SEEN).mean()) if where.any() else 0.0
