"""Whether nothing of what lies behind a board can be seen through it."""

from __future__ import annotations

from ..model import Board, Ground
from ..paint.solid import solid


def opaque(board: Board) -> bool:
    """True where a ground surely covers all; pieces above it never make it thinner."""
    return any(
        isinstance(piece, Ground) and piece.shown and piece.opacity == 1 and solid(piece.paint)
        for piece in board.pieces
    )
