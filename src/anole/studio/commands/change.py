"""What is done to anything that is chosen: in Coat to the coat, elsewhere to the pieces."""

from __future__ import annotations

from ...core.edit.coats import duplicate_coat, remove_coat
from ...core.edit.pieces import duplicate_pieces, remove_pieces
from ...core.model import Placed
from ..exchange.clipboard import copy, paste_style
from ..exchange.pasting import paste
from ..shared.session import Session
from .command import (
    BOARD,
    COAT,
    PIECE,
    Command,
    Menu,
    has_coated,
    has_piece,
    on_coat,
    otherwise,
    window,
)


def delete(session: Session) -> None:
    """In Coat the chosen coat, elsewhere the pieces; what lies next is chosen."""
    ids = session.selection.ids
    if on_coat(session):
        _delete_coat(session)
    elif ids:
        session.document.apply("Delete piece", lambda b: remove_pieces(b, ids))


def _delete_coat(session: Session) -> None:
    piece, coat = session.selection.coated, session.selection.coat_id
    assert piece is not None and coat is not None
    ids = [c.id for c in piece.style]
    at = ids.index(coat)
    rest = ids[:at] + ids[at + 1 :]
    session.document.apply("Delete coat", lambda b: remove_coat(b, piece.id, coat))
    if rest:
        session.selection.choose(piece.id, rest[min(at, len(rest) - 1)])


def cut(session: Session) -> None:
    """Copy what is chosen, and delete it."""
    copy(session)
    delete(session)


def duplicate(session: Session) -> None:
    """A copy above what is chosen; the copy is chosen then."""
    piece, coat = session.selection.coated, session.selection.coat_id
    if on_coat(session) and piece is not None and coat is not None:
        fresh = session.document.make("Duplicate coat", lambda b: duplicate_coat(b, piece.id, coat))
        if fresh is not None:
            session.selection.choose(piece.id, fresh)
        return
    ids = session.selection.ids
    copies = session.document.make("Duplicate", lambda b: duplicate_pieces(b, ids)) if ids else None
    if copies:
        session.selection.choose_all(copies)


def _choose_all(session: Session) -> None:
    pieces = session.document.board.pieces
    shown = tuple(piece.id for piece in pieces if isinstance(piece, Placed) and piece.shown)
    session.selection.choose_all(shown)


@otherwise("nothing was done yet")
def _can_undo(session: Session) -> bool:
    return session.document.history.undo_name is not None


@otherwise("nothing was undone")
def _can_redo(session: Session) -> bool:
    return session.document.history.redo_name is not None


@otherwise("choose a piece first")
def _can_duplicate(session: Session) -> bool:
    return on_coat(session) or has_piece(session)


THING = (PIECE, COAT)
MENU = Menu(
    "&Change",
    (
        Command("undo", "Undo", ("Ctrl+Z",), lambda s: s.document.undo(), _can_undo, (BOARD,)),
        Command(
            "redo",
            "Redo",
            ("Ctrl+Shift+Z", "Ctrl+Y"),
            lambda s: s.document.redo(),
            _can_redo,
            (BOARD,),
        ),
        Command("steps", "History", ("Ctrl+H",), window("steps")),
        None,
        Command("cut", "Cut", ("Ctrl+X",), cut, has_piece, THING),
        Command("copy", "Copy", ("Ctrl+C",), copy, has_piece, THING),
        Command("paste", "Paste", ("Ctrl+V",), paste, on=(BOARD, *THING)),
        Command(
            "paste-style",
            "Paste the style alone",
            ("Ctrl+Shift+V",),
            paste_style,
            has_coated,
            (PIECE,),
        ),
        Command("duplicate", "Duplicate", ("Ctrl+D",), duplicate, _can_duplicate, THING),
        Command("delete", "Delete", ("Del",), delete, has_piece, THING),
        None,
        Command("all", "Choose all pieces", ("Ctrl+A",), _choose_all, on=(BOARD,)),
    ),
)
