"""Lengths that do not grow with the words, and the same lengths as em."""

from __future__ import annotations

from collections.abc import Sequence

from ..model import Board, Coat, Length, Position
from ..model.mapped import found_in, mapped
from ..pieces.registry import coated_kind
from .checked import replaced
from .pieces import with_piece

NEXT = 5
"""Decimals of an em that a length is rounded to."""


def _is_fixed(length: Length) -> bool:
    return length.unit not in ("em", "core") and length.value != 0


def fixed_lengths(coats: Sequence[Coat]) -> int:
    """How many lengths of a style stay what they are when the words grow."""
    lengths = (*found_in(tuple(coats), Length), *found_in(tuple(coats), Position))
    return sum(map(_is_fixed, lengths))


def lengths_in_em(board: Board, piece_id: str) -> Board:
    """The piece's coats with every length in em, as long as it is now. Raises KeyError and
    ModelError."""
    piece = board.coated(piece_id)
    em = coated_kind(piece).placement(piece, board.dpi).em

    def scaled(length: Length) -> Length:
        if not _is_fixed(length):
            return length
        return type(length)(round(length.px(em, board.dpi) / em, NEXT), "em")

    coats = mapped(mapped(piece.style, Length, scaled), Position, scaled)
    return with_piece(board, replaced(piece, style=coats))
