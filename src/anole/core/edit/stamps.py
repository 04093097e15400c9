"""Stamps: added, and their chance reshuffled."""

from __future__ import annotations

from collections.abc import Sequence

import msgspec

from ..model import Board, Mark, Place, Scatter, Stamps
from .checked import replaced
from .pieces import insert_piece, with_piece

SHARE = 0.12
"""Of the board's shorter side: the size of a new mark."""
SEEDS = 10_000


def _middle(board: Board) -> tuple[float, float]:
    return board.width / 2, board.height / 2


def _stamps(board: Board, name: str, **fields: object) -> tuple[Board, str]:
    home = _middle(board)
    piece = Stamps(id="new", name=name, home=home, place=Place(x=home[0], y=home[1]))
    return insert_piece(board, replaced(piece, **fields), len(board.pieces))


def add_stamps(board: Board) -> tuple[Board, str]:
    """Stamps on top, no mark placed yet; returns the board and their id."""
    return _stamps(board, "Stamps")


def add_scattered(board: Board) -> tuple[Board, str]:
    """Marks by chance all over the board; returns the board and their id."""
    short = min(board.width, board.height)
    scatter = Scatter(size_from=max(short * 0.012, 0.5), size_to=max(short * 0.05, 0.5))
    return _stamps(board, "Scattered", mark="crystal", scatter=scatter)


def next_mark(board: Board, marks: Sequence[Mark]) -> Mark:
    """A mark in the middle of the board, like the last where there is one."""
    size = min(max(round(SHARE * min(board.width, board.height)), 1.0), 32_000.0)
    like = marks[-1] if marks else Mark(size=size)
    return msgspec.structs.replace(like, x=board.width / 2, y=board.height / 2)


def reshuffle(board: Board, piece_id: str) -> Board:
    """The next chance. Raises KeyError where nothing is scattered."""
    piece = board.piece(piece_id)
    if not isinstance(piece, Stamps) or piece.scatter is None:
        raise KeyError(f"{piece_id} scatters nothing")
    seed = (int(piece.scatter.seed) + 1) % SEEDS
    scatter = msgspec.structs.replace(piece.scatter, seed=seed)
    return with_piece(board, msgspec.structs.replace(piece, scatter=scatter))
