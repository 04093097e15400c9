"""AVIF."""

from __future__ import annotations

import io

from ...arrays import Pixels
from .format import Encoding, Format, icc, without_spare_alpha

SPEED = 8
"""0 is slowest and smallest, 10 fastest."""


def encode(pixels: Pixels, encoding: Encoding) -> bytes:
    """(H, W, 4) uint8; colour whole in each px."""
    from PIL import Image

    room = io.BytesIO()
    Image.fromarray(without_spare_alpha(pixels)).save(
        room,
        "AVIF",
        quality=encoding.quality,
        subsampling="4:4:4",
        speed=SPEED,
        icc_profile=icc(encoding) or b"",
    )
    return room.getvalue()


FORMAT = Format("avif", (".avif",), "AVIF", lossy=True, encode=encode)
