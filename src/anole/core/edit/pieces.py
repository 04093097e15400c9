"""Operations on whole pieces."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any, TypeVar

import msgspec

from ..lettering.carried_fonts import wearing_carried, with_fonts_of
from ..model import Board, FitBox, Length, Lettering, ModelError, Piece, Place, Placed
from ..model.nesting import (
    clippers,
    clipping_ring,
    exchanged,
    holder_of,
    path_to,
    siblings,
    with_siblings,
)
from ..pieces.registry import is_ground, kind_of, placed_kind, ways_to_begin
from .carrying import with_assets
from .checked import replaced
from .ids import free_name, renewed

P = TypeVar("P", bound=Piece)
MARGIN = 0.05
"""Of the board's shorter side: how far a pinned piece stays from the border."""
PARTS = {"head": "rails", "foot": "rails"}
"""Fields of shaping that are not named like their kind."""


def change_piece(board: Board, piece_id: str, **fields: Any) -> Board:
    """Set fields of a piece; shaping that is worked on is on. Raises KeyError and ModelError."""
    piece = replaced(board.piece(piece_id), **fields)
    touched = set() if "off" in fields else {PARTS.get(name, name) for name in fields}
    if isinstance(piece, Placed) and touched & set(piece.off):
        off = tuple(kind for kind in piece.off if kind not in touched)
        piece = msgspec.structs.replace(piece, off=off)
    made = with_piece(board, piece)
    if "within" in fields and clipping_ring(made.pieces):
        raise ModelError("a piece cannot clip itself, nor what clips it")
    return made


def switch_shaping(board: Board, piece_id: str, kind: str) -> Board:
    """Switch a kind of shaping off, or on again. Raises KeyError and ModelError."""
    piece = board.placed(piece_id)
    off = tuple(k for k in piece.off if k != kind) if kind in piece.off else (*piece.off, kind)
    return with_piece(board, replaced(piece, off=off))


def with_piece(board: Board, piece: Piece) -> Board:
    """The board with the piece of the same id replaced, in whatever cluster it is."""
    piece = _named_by_words(board.piece(piece.id), wearing_carried(board, piece))
    piece = kind_of(piece).settled(piece)
    return msgspec.structs.replace(board, pieces=exchanged(board.pieces, piece.id, (piece,)))


def _named_by_words(old: Piece, piece: P) -> P:
    """Words that nobody named otherwise are called by what they say."""
    if not (isinstance(old, Lettering) and isinstance(piece, Lettering)):
        return piece
    if piece.text == old.text or piece.name != old.name or old.name != first_words(old.text):
        return piece
    return msgspec.structs.replace(piece, name=first_words(piece.text))


def insert_piece(board: Board, piece: Piece, at: int, shift: float = 0.0) -> tuple[Board, str]:
    """Put a piece of whatever ids at a place of the order, moved by `shift` px; returns the board
    and the piece's new id."""
    board = with_fonts_of(board, piece)
    name = free_name(board, piece.name)
    piece = renewed(board, wearing_carried(board, piece))
    if shift:
        piece = kind_of(piece).moved(piece, shift, shift)
    piece = msgspec.structs.replace(piece, name=name)
    pieces = (*board.pieces[:at], piece, *board.pieces[at:])
    return with_assets(msgspec.structs.replace(board, pieces=pieces), piece), piece.id


def add_fresh(board: Board, way: str) -> tuple[Board, str]:
    """A new piece as its kind begins one; returns the board and its id. Raises KeyError.

    way : the id of one of what kinds declare to be fresh, such as "pool", "rim", "stamps"
    """
    found = next((fresh for fresh in ways_to_begin() if fresh.id == way), None)
    if found is None:
        raise KeyError(f"no kind of piece begins with {way!r}")
    pieces = board.pieces
    grounds = next((n for n, piece in enumerate(pieces) if not is_ground(piece)), len(pieces))
    return insert_piece(board, found.make(board), grounds if found.behind else len(pieces))


def add_lettering(board: Board, text: str, **fields: Any) -> tuple[Board, str]:
    """New words in the middle of the board, on top; returns the board and their id."""
    size = Length(max(8.0, round(board.height / 4)), "px")
    middle = Place(x=board.width / 2, y=board.height / 2)
    # longer words than these shrink, so that none leaves the board
    margin = MARGIN * min(board.width, board.height)
    width, height = (max(side - 2 * margin, 1.0) for side in (board.width, board.height))
    box = FitBox(width=width, height=height, fit="shrink")
    base = Lettering(id="new", name=first_words(text), text=text, size=size, place=middle, box=box)
    return insert_piece(board, replaced(base, **fields), len(board.pieces))


def first_words(text: str) -> str:
    """A name for lettering: its first line, or the trade's word for nothing yet."""
    return text.split("\n")[0].strip()[:40] or "Lettering"


def remove_piece(board: Board, piece_id: str) -> Board:
    """Take a piece off; what it clipped is whole again. Raises KeyError."""
    board.piece(piece_id)
    pieces = exchanged(board.pieces, piece_id, ())
    for clipped, by in clippers(pieces).items():
        if not path_to(pieces, by):
            free = msgspec.structs.replace(path_to(pieces, clipped)[-1], within=None)
            pieces = exchanged(pieces, clipped, (free,))
    return msgspec.structs.replace(board, pieces=pieces)


def remove_pieces(board: Board, ids: Iterable[str]) -> Board:
    """Take several pieces off; locked ones stay."""
    for piece_id in ids:
        # a cluster takes what it holds along
        if path_to(board.pieces, piece_id) and not board.piece(piece_id).locked:
            board = remove_piece(board, piece_id)
    return board


def duplicate_piece(board: Board, piece_id: str, shift: float = 0.03) -> tuple[Board, str]:
    """A copy just above the piece, moved a little; returns the board and the copy's id."""
    piece, holder = board.piece(piece_id), holder_of(board.pieces, piece_id)
    at = siblings(board.pieces, piece_id).index(piece) + 1
    by = shift * min(board.width, board.height)
    if holder is None:
        return insert_piece(board, piece, at, by)
    made, fresh = insert_piece(board, piece, len(board.pieces), by)
    copy = made.pieces[-1]
    inner = (*holder.pieces[:at], copy, *holder.pieces[at:])
    pieces = with_siblings(made.pieces[:-1], holder, inner)
    return msgspec.structs.replace(made, pieces=pieces), fresh


def duplicate_pieces(board: Board, ids: Iterable[str]) -> tuple[Board, tuple[str, ...]]:
    """Copies of several pieces; returns the board and the copies' ids."""
    copies = []
    for piece_id in ids:
        board, fresh = duplicate_piece(board, piece_id)
        copies.append(fresh)
    return board, tuple(copies)


def move_in_order(board: Board, piece_id: str, to: int) -> Board:
    """Put a piece at place `to` of the order among its own, 0 the bottom."""
    piece, holder = board.piece(piece_id), holder_of(board.pieces, piece_id)
    rest = [other for other in siblings(board.pieces, piece_id) if other.id != piece_id]
    rest.insert(min(max(to, 0), len(rest)), piece)
    return msgspec.structs.replace(board, pieces=with_siblings(board.pieces, holder, tuple(rest)))


def pin(board: Board, piece_id: str, anchor: str) -> Board:
    """Fix a piece's point `anchor` to the same point of the board, a margin from the border."""
    piece = board.placed(piece_id)
    margin = MARGIN * min(board.width, board.height)
    across = {"left": margin, "right": board.width - margin}
    down = {"top": margin, "bottom": board.height - margin}
    x = next((v for k, v in across.items() if k in anchor), board.width / 2)
    y = next((v for k, v in down.items() if k in anchor), board.height / 2)
    fields = placed_kind(piece).pinned(piece, board.dpi, anchor, (x, y))
    return change_piece(board, piece_id, **fields)
