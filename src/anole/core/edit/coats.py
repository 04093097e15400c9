"""Operations on the coats of a piece."""

from __future__ import annotations

from typing import Any

import msgspec

from ..coats.kind import CoatKind, StackPlace
from ..coats.registry import kind_named, kind_of
from ..model import Board, Coat
from .carrying import with_assets
from .checked import replaced
from .ids import free
from .pieces import with_piece


def coat_of(board: Board, piece_id: str, coat_id: str) -> Coat:
    """Raises KeyError."""
    for coat in board.coated(piece_id).style:
        if coat.id == coat_id:
            return coat
    raise KeyError(coat_id)


def _with_coats(board: Board, piece_id: str, coats: tuple[Coat, ...]) -> Board:
    return with_piece(board, replaced(board.coated(piece_id), style=coats))


def change_coat(board: Board, piece_id: str, coat_id: str, **fields: Any) -> Board:
    """Set fields of a coat. Raises KeyError and ModelError."""
    changed = replaced(coat_of(board, piece_id, coat_id), **fields)
    piece = board.coated(piece_id)
    coats = tuple(changed if coat.id == coat_id else coat for coat in piece.style)
    return with_piece(board, msgspec.structs.replace(piece, style=coats))


def natural_place(coats: tuple[Coat, ...], kind: CoatKind[Any]) -> int:
    """Where a new coat goes: above all that naturally lies lower; on top of what lies on the
    ground where it lies there too."""
    if kind.place == StackPlace.TOP:
        return len(coats)
    ground = kind.place == StackPlace.GROUND
    lower = (
        number
        for number, coat in enumerate(coats, 1)
        if kind_of(coat).place < kind.place or (ground and kind_of(coat).place == kind.place)
    )
    return max(lower, default=0)


def insert_coat(board: Board, piece_id: str, coat: Coat, at: int) -> tuple[Board, str]:
    """Put a coat of whatever id at a place of a piece's stack; returns the board and its new id."""
    (fresh,) = free(board, "coat")
    coats = board.coated(piece_id).style
    coat = msgspec.structs.replace(coat, id=fresh)
    changed = _with_coats(board, piece_id, (*coats[:at], coat, *coats[at:]))
    return with_assets(changed, coat), fresh


def add_coat(
    board: Board, piece_id: str, kind: str, at: int | None = None, **fields: Any
) -> tuple[Board, str]:
    """Add a coat of a kind (its tag); returns the board and the coat's id. Raises KeyError."""
    declared = kind_named(kind)
    coats = board.coated(piece_id).style
    place = natural_place(coats, declared) if at is None else min(max(at, 0), len(coats))
    return insert_coat(board, piece_id, replaced(declared.struct(id="new", **fields)), place)


def remove_coat(board: Board, piece_id: str, coat_id: str) -> Board:
    """The piece without the coat. Raises KeyError if there is none of this id."""
    coat_of(board, piece_id, coat_id)
    coats = board.coated(piece_id).style
    return _with_coats(board, piece_id, tuple(c for c in coats if c.id != coat_id))


def duplicate_coat(board: Board, piece_id: str, coat_id: str) -> tuple[Board, str]:
    """A copy just above the coat; returns the board and the copy's id."""
    coat = coat_of(board, piece_id, coat_id)
    return insert_coat(board, piece_id, coat, board.coated(piece_id).style.index(coat) + 1)


def move_coat(board: Board, piece_id: str, coat_id: str, to: int) -> Board:
    """Put a coat at place `to` of the stack, 0 the bottom."""
    coat = coat_of(board, piece_id, coat_id)
    rest = [c for c in board.coated(piece_id).style if c.id != coat_id]
    rest.insert(min(max(to, 0), len(rest)), coat)
    return _with_coats(board, piece_id, tuple(rest))
