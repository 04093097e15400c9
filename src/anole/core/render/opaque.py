"""Whether nothing of what lies behind a board can be seen through it."""

from __future__ import annotations

from ..model import Board
from ..pieces.registry import kind_of


def opaque(board: Board) -> bool:
    """True where a piece surely covers all; pieces above it never make it thinner."""
    return any(
        piece.shown and not piece.within and kind_of(piece).opaque(piece) for piece in board.pieces
    )
