"""Parts of a piece that are placed one by one: spots of a pool, marks of stamps."""

from __future__ import annotations

from typing import Any

import msgspec

from ..model import Board, Piece
from .checked import replaced
from .pieces import with_piece


def _parts(board: Board, piece_id: str, field: str) -> tuple[Piece, tuple[Any, ...]]:
    piece = board.piece(piece_id)
    if field not in type(piece).__struct_fields__:
        raise KeyError(f"{piece_id} has no {field}")
    return piece, getattr(piece, field)


def add_part(board: Board, piece_id: str, field: str, part: msgspec.Struct) -> tuple[Board, int]:
    """One more part, the last; returns the board and its number. Raises KeyError, ModelError."""
    piece, parts = _parts(board, piece_id, field)
    made = replaced(piece, **{field: (*parts, part)})
    return with_piece(board, made), len(parts)


def change_part(board: Board, piece_id: str, field: str, number: int, **fields: Any) -> Board:
    """Set fields of a part. Raises KeyError, ModelError."""
    piece, parts = _parts(board, piece_id, field)
    if not 0 <= number < len(parts):
        raise KeyError(f"part {number + 1}")
    part = replaced(parts[number], **fields)
    parts = (*parts[:number], part, *parts[number + 1 :])
    return with_piece(board, msgspec.structs.replace(piece, **{field: parts}))


def remove_part(board: Board, piece_id: str, field: str, number: int) -> Board:
    """The piece without a part. Raises KeyError."""
    piece, parts = _parts(board, piece_id, field)
    rest = (*parts[:number], *parts[number + 1 :])
    return with_piece(board, msgspec.structs.replace(piece, **{field: rest}))
