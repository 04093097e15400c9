"""Operations on the coats of a piece."""

from __future__ import annotations

from typing import Any

import msgspec

from ..coats.registry import KINDS
from ..model import Board, Coat, Glow, Shadow, Style, Worn
from .carrying import with_pictures
from .checked import replaced
from .ids import free
from .pieces import with_piece


def coat_of(board: Board, piece_id: str, coat_id: str) -> Coat:
    """Raises KeyError."""
    for coat in board.lettering(piece_id).style:
        if coat.id == coat_id:
            return coat
    raise KeyError(coat_id)


def _with_coats(board: Board, piece_id: str, coats: tuple[Coat, ...]) -> Board:
    return with_piece(board, replaced(board.lettering(piece_id), style=coats))


def change_coat(board: Board, piece_id: str, coat_id: str, **fields: Any) -> Board:
    """Set fields of a coat. Raises KeyError and ModelError."""
    changed = replaced(coat_of(board, piece_id, coat_id), **fields)
    piece = board.lettering(piece_id)
    coats = tuple(changed if coat.id == coat_id else coat for coat in piece.style)
    return with_piece(board, msgspec.structs.replace(piece, style=coats))


LIT = ("relief", "grain", "sheen", "gloss")


def natural_place(coats: tuple[Coat, ...], kind: str) -> int:
    """Where a new coat goes: what lies on the ground at the bottom, face paint on top."""
    if kind == "shadow":
        return sum(isinstance(coat, Shadow) for coat in coats)
    if kind in LIT:
        return len(coats)
    if kind in ("glow", "stroke"):
        low = [
            i + 1 for i, c in enumerate(coats) if isinstance(c, Shadow | Glow) and kind == "stroke"
        ]
        return max(low, default=sum(isinstance(coat, Shadow) for coat in coats))
    return len(coats)


def add_coat(
    board: Board, piece_id: str, kind: str, at: int | None = None, **fields: Any
) -> tuple[Board, str]:
    """Add a coat of a kind (its tag); returns the board and the coat's id. Raises KeyError."""
    struct = KINDS[kind].struct
    (coat_id,) = free(board, "coat")
    coats = board.lettering(piece_id).style
    place = natural_place(coats, kind) if at is None else min(max(at, 0), len(coats))
    coat = replaced(struct(id=coat_id, **fields))
    return _with_coats(board, piece_id, (*coats[:place], coat, *coats[place:])), coat_id  # type: ignore[arg-type]


def remove_coat(board: Board, piece_id: str, coat_id: str) -> Board:
    coat_of(board, piece_id, coat_id)
    coats = board.lettering(piece_id).style
    return _with_coats(board, piece_id, tuple(c for c in coats if c.id != coat_id))


def duplicate_coat(board: Board, piece_id: str, coat_id: str) -> tuple[Board, str]:
    """A copy just above the coat; returns the board and the copy's id."""
    coat = coat_of(board, piece_id, coat_id)
    (fresh,) = free(board, "coat")
    coats = board.lettering(piece_id).style
    at = coats.index(coat) + 1
    copy = msgspec.structs.replace(coat, id=fresh)
    return _with_coats(board, piece_id, (*coats[:at], copy, *coats[at:])), fresh


def move_coat(board: Board, piece_id: str, coat_id: str, to: int) -> Board:
    """Put a coat at place `to` of the stack, 0 the bottom."""
    coat = coat_of(board, piece_id, coat_id)
    rest = [c for c in board.lettering(piece_id).style if c.id != coat_id]
    rest.insert(min(max(to, 0), len(rest)), coat)
    return _with_coats(board, piece_id, tuple(rest))


def put_style(board: Board, piece_id: str, style: Style, digest: str = "") -> Board:
    """Put a style's coats on a piece in place of its own."""
    piece = board.lettering(piece_id)
    bare = with_piece(board, msgspec.structs.replace(piece, style=()))
    ids = free(bare, "coat", len(style.coats))
    coats = tuple(
        msgspec.structs.replace(coat, id=i) for coat, i in zip(style.coats, ids, strict=True)
    )
    worn = Worn(style.name, digest)
    return with_pictures(with_piece(board, replaced(piece, style=coats, worn=worn)), coats)


def style_of(board: Board, piece_id: str, name: str) -> Style:
    """The coats of a piece as a style."""
    coats = tuple(
        msgspec.structs.replace(coat, id=f"coat-{number}")
        for number, coat in enumerate(board.lettering(piece_id).style, 1)
    )
    return replaced(Style(name=name, coats=coats))
