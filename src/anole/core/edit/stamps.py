"""Stamps: the next mark, and their chance reshuffled."""

from __future__ import annotations

from collections.abc import Sequence

import msgspec

from ..model import Board, Mark, Stamps
from .pieces import with_piece

SHARE = 0.12
"""Of the board's shorter side: the size of a new mark."""
SEEDS = 10_000


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
