"""TIFF, packed without loss, for print shops."""

from __future__ import annotations

import io

from ...arrays import Pixels
from .format import Encoding, Format, icc, without_spare_alpha


def encode(pixels: Pixels, encoding: Encoding) -> bytes:
    """(H, W, 4) uint8."""
    from PIL import Image

    room = io.BytesIO()
    Image.fromarray(without_spare_alpha(pixels)).save(
        room,
        "TIFF",
        compression="tiff_adobe_deflate",
        dpi=(encoding.dpi, encoding.dpi),
        icc_profile=icc(encoding),
    )
    return room.getvalue()


FORMAT = Format("tiff", (".tif", ".tiff"), "TIFF", says_dpi=True, encode=encode)
