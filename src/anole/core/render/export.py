"""A whole board as 8-bit pixels, in bands of rows so that posters fit in memory."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np

from ..box import Box
from ..model import Board
from .renderer import Cancelled, Renderer, Request, board_box

BAND_PIXELS = 4_000_000
GREATEST_PIXELS = 32_000 * 32_000


class TooLarge(ValueError):
    """The picture asked for is larger than can be written."""


def bands_of(box: Box) -> list[Box]:
    """The box in bands of about BAND_PIXELS px, top to bottom, 64 rows at least."""
    rows = max(64, BAND_PIXELS // max(box.width, 1))
    return [Box(0, y, box.width, min(y + rows, box.height)) for y in range(0, box.height, rows)]


def rgba(
    board: Board,
    scale: float = 1.0,
    *,
    transparent: bool = False,
    renderer: Renderer | None = None,
    progress: Callable[[float], None] = lambda share: None,
    stop: Callable[[], bool] = lambda: False,
) -> np.ndarray:
    """Render a board: (H, W, 4) uint8, straight alpha, sRGB-encoded.

    progress is called with 0..1; stop ends the work early.
    Raises TooLarge and Cancelled.
    """
    box = board_box(board, scale)
    if box.width * box.height > GREATEST_PIXELS:
        raise TooLarge(
            f"{box.width} x {box.height} px is too large to write; the most is 32000 x 32000"
        )
    renderer = renderer or Renderer()
    out = np.empty((box.height, box.width), np.uint32)
    parts = bands_of(box)
    for number, part in enumerate(parts):
        if stop():
            raise Cancelled
        planes = renderer.frame(Request(board, scale, part, transparent), stop)
        renderer.picture(planes, part, True, out[part.y0 : part.y1])
        if len(parts) > 1:
            renderer.cache.clear()
        progress((number + 1) / len(parts))
    return out.view(np.uint8).reshape(box.height, box.width, 4)
