"""Operations on whole pieces."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

import msgspec

from ..model import Board, FitBox, Length, Lettering, Piece, Place
from .checked import replaced
from .ids import free

MARGIN = 0.05
"""Of the board's shorter side: how far a pinned piece stays from the border."""


PARTS = {"head": "rails", "foot": "rails"}
"""Fields of shaping that are not named like their kind."""


def change_piece(board: Board, piece_id: str, **fields: Any) -> Board:
    """Set fields of a piece; shaping that is worked on is on. Raises KeyError and ModelError."""
    piece = replaced(board.piece(piece_id), **fields)
    touched = set() if "off" in fields else {PARTS.get(name, name) for name in fields}
    if isinstance(piece, Lettering) and touched & set(piece.off):
        off = tuple(kind for kind in piece.off if kind not in touched)
        piece = msgspec.structs.replace(piece, off=off)
    return with_piece(board, piece)


def switch_shaping(board: Board, piece_id: str, kind: str) -> Board:
    """Switch a kind of shaping off, or on again. Raises KeyError and ModelError."""
    off = board.lettering(piece_id).off
    changed = tuple(k for k in off if k != kind) if kind in off else (*off, kind)
    return with_piece(board, replaced(board.lettering(piece_id), off=changed))


def with_piece(board: Board, piece: Piece) -> Board:
    """The board with the piece of the same id replaced."""
    pieces = tuple(piece if old.id == piece.id else old for old in board.pieces)
    return msgspec.structs.replace(board, pieces=pieces)


def add_lettering(board: Board, text: str, **fields: Any) -> tuple[Board, str]:
    """New words in the middle of the board, on top; returns the board and their id."""
    (piece_id,) = free(board, "lettering")
    size = Length(max(8.0, round(board.height / 4)), "px")
    middle = Place(x=board.width / 2, y=board.height / 2)
    # longer words than these shrink, so that none leaves the board
    margin = MARGIN * min(board.width, board.height)
    box = FitBox(
        width=max(board.width - 2 * margin, 1.0), height=max(board.height - 2 * margin, 1.0),
        fit="shrink",
    )  # fmt: skip
    base = Lettering(id=piece_id, name=free_name(board, first_words(text)), text=text, size=size,
                     place=middle, box=box)  # fmt: skip
    piece = replaced(base, **fields)
    return msgspec.structs.replace(board, pieces=(*board.pieces, piece)), piece_id


def first_words(text: str) -> str:
    """A name for lettering: its first line, or the trade's word for nothing yet."""
    return text.split("\n")[0].strip()[:40] or "Lettering"


def free_name(board: Board, name: str) -> str:
    taken = {piece.name for piece in board.pieces}
    number, found = 2, name
    while found in taken:
        found = f"{name} {number}"
        number += 1
    return found


def remove_piece(board: Board, piece_id: str) -> Board:
    board.piece(piece_id)
    kept = tuple(piece for piece in board.pieces if piece.id != piece_id)
    return msgspec.structs.replace(board, pieces=kept)


def remove_pieces(board: Board, ids: Iterable[str]) -> Board:
    """Take several pieces off; locked ones stay. Raises KeyError."""
    for piece_id in ids:
        if not board.piece(piece_id).locked:
            board = remove_piece(board, piece_id)
    return board


def duplicate_piece(board: Board, piece_id: str, shift: float = 0.03) -> tuple[Board, str]:
    """A copy just above the piece, moved a little; returns the board and the copy's id."""
    piece = board.lettering(piece_id)
    (fresh,) = free(board, "lettering")
    coat_ids = free(board, "coat", len(piece.style))
    coats = tuple(
        msgspec.structs.replace(c, id=i) for c, i in zip(piece.style, coat_ids, strict=True)
    )
    by = shift * min(board.width, board.height)
    place = msgspec.structs.replace(piece.place, x=piece.place.x + by, y=piece.place.y + by)
    copy = msgspec.structs.replace(
        piece, id=fresh, name=free_name(board, piece.name), place=place, style=coats
    )
    at = board.pieces.index(piece) + 1
    return msgspec.structs.replace(
        board, pieces=(*board.pieces[:at], copy, *board.pieces[at:])
    ), fresh


def move_in_order(board: Board, piece_id: str, to: int) -> Board:
    """Put a piece at place `to` of the order, 0 the bottom."""
    piece = board.piece(piece_id)
    rest = [other for other in board.pieces if other.id != piece_id]
    rest.insert(min(max(to, 0), len(rest)), piece)
    return msgspec.structs.replace(board, pieces=tuple(rest))


def pin(board: Board, piece_id: str, anchor: str) -> Board:
    """Fix a piece's point `anchor` to the same point of the board, a margin from the border."""
    piece = board.lettering(piece_id)
    margin = MARGIN * min(board.width, board.height)
    across = {"left": margin, "right": board.width - margin}
    down = {"top": margin, "bottom": board.height - margin}
    x = next((v for k, v in across.items() if k in anchor), board.width / 2)
    y = next((v for k, v in down.items() if k in anchor), board.height / 2)
    return change_piece(board, piece_id, place=replaced(piece.place, x=x, y=y, anchor=anchor))
