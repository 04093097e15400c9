"""PNG, 16 bit: what is rendered in floats loses nothing that anybody can see again in a correction."""

from __future__ import annotations

import io
from collections.abc import Iterator
from pathlib import Path
from typing import TYPE_CHECKING

from ...arrays import DeepPixels, Pixels
from ..png_stream import PngStream
from .format import Encoding, Format, without_spare_alpha

if TYPE_CHECKING:
    from ..export_target import Target


def encode(pixels: Pixels, encoding: Encoding) -> bytes:
    """(H, W, 4) uint16; RGB where nothing shows through."""
    plain = without_spare_alpha(pixels)
    room = io.BytesIO()
    stream = PngStream(
        room,
        plain.shape[1],
        plain.shape[0],
        plain.shape[2] == 4,
        encoding.dpi,
        deep=True,
        srgb=encoding.srgb,
    )
    stream.rows(pixels)
    stream.end()
    return room.getvalue()


def streamed(path: Path, target: Target, rows: Iterator[DeepPixels]) -> int:
    """Returns the file's bytes. Raises FileError."""
    from ..picture import write_png

    return write_png(path, target, rows, deep=True)


FORMAT = Format(
    "png 16",
    (".png",),
    "PNG, 16 bit",
    deep=True,
    says_dpi=True,
    encode=encode,
    streamed=streamed,
)
