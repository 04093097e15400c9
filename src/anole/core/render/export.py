"""A whole board as 8-bit pixels, in tiles so that posters fit in memory."""

from __future__ import annotations

import contextlib
import math
from collections.abc import Callable, Iterable, Iterator

import numpy as np

from ..arrays import DeepPixels, Pixels
from ..box import Box
from ..cache import Cache
from ..compose.steps import Accumulators
from ..model import Board
from .deep import sixteen_bit
from .renderer import Cancelled, Renderer, Request, board_box

TILE_PIXELS, POSTER, POSTER_TILE = 4_000_000, 16_000_000, 1_440_000
"""px of a tile; of pictures of so many px and more it is smaller: all that its coats need of it is
held at once."""
OWN_CACHE = 256 << 20
"""Bytes kept for one picture: of what a tile needs, little is asked for twice."""
GREATEST_PIXELS = 32_000 * 32_000


class TooLarge(ValueError):
    """The picture asked for is larger than can be written."""


@contextlib.contextmanager
def at_work(renderer: Renderer | None) -> Iterator[Renderer]:
    """A renderer that somebody keeps, or else one for this work, which keeps nothing beyond it."""
    if renderer is not None:
        yield renderer
        return
    own = Renderer(Cache(OWN_CACHE))
    try:
        yield own
    finally:
        own.release()


def bands_of(box: Box) -> list[Box]:
    """The box in bands of rows, top to bottom, 64 rows at least, each cut into tiles in turn. Fields
    reach beyond a tile on every side: the nearer to a square it is, the less of them."""
    most = _tile_pixels(box)
    rows = max(64, most // max(min(box.width, math.isqrt(most)), 1))
    return [Box(0, y, box.width, min(y + rows, box.height)) for y in range(0, box.height, rows)]


def _tile_pixels(box: Box) -> int:
    return POSTER_TILE if box.width * box.height >= POSTER else TILE_PIXELS


def tiles_of(band: Box, box: Box) -> list[Box]:
    """A band of a box in tiles, left to right."""
    most = _tile_pixels(box)
    wide = max(1, min(band.width, max(math.isqrt(most), most // max(band.height, 1))))
    return [Box(x, band.y0, min(x + wide, band.x1), band.y1) for x in range(band.x0, band.x1, wide)]


def strips(
    board: Board,
    scale: float = 1.0,
    *,
    window: Box | None = None,
    deep: bool = False,
    transparent: bool = False,
    renderer: Renderer | None = None,
    progress: Callable[[float], None] = lambda share: None,
    stop: Callable[[], bool] = lambda: False,
) -> Iterator[DeepPixels]:
    """A board top to bottom, or a window of it in px at that scale, in strips of (h, W, 4) uint8, or
    uint16 where it is to be deep; straight alpha, sRGB-encoded.

    progress is called with 0..1; stop ends the work early. Raises TooLarge and Cancelled.
    """
    box = window or board_box(board, scale)
    if box.width * box.height > GREATEST_PIXELS:
        raise TooLarge(
            f"{box.width} x {box.height} px is too large to write; the most is 32000 x 32000"
        )
    done = 0
    with at_work(renderer) as used:
        whole = Box(0, 0, box.width, box.height)
        for band in bands_of(whole):
            out = np.empty((band.height, band.width, 4), np.uint16 if deep else np.uint8)
            for tile in tiles_of(band, whole):
                if stop():
                    raise Cancelled
                there = Box(tile.x0 + box.x0, tile.y0 + box.y0, tile.x1 + box.x0, tile.y1 + box.y0)
                planes = used.frame(Request(board, scale, there, transparent), stop)
                out[:, tile.x0 : tile.x1] = _rounded(used, planes, there, deep)
                if there != box:
                    used.cache.clear()
                done += tile.width * tile.height
                progress(done / (box.width * box.height))
            yield out


def _rounded(renderer: Renderer, planes: Accumulators, box: Box, deep: bool) -> DeepPixels:
    """(h, w, 4) whole numbers of a frame."""
    if deep:
        return sixteen_bit(planes.ground)
    pixels = np.empty((box.height, box.width), np.uint32)
    renderer.picture(planes, box, True, pixels)
    return pixels.view(np.uint8).reshape(box.height, box.width, 4)


def part(
    board: Board,
    scale: float,
    box: Box,
    *,
    transparent: bool = False,
    renderer: Renderer | None = None,
    stop: Callable[[], bool] = lambda: False,
) -> DeepPixels:
    """A part of a board, `box` in px at that scale: (h, w, 4) uint8, straight alpha, sRGB-encoded.
    Raises Cancelled."""
    with at_work(renderer) as used:
        planes = used.frame(Request(board, scale, box, transparent), stop)
        return _rounded(used, planes, box, deep=False)


def joined(parts: Iterable[DeepPixels], height: int) -> DeepPixels:
    """Strips of (h, W, 4), top to bottom, as one of `height` rows; none is held twice."""
    whole, y = np.empty((0, 0, 4), np.uint8), 0
    for rows in parts:
        if len(rows) == height:
            return rows
        if y == 0:
            whole = np.empty((height, *rows.shape[1:]), rows.dtype)
        whole[y : y + len(rows)] = rows
        y += len(rows)
    return whole


def rgba(
    board: Board,
    scale: float = 1.0,
    *,
    transparent: bool = False,
    renderer: Renderer | None = None,
    progress: Callable[[float], None] = lambda share: None,
    stop: Callable[[], bool] = lambda: False,
) -> Pixels:
    """Render a board: (H, W, 4) uint8, straight alpha, sRGB-encoded.

    progress is called with 0..1; stop ends the work early.
    Raises TooLarge and Cancelled.
    """
    return joined(
        strips(
            board,
            scale,
            transparent=transparent,
            renderer=renderer,
            progress=progress,
            stop=stop,
        ),
        board_box(board, scale).height,
    )
