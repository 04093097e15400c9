"""Pieces that leave the board, and how they are made to fit it."""

from __future__ import annotations

from collections.abc import Iterable

import msgspec
import numpy as np

from ..model import Board, Coated
from ..pieces.registry import coated_kind
from .pieces import MARGIN, with_piece

SLACK = 0.5
"""px that outlines may lie over the border: their edge's own px."""
ROUNDS = 4
"""Bends and turns: a few rounds bring a piece's own box to the room."""


def ink(piece: Coated, board: Board) -> tuple[float, float, float, float] | None:
    """x0, y0, x1, y1 of the outlines themselves, board px; None without any."""
    return coated_kind(piece).ink(piece, board.dpi)


def leaves(piece: Coated, board: Board) -> bool:
    """Whether outlines cross the board's border."""
    box = ink(piece, board)
    if box is None:
        return False
    x0, y0, x1, y1 = box
    return max(-x0, -y0, x1 - board.width, y1 - board.height) > SLACK


def fit_to_board(board: Board, piece_id: str) -> Board:
    """The piece within the board's margins: no larger than fits, and moved in where it must be.

    Words get a box to shrink into, so that longer words fit too. Raises KeyError.
    """
    piece = board.coated(piece_id)
    if ink(piece, board) is None:
        return board
    margin = MARGIN * min(board.width, board.height)
    room = board.width - 2 * margin, board.height - 2 * margin
    for _ in range(ROUNDS):
        piece = _fitted(piece, board, room)
    x0, y0, x1, y1 = ink(piece, board) or (0.0, 0.0, 0.0, 0.0)
    dx = max(margin - x0, 0.0) or min(board.width - margin - x1, 0.0)
    dy = max(margin - y0, 0.0) or min(board.height - margin - y1, 0.0)
    place = piece.place
    moved = msgspec.structs.replace(place, x=round(place.x + dx, 2), y=round(place.y + dy, 2))
    return with_piece(board, msgspec.structs.replace(piece, place=moved))


def fit_all(board: Board, ids: Iterable[str]) -> Board:
    """The same with several pieces. Raises KeyError."""
    for piece_id in ids:
        board = fit_to_board(board, piece_id)
    return board


def _fitted(piece: Coated, board: Board, room: tuple[float, float]) -> Coated:
    """With outlines no larger than the room."""
    x0, y0, x1, y1 = ink(piece, board) or (0.0, 0.0, 1.0, 1.0)
    size = max(x1 - x0, 1e-6), max(y1 - y0, 1e-6)
    share = min(1.0, float((np.array(room) / size).min()))
    fields = coated_kind(piece).fitted(piece, board.dpi, share, size, room)
    return msgspec.structs.replace(piece, **fields)
