"""Which coat painted a pixel: asked by painting it again without each, from the top."""

from __future__ import annotations

from collections.abc import Callable

import msgspec
import numpy as np

from ..arrays import Row
from ..box import Box
from ..cache import Cache
from ..model import Board, Coated
from ..pieces.registry import kind_of
from .export import at_work
from .renderer import Renderer, Request, board_box

SEEN = 1.5 / 255
"""A coat that changes a pixel by less did not paint it."""


def painted_by(board: Board, x: float, y: float) -> tuple[str, str] | None:
    """The piece and coat that lie on top at a point of the board (px); None for grounds alone."""
    at = Box(int(x), int(y), int(x) + 1, int(y) + 1).meet(board_box(board, 1.0))
    if at.empty:
        return None
    with at_work(None) as own:
        return _topmost(board, lambda made: _pixel(made, at, own.cache))


def _pixel(board: Board, at: Box, cache: Cache) -> Row:
    """(4,): one px of a board."""
    return Renderer(cache).frame(Request(board, 1.0, at)).ground[:, 0, 0].copy()


def _topmost(board: Board, pixel: Callable[[Board], Row]) -> tuple[str, str] | None:
    whole = pixel(board)
    for piece in reversed(board.pieces):
        if isinstance(piece, Coated) and piece.shown and kind_of(piece).has_content(piece):
            for coat in reversed(piece.style):
                if coat.on and np.abs(pixel(_without(board, piece, coat.id)) - whole).max() > SEEN:
                    return piece.id, coat.id
    return None


def _without(board: Board, piece: Coated, coat_id: str) -> Board:
    style = tuple(msgspec.structs.replace(c, on=c.on and c.id != coat_id) for c in piece.style)
    bare = msgspec.structs.replace(piece, style=style)
    return msgspec.structs.replace(
        board, pieces=tuple(bare if p.id == piece.id else p for p in board.pieces)
    )
