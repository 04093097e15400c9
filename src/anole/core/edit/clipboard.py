"""Pieces as text, to be carried to another board."""

from __future__ import annotations

import msgspec

from ..model import Board, Coat, Lettering, Style, from_json, to_json
from .carrying import with_pictures
from .coats import put_style
from .ids import free
from .pieces import free_name, with_piece


def carried(piece: Lettering) -> bytes:
    """JSON of a lettering."""
    return to_json(piece)


def paste(board: Board, text: bytes, shift: float = 0.0) -> tuple[Board, str]:
    """Put carried lettering on top of the board, moved by `shift` px. Raises ModelError."""
    piece = from_json(text, Lettering)
    (fresh,) = free(board, "lettering")
    ids = free(board, "coat", len(piece.style))
    coats = tuple(msgspec.structs.replace(c, id=i) for c, i in zip(piece.style, ids, strict=True))
    place = msgspec.structs.replace(piece.place, x=piece.place.x + shift, y=piece.place.y + shift)
    piece = msgspec.structs.replace(
        piece, id=fresh, name=free_name(board, piece.name), place=place, style=coats
    )
    whole = msgspec.structs.replace(board, pieces=(*board.pieces, piece))
    return with_pictures(whole, piece.style), fresh


def carried_coat(coat: Coat) -> bytes:
    """JSON of a coat."""
    return to_json(coat)


def paste_coat(board: Board, piece_id: str, text: bytes, above: str | None) -> tuple[Board, str]:
    """Put a carried coat on a piece, above another coat or on top. Raises ModelError, KeyError."""
    coat: Coat = from_json(text, Coat)  # type: ignore[arg-type]
    (fresh,) = free(board, "coat")
    piece = board.lettering(piece_id)
    ids = [c.id for c in piece.style]
    at = ids.index(above) + 1 if above in ids else len(ids)
    made = msgspec.structs.replace(coat, id=fresh)
    style = (*piece.style[:at], made, *piece.style[at:])
    return with_pictures(
        with_piece(board, msgspec.structs.replace(piece, style=style)), made
    ), fresh


def paste_style(board: Board, piece_id: str, text: bytes) -> Board:
    """Put the carried lettering's coats on a piece. Raises ModelError."""
    found = from_json(text, Lettering)
    name = found.worn.name if found.worn else found.name
    return put_style(board, piece_id, Style(name=name, coats=found.style))
