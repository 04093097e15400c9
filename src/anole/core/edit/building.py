"""How a look is built: a piece's coats one after the other, bottom first."""

from __future__ import annotations

import msgspec

from ..coats.registry import kind_of
from ..model import Board, Coat
from .coats import coat_of
from .pieces import with_piece


def steps_of(board: Board, piece_id: str) -> tuple[Coat, ...]:
    """The coats of a piece that are on, bottom first: each is a step. Raises KeyError."""
    return tuple(coat for coat in board.coated(piece_id).style if coat.on)


def built_to(board: Board, piece_id: str, coat_id: str) -> Board:
    """The board with a piece's coats as far as one of them, and no further. Raises KeyError."""
    last = coat_of(board, piece_id, coat_id)
    piece = board.coated(piece_id)
    style = piece.style[: piece.style.index(last) + 1]
    return with_piece(board, msgspec.structs.replace(piece, style=style))


def why(coat: Coat) -> str:
    """One sentence: why a coat is there, as its user noted it or as its kind says."""
    return coat.note or kind_of(coat).why(coat)
