"""A board without the coats and pieces that cannot be rendered."""

from __future__ import annotations

from collections.abc import Set as AbstractSet

import msgspec

from ..model import Board, Coat, Coated, Piece

Part = Coat | Piece


def without(board: Board, parts: AbstractSet[Part]) -> Board:
    """The board with these coats switched off and these pieces hidden."""
    if not parts:
        return board
    pieces = tuple(_without(piece, parts) for piece in board.pieces)
    return msgspec.structs.replace(board, pieces=pieces)


def _without(piece: Piece, parts: AbstractSet[Part]) -> Piece:
    if piece in parts:
        return msgspec.structs.replace(piece, shown=False)
    if not isinstance(piece, Coated) or not any(coat in parts for coat in piece.style):
        return piece
    style = tuple(
        msgspec.structs.replace(coat, on=False) if coat in parts else coat for coat in piece.style
    )
    return msgspec.structs.replace(piece, style=style)


def parts_of(board: Board) -> list[Part]:
    """The pieces of a board, then the coats that they wear."""
    worn = [coat for piece in board.pieces if isinstance(piece, Coated) for coat in piece.style]
    return [*board.pieces, *worn]


def failing(board: Board, part: msgspec.Struct) -> list[Part]:
    """The parts of the board that an error's part means: what was rendered may be a copy."""
    parts = parts_of(board)
    exact = [own for own in parts if own == part]
    return exact or [
        own for own in parts if type(own) is type(part) and own.id == getattr(part, "id", None)
    ]
