"""What an export comes to: its bytes, and the picture that is read back from them."""

from __future__ import annotations

import io
from typing import Any, NamedTuple

import numpy as np
from PyQt6.QtGui import QImage

from ...core.arrays import Pixels
from ...core.files.export_target import Target
from ...core.files.exporting import is_deep
from ...core.model import Board, Export
from ..look.pixel_images import image_of

FileKey = tuple[Board, Export]


class Weighed(NamedTuple):
    """Bytes and quality; the picture as read back (None where nothing is lost), as rendered; and
    what is wrong, '' for nothing."""

    size: int
    quality: int | None
    read: QImage | None
    rendered: QImage
    trouble: str


def target_key(target: Target) -> Any:
    """What the px of a target depend on: not the quality, nor the limit."""
    export = target.export
    return target.board, target.scale, target.box, export.alpha, is_deep(export)


def eight_bit(pixels: Pixels) -> Pixels:
    """(H, W, 4) uint8 of what is rendered with 8 bits or 16."""
    return pixels if pixels.dtype == np.uint8 else (pixels >> 8).astype(np.uint8)


def as_read(export: Export, data: bytes) -> QImage | None:
    """The picture in a file's bytes; None for formats that lose nothing. They are our own bytes."""
    from PIL import Image

    if not export.has_quality:
        return None
    with Image.open(io.BytesIO(data)) as image:
        return image_of(np.ascontiguousarray(image.convert("RGBA")))
