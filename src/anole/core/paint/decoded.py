"""What reading a picture gives; apart from what reads it, which only the helper needs."""

from __future__ import annotations

from typing import NamedTuple

from ..arrays import DeepPixels
from .image_formats import ImageFormat


class Decoded(NamedTuple):
    """pixels : (H, W, 4) uint8 or uint16, straight alpha; troubles that did not stop it."""

    pixels: DeepPixels
    troubles: tuple[str, ...]
    format: ImageFormat
