"""Operations on the board itself."""

from __future__ import annotations

import msgspec

from ..lettering.matrix import anchor_point
from ..model import Board
from ..pieces.registry import kind_of
from .checked import replaced


def resize_board(board: Board, width: int, height: int, anchor: str = "centre") -> Board:
    """Another size; the point `anchor` of the board keeps what stands there. Raises ModelError."""
    old = anchor_point((0.0, 0.0, float(board.width), float(board.height)), anchor)
    new = anchor_point((0.0, 0.0, float(width), float(height)), anchor)
    return _reframed(board, width, height, new[0] - old[0], new[1] - old[1])


def crop_board(board: Board, x0: float, y0: float, x1: float, y1: float) -> Board:
    """The part of the board between two corners, board px; whole px. Raises ModelError."""
    x0, x1 = sorted((round(x0), round(x1)))
    y0, y1 = sorted((round(y0), round(y1)))
    return _reframed(board, max(x1 - x0, 1), max(y1 - y0, 1), -x0, -y0)


def _reframed(board: Board, width: int, height: int, dx: float, dy: float) -> Board:
    pieces = tuple(replaced(kind_of(piece).moved(piece, dx, dy)) for piece in board.pieces)
    return replaced(board, width=width, height=height, pieces=pieces)


def change_board(board: Board, **fields: object) -> Board:
    """Set fields of the board. Raises ModelError."""
    return replaced(board, **fields)


def as_stored(board: Board) -> Board:
    """The board as it is written to a file: its pieces carry what they need elsewhere."""
    pieces = tuple(kind_of(piece).stored(piece) for piece in board.pieces)
    return msgspec.structs.replace(board, pieces=pieces)
