"""Pictures larger than one likes to hold in memory, written to their files some rows at a time."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import TYPE_CHECKING

import numpy as np

from ..arrays import DeepPixels, Pixels
from ..atomic import replacing
from ..render.opaque import opaque
from .export_target import Target
from .formats.format import flattened
from .png_stream import PngStream

if TYPE_CHECKING:
    from PIL.Image import Image


def write_png(path: Path, target: Target, rows: Iterator[DeepPixels], deep: bool = False) -> int:
    """A PNG of strips, top to bottom; returns its bytes. Raises FileError, and what strips raise."""
    alpha = target.export.alpha or not opaque(target.board)
    box, srgb = target.box, target.export.srgb
    with replacing(path) as file:
        stream = PngStream(file, box.width, box.height, alpha, target.dpi, deep=deep, srgb=srgb)
        for strip in rows:
            stream.rows(strip)
        return stream.end()


def held(target: Target, rows: Iterator[DeepPixels]) -> Image:
    """The strips as one picture, RGB where nothing shows through."""
    alpha = target.export.alpha or not opaque(target.board)
    channels = 4 if alpha else 3
    return _pasted("RGBA" if alpha else "RGB", target, (strip[..., :channels] for strip in rows))


def on_paper(target: Target, rows: Iterator[DeepPixels]) -> Image:
    """The strips over white paper, as one picture."""
    return _pasted("RGB", target, map(flattened, rows))


def _pasted(mode: str, target: Target, strips: Iterator[Pixels]) -> Image:
    """4 bytes a px, and nothing beside it."""
    from PIL import Image

    picture, y = Image.new(mode, (target.box.width, target.box.height)), 0
    for strip in strips:
        picture.paste(Image.fromarray(np.ascontiguousarray(strip)), (0, y))
        y += len(strip)
    return picture
