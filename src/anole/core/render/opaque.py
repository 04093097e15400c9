"""Whether nothing of what lies behind a board can be seen through it."""

from __future__ import annotations

from ..model import Board, ColourPaint, Gradient, Ground, Paint


def _solid(paint: Paint) -> bool:
    if paint.speckle > 0:
        return False
    if isinstance(paint, ColourPaint):
        return paint.colour.a == 255
    return isinstance(paint, Gradient) and all(stop.colour.a == 255 for stop in paint.stops)


def opaque(board: Board) -> bool:
    """True where a ground surely covers all; pieces above it never make it thinner."""
    return any(
        isinstance(piece, Ground) and piece.shown and piece.opacity == 1 and _solid(piece.paint)
        for piece in board.pieces
    )
