"""What part of a board an export shows, and at which scale."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator
from typing import NamedTuple

from ..arrays import DeepPixels
from ..box import Box
from ..model import Board
from ..model.export import PRINTED, SAYING_DPI, Export
from ..render.export import joined, strips
from ..render.painted_box import painted_box
from ..render.renderer import Cancelled, Renderer, board_box

MM = 25.4
LEAST, MOST = 0.001, 100.0


class Target(NamedTuple):
    """The px to render: `box` at `scale`; board px of the area, without its bleed; dots per inch."""

    board: Board
    export: Export
    scale: float
    box: Box
    area: tuple[float, float, float, float]
    dpi: float

    def smaller(self, share: float) -> Target:
        """The same part of the board at a share of the scale."""
        return _at(self.board, self.export, self.area, self.scale * share)


def target_of(board: Board, export: Export) -> Target:
    """The part and the scale of an export; the whole board where there is nothing to trim to."""
    area = _area(board, export)
    wide, high = area[2] - area[0], area[3] - area[1]
    if export.width:
        scale = export.width / wide
    elif export.height:
        scale = export.height / high
    else:
        scale = export.scale
    return _at(board, export, area, min(max(scale, LEAST), MOST))


def _area(board: Board, export: Export) -> tuple[float, float, float, float]:
    whole = (0.0, 0.0, float(board.width), float(board.height))
    box = painted_box(board) if export.trim else None
    if box is None:
        return whole
    x0, y0, x1, y1 = box
    pad = export.padding
    return (x0 - pad, y0 - pad, x1 + pad, y1 + pad)


def _at(
    board: Board, export: Export, area: tuple[float, float, float, float], scale: float
) -> Target:
    x0, y0, x1, y1 = area
    if area == (0, 0, board.width, board.height):
        box = board_box(board, scale)
    else:
        left, top = math.floor(x0 * scale + 0.5), math.floor(y0 * scale + 0.5)
        wide, high = max(round((x1 - x0) * scale), 1), max(round((y1 - y0) * scale), 1)
        box = Box(left, top, left + wide, top + high)
    if export.format in PRINTED and export.bleed:
        more = math.ceil(export.bleed / MM * board.dpi * scale)
        box = Box(box.x0 - more, box.y0 - more, box.x1 + more, box.y1 + more)
    own = export.dpi if export.format in SAYING_DPI else 0.0
    return Target(board, export, scale, box, area, own or board.dpi * scale)


def strips_of(
    target: Target,
    *,
    deep: bool = False,
    renderer: Renderer | None = None,
    progress: Callable[[float], None] = lambda share: None,
    stop: Callable[[], bool] = lambda: False,
) -> Iterator[DeepPixels]:
    """Top to bottom (h, W, 4) uint8, or uint16 where it is to be deep; straight alpha. Raises
    TooLarge and Cancelled, at last where it is stopped when all are made: who cancels then wants no
    file either."""
    yield from strips(
        target.board,
        target.scale,
        window=target.box,
        deep=deep,
        transparent=target.export.alpha,
        renderer=renderer,
        progress=progress,
        stop=stop,
    )
    if stop():
        raise Cancelled


def rendered(
    target: Target,
    *,
    deep: bool = False,
    renderer: Renderer | None = None,
    progress: Callable[[float], None] = lambda share: None,
    stop: Callable[[], bool] = lambda: False,
) -> DeepPixels:
    """All of it, (H, W, 4). Raises TooLarge and Cancelled."""
    parts = strips_of(target, deep=deep, renderer=renderer, progress=progress, stop=stop)
    return joined(parts, target.box.height)
