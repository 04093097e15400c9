"""JPEG: whole colour in each px, progressive."""

from __future__ import annotations

import io
from collections.abc import Iterator
from pathlib import Path
from typing import TYPE_CHECKING, BinaryIO

from ...arrays import DeepPixels, Pixels
from .format import Encoding, Format, encoding_of, flattened, icc

if TYPE_CHECKING:
    from PIL.Image import Image

    from ..export_target import Target

FULL_COLOUR = 0
"""4:4:4: small coloured letters stay sharp."""


def encode(pixels: Pixels, encoding: Encoding) -> bytes:
    """(H, W, 4) uint8, over white paper."""
    from PIL import Image

    room = io.BytesIO()
    _save(Image.fromarray(flattened(pixels)), room, encoding, progressive=True)
    return room.getvalue()


def streamed(path: Path, target: Target, rows: Iterator[DeepPixels]) -> int:
    """Returns the file's bytes. Raises FileError."""
    from ...atomic import replacing
    from ..picture import on_paper

    picture = on_paper(target, rows)
    with replacing(path) as file:
        # who looks through all coefficients again holds six bytes of them for each px
        _save(picture, file, encoding_of(target.export, target.dpi), progressive=False)
        return file.seek(0, io.SEEK_END)


def _save(picture: Image, file: BinaryIO, encoding: Encoding, progressive: bool) -> None:
    picture.save(
        file,
        "JPEG",
        quality=encoding.quality,
        subsampling=FULL_COLOUR,
        optimize=progressive,
        progressive=progressive,
        dpi=(encoding.dpi, encoding.dpi),
        icc_profile=icc(encoding),
    )


FORMAT = Format(
    "jpeg",
    (".jpg", ".jpeg"),
    "JPEG",
    alpha=False,
    lossy=True,
    says_dpi=True,
    encode=encode,
    streamed=streamed,
)
