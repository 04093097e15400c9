"""A whole board as 8-bit pixels, in bands of rows so that posters fit in memory."""

from __future__ import annotations

from collections.abc import Callable, Iterator

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


def strips(
    board: Board,
    scale: float = 1.0,
    *,
    transparent: bool = False,
    renderer: Renderer | None = None,
    stop: Callable[[], bool] = lambda: False,
) -> Iterator[tuple[np.ndarray, float]]:
    """A board top to bottom, in strips of (h, W, 4) uint8, straight alpha, sRGB-encoded; each with
    the share that is done then, and good until the next. Raises TooLarge and Cancelled."""
    box = board_box(board, scale)
    if box.width * box.height > GREATEST_PIXELS:
        raise TooLarge(
            f"{box.width} x {box.height} px is too large to write; the most is 32000 x 32000"
        )
    renderer = renderer or Renderer()
    parts = bands_of(box)
    for number, part in enumerate(parts):
        if stop():
            raise Cancelled
        planes = renderer.frame(Request(board, scale, part, transparent), stop)
        out = np.empty((part.height, part.width), np.uint32)
        renderer.picture(planes, part, True, out)
        if len(parts) > 1:
            renderer.cache.clear()
        yield out.view(np.uint8).reshape(part.height, part.width, 4), (number + 1) / len(parts)


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
    made = []
    for rows, share in strips(board, scale, transparent=transparent, renderer=renderer, stop=stop):
        made.append(rows)
        progress(share)
    return made[0] if len(made) == 1 else np.concatenate(made)
