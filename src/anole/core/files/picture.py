"""A board written as a picture, of whatever size."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from ..atomic import replacing
from ..model import Board
from ..render.export import joined, strips
from ..render.opaque import opaque
from ..render.renderer import Cancelled, Renderer, board_box
from . import png
from .png_stream import PngStream

WHOLE = 48_000_000
"""px of a picture that is held in memory; a larger one goes to its file some rows at a time."""


def write(
    path: Path,
    board: Board,
    scale: float = 1.0,
    *,
    transparent: bool = False,
    srgb: bool = True,
    dpi: float = 0.0,
    renderer: Renderer | None = None,
    progress: Callable[[float], None] = lambda share: None,
    stop: Callable[[], bool] = lambda: False,
) -> int:
    """Render a board into a PNG; returns the file's bytes. Raises FileError, TooLarge, Cancelled,
    and nothing is written then."""
    box, dpi = board_box(board, scale), dpi or board.dpi * scale
    parts = strips(
        board,
        scale,
        transparent=transparent,
        renderer=renderer,
        progress=progress,
        stop=stop,
    )
    if box.width * box.height <= WHOLE:
        pixels = joined(parts)
        _go_on(stop)
        return png.write(path, pixels, dpi, srgb)
    alpha = transparent or not opaque(board)
    with replacing(path) as file:
        stream = PngStream(file, box.width, box.height, alpha, dpi, srgb=srgb)
        for rows in parts:
            stream.rows(rows)
        _go_on(stop)
        return stream.end()


def _go_on(stop: Callable[[], bool]) -> None:
    """Who cancels after the last px wants no file either."""
    if stop():
        raise Cancelled
