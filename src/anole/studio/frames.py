"""Rendered parts of boards as images of the window."""

from __future__ import annotations

from typing import NamedTuple

import cv2
import numpy as np
from PyQt6.QtGui import QImage

from ..core.box import Box
from ..core.model import Board
from ..core.render.opaque import opaque


class Frame(NamedTuple):
    """A rendered part of a board; `box` in px at `scale`, `fresh` what differs from the last."""

    image: QImage
    board: Board
    scale: float
    box: Box
    fresh: Box
    pixels: np.ndarray | None = None
    """The memory that the image shows, kept as long as the frame."""

    @property
    def opaque(self) -> bool:
        return self.image.format() == QImage.Format.Format_RGB32


def shared_image(pixels: np.ndarray, board: Board) -> QImage:
    """(H, W) uint32 ARGB words, premultiplied -> an image of the same memory."""
    height, width = pixels.shape
    kinds = QImage.Format
    kind = kinds.Format_RGB32 if opaque(board) else kinds.Format_ARGB32_Premultiplied
    return QImage(pixels.data, width, height, width * 4, kind)  # type: ignore[call-overload]


def straight_image(pixels: np.ndarray) -> QImage:
    """(H, W, 4) uint8 straight RGBA -> an image of its own memory."""
    height, width = pixels.shape[:2]
    image = QImage(pixels.data, width, height, width * 4, QImage.Format.Format_RGBA8888)  # type: ignore[call-overload]
    return image.copy()


def reduced(pixels: np.ndarray, width: int) -> np.ndarray:
    """(H, W, 4) uint8 averaged down to a width, colours weighted by alpha."""
    height = max(1, round(pixels.shape[0] * width / pixels.shape[1]))
    planes = pixels.astype(np.float32)
    planes[..., :3] *= planes[..., 3:] / 255
    small = cv2.resize(planes, (width, height), interpolation=cv2.INTER_AREA)
    small[..., :3] *= 255 / np.maximum(small[..., 3:], 1e-3)
    return np.ascontiguousarray(np.clip(small + 0.5, 0, 255).astype(np.uint8))
