"""Pieces and coats as text, to be carried to another board."""

from __future__ import annotations

from typing import cast

from ..model import COATS, PIECES, Board, Coat, Coated, ModelError, Piece, Style, from_json, to_json
from .coats import insert_coat
from .pieces import insert_piece
from .wearing import put_style


def carried(piece: Piece) -> bytes:
    """JSON of a piece."""
    return to_json(piece)


def _piece(text: bytes) -> Piece:
    return from_json(text, cast("type[Piece]", PIECES))


def paste(board: Board, text: bytes, shift: float = 0.0) -> tuple[Board, str]:
    """Put a carried piece on top of the board, moved by `shift` px; returns the board and its id.
    Raises ModelError."""
    return insert_piece(board, _piece(text), len(board.pieces), shift)


def carried_coat(coat: Coat) -> bytes:
    """JSON of a coat."""
    return to_json(coat)


def paste_coat(board: Board, piece_id: str, text: bytes, above: str | None) -> tuple[Board, str]:
    """Put a carried coat on a piece, above another coat or on top; returns the board and its id.
    Raises ModelError, KeyError."""
    coat = from_json(text, cast("type[Coat]", COATS))
    ids = [c.id for c in board.coated(piece_id).style]
    at = ids.index(above) + 1 if above in ids else len(ids)
    return insert_coat(board, piece_id, coat, at)


def paste_style(board: Board, piece_id: str, text: bytes) -> Board:
    """Put the carried piece's coats on a piece. Raises ModelError."""
    piece = _piece(text)
    if not isinstance(piece, Coated):
        raise ModelError(f"{piece.name or 'that piece'} wears no style")
    name = piece.worn.name if piece.worn else piece.name
    return put_style(board, piece_id, Style(name=name, coats=piece.style))
