"""WebP; at quality 100 without loss."""

from __future__ import annotations

import io

from ...arrays import Pixels
from .format import Encoding, Format, icc, without_spare_alpha

EFFORT = 3
LOSSLESS = 100


def encode(pixels: Pixels, encoding: Encoding) -> bytes:
    """(H, W, 4) uint8."""
    from PIL import Image

    room = io.BytesIO()
    Image.fromarray(without_spare_alpha(pixels)).save(
        room,
        "WEBP",
        quality=encoding.quality,
        lossless=encoding.quality >= LOSSLESS,
        method=EFFORT,
        icc_profile=icc(encoding) or b"",
    )
    return room.getvalue()


FORMAT = Format("webp", (".webp",), "WebP", lossy=True, encode=encode)
