"""PNG: 8-bit RGBA with sRGB and resolution."""

from __future__ import annotations

import io

import numpy as np

from ..arrays import Pixels

QUICK, LEVEL = 1, 4
"""Of zlib: two steps more would make files smaller by a twentieth and take twice as long."""
PERCEPTUAL = b"\x00"
"""Rendering intent in the sRGB chunk (PNG specification, 11.3.2.5)."""


def encode(pixels: Pixels, dpi: float = 96.0, *, quick: bool = False, srgb: bool = True) -> bytes:
    """pixels : (H, W, 4) uint8, straight alpha, sRGB. Fully opaque pictures are written as RGB."""
    from PIL import Image, PngImagePlugin

    if pixels[..., 3].min() == 255:
        pixels = np.ascontiguousarray(pixels[..., :3])
    image = Image.fromarray(pixels)
    info = PngImagePlugin.PngInfo()
    if srgb:
        info.add(b"sRGB", PERCEPTUAL)
    room = io.BytesIO()
    image.save(room, "PNG", pnginfo=info, dpi=(dpi, dpi), compress_level=QUICK if quick else LEVEL)
    return room.getvalue()
