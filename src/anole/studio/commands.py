"""Every command as data: menus, keys and tests read this one list."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from ..core.edit.fitting import fit_all
from ..core.edit.pieces import (
    change_piece,
    duplicate_pieces,
    move_in_order,
    remove_pieces,
)
from ..core.model import Board, Coated, Placed
from .clipboard import copy, paste, paste_style
from .new_words import add_words
from .session import Session
from .shell import Stage


class Command(NamedTuple):
    """`when` says whether it applies now; `run` does it."""

    id: str
    title: str
    keys: tuple[str, ...]
    run: Callable[[Session], object]
    when: Callable[[Session], bool] = lambda session: True


def _has_piece(session: Session) -> bool:
    return session.selection.piece is not None


def _has_placed(session: Session) -> bool:
    return session.selection.placed is not None


def _has_coated(session: Session) -> bool:
    return session.selection.coated is not None


def _remove(session: Session) -> None:
    ids = session.selection.ids
    if ids:
        session.document.apply("Remove piece", lambda b: remove_pieces(b, ids))


def _switch(session: Session, field: str, name: str) -> None:
    """Turn a yes or no of all that is chosen round, as its first piece has it."""
    ids = session.selection.ids
    if ids:
        wanted = not getattr(session.document.board.piece(ids[0]), field)

        def switch(board: Board) -> Board:
            for piece in ids:
                board = change_piece(board, piece, **{field: wanted})
            return board

        session.document.apply(name, switch)


def _fit(session: Session) -> None:
    ids = [piece.id for piece in session.selection.pieces if isinstance(piece, Coated)]
    session.document.apply("Fit to board", lambda b: fit_all(b, ids))


def _order(session: Session, by: int) -> None:
    piece = session.selection.piece_id
    if piece is not None:
        at = [p.id for p in session.document.board.pieces].index(piece)
        session.document.apply("Order", lambda b: move_in_order(b, piece, max(at + by, 0)))


def _choose_all(session: Session) -> None:
    pieces = session.document.board.pieces
    shown = tuple(piece.id for piece in pieces if isinstance(piece, Placed) and piece.shown)
    session.selection.choose_all(shown)


def _duplicate(session: Session) -> None:
    ids = [piece.id for piece in session.selection.pieces if isinstance(piece, Placed)]
    copies = session.document.make("Duplicate", lambda b: duplicate_pieces(b, ids)) if ids else None
    if copies:
        session.selection.choose_all(copies)


def _window(name: str) -> Callable[[Session], object]:
    """What only the window can do."""
    return lambda session: session.shell.do(name)


def _stage(stage: Stage) -> Callable[[Session], object]:
    return lambda session: session.shell.show_stage(stage)


def _can_undo(session: Session) -> bool:
    return session.document.history.undo_name is not None


def _can_redo(session: Session) -> bool:
    return session.document.history.redo_name is not None


COMMANDS = (
    Command("new", "New board", ("Ctrl+N",), _window("new")),
    Command("open", "Open a board", ("Ctrl+O",), _window("open")),
    Command("save", "Save", ("Ctrl+S",), _window("save")),
    Command("save-as", "Save under another name", ("Ctrl+Shift+S",), _window("save as")),
    Command("export", "Write a picture", ("Ctrl+Return",), _window("export")),
    Command("undo", "Undo", ("Ctrl+Z",), lambda s: s.document.undo(), _can_undo),
    Command("redo", "Redo", ("Ctrl+Shift+Z",), lambda s: s.document.redo(), _can_redo),
    Command("words", "Add words", ("Ctrl+T",), add_words),
    Command("copy", "Copy the piece, in Coat the coat", ("Ctrl+C",), copy, _has_piece),
    Command("paste", "Paste", ("Ctrl+V",), paste),
    Command("paste-style", "Paste the style alone", ("Ctrl+Shift+V",), paste_style, _has_coated),
    Command("steps", "Steps", ("Ctrl+H",), _window("steps")),
    Command("duplicate", "Duplicate the piece", ("Ctrl+D",), _duplicate, _has_placed),
    Command("remove", "Remove the piece", (), _remove, _has_piece),
    Command("all", "Choose all pieces", ("Ctrl+A",), _choose_all),
    Command(
        "hide",
        "Hide or show the piece",
        ("Alt+H",),
        lambda s: _switch(s, "shown", "Show or hide"),
        _has_piece,
    ),
    Command(
        "lock",
        "Lock or free the piece",
        ("Alt+L",),
        lambda s: _switch(s, "locked", "Lock"),
        _has_piece,
    ),
    Command("raise", "Bring the piece one up", ("Alt+PgUp",), lambda s: _order(s, 1), _has_piece),
    Command(
        "lower", "Bring the piece one down", ("Alt+PgDown",), lambda s: _order(s, -1), _has_piece
    ),
    Command("fit words", "Fit the piece to the board", (), _fit, _has_coated),
    Command("coat", "Add a coat", ("Ins",), _window("unfold coats"), _has_coated),
    Command("arrange", "Arrange", ("Alt+1",), _stage(Stage.ARRANGE)),
    Command("coats", "Coat", ("Alt+2",), _stage(Stage.COAT)),
    Command("proof", "Proof", ("Alt+3",), _stage(Stage.PROOF)),
    Command("fit", "Fit the board", ("Ctrl+0",), _window("fit board")),
    Command("full", "Full size", ("Ctrl+1",), _window("full size")),
    Command("fold", "Fold the panels", ("F9",), _window("fold panels")),
    Command("screen", "Full screen", ("F11",), _window("full screen")),
    Command("dress", "Dark or light window", (), _window("change theme")),
    Command("quit", "Quit", ("Ctrl+Q",), _window("close")),
)
