"""What Proof asks of the worker: pictures as they will be met, and what there is to say of the words."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np
from PyQt6.QtGui import QImage

from ...core.model import Board
from ...core.proof.report import WordsReport, reports
from ...core.proof.sight import PLAIN, seen
from ...core.render.export import rgba
from ..look.pixel_images import image_of
from ..rendering.frames import reduced
from ..rendering.worker import Job, Worker

MOST_WIDE = 2560
"""px a board is rendered at before it is reduced."""


def reduced_job(board: Board, widths: tuple[int, ...], sight: str = PLAIN) -> Job:
    """The board as it will be met at several widths, reduced from its own size and seen so: each
    width and its image."""

    def job(worker: Worker) -> Iterator[tuple[int, QImage]]:
        scale, renderer = min(1.0, MOST_WIDE / board.width), worker.renderer("proof")
        pixels = worker.left_out.tried(
            board, lambda sound: rgba(sound, scale, renderer=renderer, stop=worker.is_over)
        )
        for width in widths:
            picture = seen(np.ascontiguousarray(reduced(pixels, width)), sight)
            yield width, image_of(picture)

    return job


def report_job(board: Board) -> Job:
    """The board, and what there is to say of the words on it."""

    def job(worker: Worker) -> tuple[Board, list[WordsReport]]:
        return board, reports(board)

    return job
