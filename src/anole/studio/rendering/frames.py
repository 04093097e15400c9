"""Rendered parts of boards as images of the window."""

from __future__ import annotations

from typing import NamedTuple

import cv2
import numpy as np
from PyQt6.QtGui import QImage

from ...core.arrays import Packed, Pixels
from ...core.box import Box
from ...core.model import Board
from ...core.render.opaque import opaque
from ..look.pixel_images import PREMULTIPLIED, shared_image


class Frame(NamedTuple):
    """A rendered part of a board; `box` in px at `scale`, `fresh` what differs from the last."""

    image: QImage
    board: Board
    scale: float
    box: Box
    fresh: Box
    pixels: Packed | None = None
    """The memory that the image shows, kept as long as the frame."""

    @property
    def opaque(self) -> bool:
        """Whether nothing shows through."""
        return self.image.format() == QImage.Format.Format_RGB32


def frame_image(pixels: Packed, board: Board) -> QImage:
    """(H, W) uint32 ARGB words, premultiplied -> an image of the same memory."""
    return shared_image(pixels, QImage.Format.Format_RGB32 if opaque(board) else PREMULTIPLIED)


def reduced(pixels: Pixels, width: int) -> Pixels:
    """(H, W, 4) uint8 averaged down to a width, colours weighted by alpha."""
    height = max(1, round(pixels.shape[0] * width / pixels.shape[1]))
    if pixels[..., 3].min() == 255:
        # nothing to weight: whole numbers do, and take a tenth of the time
        return cv2.resize(pixels, (width, height), interpolation=cv2.INTER_AREA)
    planes = pixels.astype(np.float32)
    planes[..., :3] *= planes[..., 3:] / 255
    small = cv2.resize(planes, (width, height), interpolation=cv2.INTER_AREA)
    small[..., :3] *= 255 / np.maximum(small[..., 3:], 1e-3)
    return np.ascontiguousarray(np.clip(small + 0.5, 0, 255).astype(np.uint8))
