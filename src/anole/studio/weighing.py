"""What an export comes to: its bytes, and the picture that is read back from them."""

from __future__ import annotations

import io
from typing import Any, NamedTuple

import numpy as np
from PyQt6.QtGui import QImage

from ..core.files.export_target import Target
from ..core.model import Board, Export
from .pixel_images import image_of

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
    return target.board, target.scale, target.box, target.export.alpha


def as_read(export: Export, data: bytes) -> QImage | None:
    """The picture in a file's bytes; None for formats that lose nothing. They are our own bytes."""
    from PIL import Image

    if not export.has_quality:
        return None
    with Image.open(io.BytesIO(data)) as image:
        return image_of(np.ascontiguousarray(image.convert("RGBA")))
