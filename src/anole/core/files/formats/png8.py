"""PNG, 8 bit."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import TYPE_CHECKING

from ...arrays import DeepPixels, Pixels
from .. import png
from .format import Encoding, Format

if TYPE_CHECKING:
    from ..export_target import Target


def encode(pixels: Pixels, encoding: Encoding) -> bytes:
    """(H, W, 4) uint8; RGB where nothing shows through."""
    return png.encode(pixels, encoding.dpi, srgb=encoding.srgb)


def streamed(path: Path, target: Target, rows: Iterator[DeepPixels]) -> int:
    """Returns the file's bytes. Raises FileError."""
    from ..picture import write_png

    return write_png(path, target, rows)


FORMAT = Format("png", (".png",), "PNG", says_dpi=True, encode=encode, streamed=streamed)
