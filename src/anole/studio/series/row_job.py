"""What the series asks of the worker: the board of a row, small, and what is wrong with the row."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtGui import QImage

from ...core.series.rows import BoundRow
from ..look.pixel_images import image_of
from ..rendering.worker import Job, Worker


def row_job(make: Callable[[], BoundRow], width: int) -> Job:
    """A picture so many px wide, and warnings; the row is put on the board in the worker's thread."""

    def job(worker: Worker) -> tuple[QImage, tuple[str, ...]]:
        row = make()
        pixels = worker.small(row.board, width / row.board.width, False)
        return image_of(pixels), row.warnings

    return job
