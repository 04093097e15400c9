"""Styles and the pieces that wear them: put on, added, changed since, stripped back, cut loose."""

from __future__ import annotations

from collections.abc import Sequence

import msgspec

from ..coats.registry import kind_of
from ..library.styles import digest as digest_of
from ..model import Board, Coat, Coated, Style, Worn
from ..model.nesting import every
from .carrying import with_assets
from .checked import replaced
from .coats import insert_coat, natural_place
from .ids import free
from .pieces import with_piece
from .style_setting import setting_of, with_setting


def _with_free_ids(board: Board, coats: Sequence[Coat]) -> tuple[Coat, ...]:
    """The coats with ids that nothing on the board has."""
    ids = free(board, "coat", len(coats))
    return tuple(msgspec.structs.replace(coat, id=i) for coat, i in zip(coats, ids, strict=True))


def put_style(board: Board, piece_id: str, style: Style, digest: str = "") -> Board:
    """Put a style's coats on a piece in place of its own, and the setting that it carries. What an
    earlier style had set is as it was before, where nobody has changed it since."""
    piece = board.coated(piece_id)
    bare = with_piece(board, msgspec.structs.replace(piece, style=()))
    coats = _with_free_ids(bare, style.coats)
    piece, worn = _set(piece, style, digest)
    return with_assets(with_piece(board, replaced(piece, style=coats, worn=worn)), coats)


def _set(piece: Coated, style: Style, digest: str) -> tuple[Coated, Worn]:
    """The piece standing as the style has it, and what it wears then."""
    old, now = piece.worn, setting_of(piece)
    before = old.before if old and old.set is not None and old.set == now else None
    if style.setting is None:
        piece = with_setting(piece, before) if before is not None else piece
        return piece, Worn(style.name, digest)
    piece = with_setting(piece, style.setting)
    return piece, Worn(style.name, digest, setting_of(piece), before or now)


def add_style(board: Board, piece_id: str, style: Style, beneath: bool = False) -> Board:
    """Put a style's coats above those of a piece, or beneath them. Raises KeyError."""
    piece = board.coated(piece_id)
    fresh = _with_free_ids(board, style.coats)
    coats = (*fresh, *piece.style) if beneath else (*piece.style, *fresh)
    return with_assets(with_piece(board, replaced(piece, style=coats)), fresh)


def add_coats(board: Board, piece_id: str, coats: Sequence[Coat]) -> Board:
    """Put only some coats of a style on a piece, each where its kind naturally goes. Raises
    KeyError."""
    for coat in coats:
        at = natural_place(board.coated(piece_id).style, kind_of(coat))
        board, _ = insert_coat(board, piece_id, coat, at)
    return board


def style_of(board: Board, piece_id: str, name: str, setting: bool = False) -> Style:
    """The coats of a piece as a style, with or without how the piece stands."""
    piece = board.coated(piece_id)
    coats = tuple(
        msgspec.structs.replace(coat, id=f"coat-{number}")
        for number, coat in enumerate(piece.style, 1)
    )
    carried = setting_of(piece) if setting else None
    return replaced(Style(name=name, coats=coats, setting=carried))


def is_changed(piece: Coated) -> bool:
    """Whether a piece that wears a saved style has other coats than that had when it was put on."""
    return piece.worn is not None and digest_of(piece.style) != piece.worn.digest


def named(board: Board, name: str) -> Coated:
    """The piece of that name or id that can wear a style, in clusters too; the lowest where several
    are called so. Raises KeyError naming those that there are."""
    pieces = [piece for piece in every(board.pieces) if isinstance(piece, Coated)]
    for piece in pieces:
        if name in (piece.id, piece.name):
            return piece
    known = ", ".join(repr(p.name or p.id) for p in pieces) or "none"
    raise KeyError(f"no piece called {name!r} wears a style on this board; there is: {known}")


def wearers(board: Board, name: str) -> list[Coated]:
    """The pieces that wear the style of that name, bottom first, in clusters too."""
    coated = (piece for piece in every(board.pieces) if isinstance(piece, Coated))
    return [piece for piece in coated if piece.worn is not None and piece.worn.name == name]


def wear_as(board: Board, piece_id: str, style: Style) -> Board:
    """The piece as it is, wearing that style as unchanged: what it wears was saved as it. Raises
    KeyError."""
    worn = Worn(style.name, digest_of(style.coats))
    return with_piece(board, msgspec.structs.replace(board.coated(piece_id), worn=worn))


def cut_loose(board: Board, piece_id: str) -> Board:
    """The piece with its coats, wearing no saved style any more. Raises KeyError."""
    return with_piece(board, msgspec.structs.replace(board.coated(piece_id), worn=None))


def reach(board: Board, style: Style) -> tuple[Board, tuple[str, ...], tuple[str, ...]]:
    """A style that was changed put on every piece that wears it and was not changed itself;
    returns the board, the ids of those it reached, and of those that have changes of their own."""
    reached, left, digest = [], [], digest_of(style.coats)
    for piece in wearers(board, style.name):
        if digest_of(piece.style) == digest:
            continue
        if is_changed(piece):
            left.append(piece.id)
        else:
            board = put_style(board, piece.id, style, digest)
            reached.append(piece.id)
    return board, tuple(reached), tuple(left)
