"""PNG, 8 bit."""

from __future__ import annotations

from ...arrays import Pixels
from .. import png
from .format import Encoding, Format


def encode(pixels: Pixels, encoding: Encoding) -> bytes:
    """(H, W, 4) uint8; RGB where nothing shows through."""
    return png.encode(pixels, encoding.dpi, srgb=encoding.srgb)


FORMAT = Format("png", ".png", "PNG", encode)
