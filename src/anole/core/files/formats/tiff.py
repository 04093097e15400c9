"""TIFF, packed without loss, for print shops."""

from __future__ import annotations

import io
from collections.abc import Iterator
from pathlib import Path
from typing import TYPE_CHECKING, BinaryIO

from ...arrays import DeepPixels, Pixels
from .format import Encoding, Format, encoding_of, icc, without_spare_alpha

if TYPE_CHECKING:
    from PIL.Image import Image

    from ..export_target import Target


def encode(pixels: Pixels, encoding: Encoding) -> bytes:
    """(H, W, 4) uint8."""
    from PIL import Image

    room = io.BytesIO()
    _save(Image.fromarray(without_spare_alpha(pixels)), room, encoding)
    return room.getvalue()


def streamed(path: Path, target: Target, rows: Iterator[DeepPixels]) -> int:
    """Returns the file's bytes. Raises FileError."""
    from ...atomic import replacing
    from ..picture import held

    picture = held(target, rows)
    with replacing(path) as file:
        _save(picture, file, encoding_of(target.export, target.dpi))
        return file.seek(0, io.SEEK_END)


def _save(picture: Image, file: BinaryIO, encoding: Encoding) -> None:
    picture.save(
        file,
        "TIFF",
        compression="tiff_adobe_deflate",
        dpi=(encoding.dpi, encoding.dpi),
        icc_profile=icc(encoding),
    )


FORMAT = Format("tiff", (".tif", ".tiff"), "TIFF", says_dpi=True, encode=encode, streamed=streamed)
