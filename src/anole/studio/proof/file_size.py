"""What an export comes to: its bytes, and the picture that is read back from them."""

from __future__ import annotations

import io
from typing import Any, NamedTuple

import numpy as np
from PyQt6.QtGui import QImage

from ...core.arrays import Pixels
from ...core.files.export_target import Target, rendered, target_of
from ...core.files.exporting import DoesNotFit, data_of, is_deep
from ...core.model import Board, Export
from ..look.pixel_images import image_of
from ..rendering.worker import Job, Worker

FileKey = tuple[Board, Export]


class MeasuredFile(NamedTuple):
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


class FileMeasuring:
    """The jobs of an export panel; what was rendered last serves the next file of the same px."""

    def __init__(self) -> None:
        self._rendered: tuple[object, Pixels] | None = None

    def job(self, key: FileKey, target: Target) -> Job:
        """The true bytes of an export that shows `target`, and the picture as it is read back."""
        return lambda worker: (key, self._measured(key[1], target, worker))

    def _measured(self, export: Export, target: Target, worker: Worker) -> MeasuredFile:
        if self._rendered is None or self._rendered[0] != target_key(target):
            pixels = rendered(target, deep=is_deep(export), stop=worker.is_over)
            self._rendered = (target_key(target), pixels)
        pixels = self._rendered[1]
        shown = image_of(eight_bit(pixels))
        try:
            data, quality = data_of(export, pixels, target.dpi, worker.is_over)
        except DoesNotFit as error:
            return MeasuredFile(0, None, None, shown, str(error))
        return MeasuredFile(len(data), quality, as_read(export, data), shown, "")


def target_job(key: FileKey) -> Job:
    """Which part of its board an export shows, where that must be looked for."""
    return lambda worker: (key, target_of(*key))
