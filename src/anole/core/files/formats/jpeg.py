"""JPEG: whole colour in each px, progressive."""

from __future__ import annotations

import io

from ...arrays import Pixels
from .format import Encoding, Format, flattened, icc

FULL_COLOUR = 0
"""4:4:4: small coloured letters stay sharp."""


def encode(pixels: Pixels, encoding: Encoding) -> bytes:
    """(H, W, 4) uint8, over white paper."""
    from PIL import Image

    room = io.BytesIO()
    Image.fromarray(flattened(pixels)).save(
        room,
        "JPEG",
        quality=encoding.quality,
        subsampling=FULL_COLOUR,
        optimize=True,
        progressive=True,
        dpi=(encoding.dpi, encoding.dpi),
        icc_profile=icc(encoding),
    )
    return room.getvalue()


FORMAT = Format(
    "jpeg", (".jpg", ".jpeg"), "JPEG", alpha=False, lossy=True, says_dpi=True, encode=encode
)
