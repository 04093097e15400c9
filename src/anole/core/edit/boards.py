"""Operations on the board itself."""

from __future__ import annotations

import msgspec

from ..lettering.matrix import anchor_point
from ..model import Board, Lettering
from .checked import replaced


def resize_board(board: Board, width: int, height: int, anchor: str = "centre") -> Board:
    """Another size; the point `anchor` of the board keeps what stands there. Raises ModelError."""
    old = anchor_point((0.0, 0.0, float(board.width), float(board.height)), anchor)
    new = anchor_point((0.0, 0.0, float(width), float(height)), anchor)
    dx, dy = new[0] - old[0], new[1] - old[1]
    pieces = []
    for piece in board.pieces:
        if isinstance(piece, Lettering):
            place = replaced(piece.place, x=piece.place.x + dx, y=piece.place.y + dy)
            piece = msgspec.structs.replace(piece, place=place)
        pieces.append(piece)
    return replaced(board, width=width, height=height, pieces=tuple(pieces))


def change_board(board: Board, **fields: object) -> Board:
    """Set fields of the board. Raises ModelError."""
    return replaced(board, **fields)
