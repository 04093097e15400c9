"""Arrays of pixels as images of the window, and back."""

from __future__ import annotations

import numpy as np
from PyQt6.QtGui import QImage

from ...core.arrays import AnyArray

STRAIGHT = QImage.Format.Format_RGBA8888
PREMULTIPLIED = QImage.Format.Format_ARGB32_Premultiplied


def image_of(pixels: AnyArray, kind: QImage.Format = STRAIGHT) -> QImage:
    """(H, W, 4) uint8 in the order of `kind` -> an image of its own memory."""
    pixels = np.ascontiguousarray(pixels)
    return shared_image(pixels, kind).copy()


def shared_image(pixels: AnyArray, kind: QImage.Format) -> QImage:
    """An image of the memory of `pixels`: (H, W, 4) uint8 or (H, W) uint32, without gaps between
    rows, which must outlive the image."""
    height, width = pixels.shape[:2]
    return QImage(pixels.data, width, height, width * 4, kind)  # type: ignore[call-overload]


def memory_of(image: QImage) -> AnyArray:
    """The memory of an image of four bytes a px: (H, W, 4) uint8, rows padded at their end."""
    bits = image.constBits()
    assert bits is not None
    bits.setsize(image.sizeInBytes())
    flat = np.frombuffer(bits, np.uint8)  # type: ignore[call-overload]
    return flat.reshape(image.height(), image.bytesPerLine() // 4, 4)
