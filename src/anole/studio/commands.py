"""Every command as data: menus, keys and tests read this one list."""

from __future__ import annotations

from collections.abc import Callable
from typing import TYPE_CHECKING, NamedTuple

from PyQt6.QtCore import QMimeData
from PyQt6.QtGui import QGuiApplication

from ..core.coats.registry import kind_of
from ..core.edit.clipboard import carried, carried_coat, paste, paste_coat, paste_style
from ..core.edit.fitting import fit_to_board
from ..core.edit.pieces import (
    add_lettering,
    change_piece,
    duplicate_piece,
    move_in_order,
    remove_pieces,
)
from ..core.model import Board, Lettering

if TYPE_CHECKING:
    from .window import Window


PIECE = "application/x-anole-piece+json"
COAT = "application/x-anole-coat+json"


class Command(NamedTuple):
    """`when` says whether it applies now; `run` does it."""

    id: str
    title: str
    keys: tuple[str, ...]
    run: Callable[[Window], object]
    when: Callable[[Window], bool] = lambda window: True


def _add_words(window: Window) -> None:
    before = {p.id for p in window.document.board.pieces}
    window.document.apply("Add words", lambda b: add_lettering(b, "New words")[0])
    fresh = [p.id for p in window.document.board.pieces if p.id not in before]
    window.document.choose(fresh[0])
    window.show_stage(0)
    window.arrange.words.setFocus()
    window.arrange.words.selectAll()


def _has_piece(window: Window) -> bool:
    return window.document.piece_id is not None


def _has_words(window: Window) -> bool:
    return window.document.piece is not None


def _remove(window: Window) -> None:
    ids = window.document.chosen_ids
    if ids:
        window.document.apply("Remove piece", lambda b: remove_pieces(b, ids))


def _switch(window: Window, field: str, name: str) -> None:
    """Turn a yes or no of all that is chosen round, as its first piece has it."""
    ids = window.document.chosen_ids
    if ids:
        wanted = not getattr(window.document.board.piece(ids[0]), field)

        def switch(board: Board) -> Board:
            for piece in ids:
                board = change_piece(board, piece, **{field: wanted})
            return board

        window.document.apply(name, switch)


def _fit_words(window: Window) -> None:
    ids = [p.id for p in window.document.board.pieces
           if p.id in window.document.chosen_ids and isinstance(p, Lettering)]  # fmt: skip

    def fit(board: Board) -> Board:
        for piece in ids:
            board = fit_to_board(board, piece)
        return board

    window.document.apply("Fit to board", fit)


def _order(window: Window, by: int) -> None:
    piece = window.document.piece_id
    if piece is not None:
        at = [p.id for p in window.document.board.pieces].index(piece)
        window.document.apply("Order", lambda b: move_in_order(b, piece, max(at + by, 0)))


def _choose_all(window: Window) -> None:
    words = [p.id for p in window.document.board.pieces if isinstance(p, Lettering) and p.shown]
    if words:
        window.document.choose(words[-1])
        for other in words[:-1]:
            if other not in window.document.chosen_ids:
                window.document.choose_also(other)


def _duplicate(window: Window) -> None:
    words = [p for p in window.document.board.pieces
             if p.id in window.document.chosen_ids and isinstance(p, Lettering)]  # fmt: skip
    before = {p.id for p in window.document.board.pieces}

    def copy(board: Board) -> Board:
        for piece in words:
            board = duplicate_piece(board, piece.id)[0]
        return board

    if words and window.document.apply("Duplicate", copy):
        fresh = [p.id for p in window.document.board.pieces if p.id not in before]
        window.document.choose(fresh[-1])
        for other in fresh[:-1]:
            window.document.choose_also(other)


def _copy(window: Window) -> None:
    """In Coat the chosen coat, elsewhere the piece."""
    coat = window.document.coat
    if window.stage == 1 and coat is not None:
        _put(COAT, carried_coat(coat), kind_of(coat).title)
        return
    piece = window.document.piece
    if piece is not None:
        _put(PIECE, carried(piece), piece.text)


def _put(kind: str, data: bytes, text: str) -> None:
    clipboard = QGuiApplication.clipboard()
    if clipboard is not None:
        mime = QMimeData()
        mime.setData(kind, data)
        mime.setText(text)
        clipboard.setMimeData(mime)


def _paste_coat(window: Window) -> bool:
    """A copied coat, above the chosen one; False when none was copied."""
    text, piece, above = _carried(COAT), window.document.piece_id, window.document.coat_id
    if text is None or window.document.piece is None or piece is None:
        return False
    before = {c.id for c in window.document.piece.style}
    if window.document.apply("Paste coat", lambda b: paste_coat(b, piece, text, above)[0]):
        fresh = [c.id for c in window.document.piece.style if c.id not in before]
        window.document.choose(piece, fresh[0])
    return True


def _carried(kind: str = PIECE) -> bytes | None:
    clipboard = QGuiApplication.clipboard()
    mime = clipboard.mimeData() if clipboard is not None else None
    return bytes(mime.data(kind).data()) if mime is not None and mime.hasFormat(kind) else None


def _paste(window: Window) -> None:
    if _paste_coat(window):
        return
    text = _carried()
    if text is None:
        window.document.said.emit("There are no words to paste; copy some with Ctrl+C first.")
        return
    before = {p.id for p in window.document.board.pieces}
    by = 0.03 * min(window.document.board.width, window.document.board.height)
    if window.document.apply("Paste", lambda b: paste(b, text, by)[0]):
        fresh = [p.id for p in window.document.board.pieces if p.id not in before]
        window.document.choose(fresh[0])


def _paste_style(window: Window) -> None:
    text, piece = _carried(), window.document.piece_id
    if text is not None and piece is not None:
        window.document.apply("Paste style", lambda b: paste_style(b, piece, text))


COMMANDS = (
    Command("new", "New board", ("Ctrl+N",), lambda w: w.files.new(1280, 720)),
    Command("open", "Open a board", ("Ctrl+O",), lambda w: w.files.ask_open()),
    Command("save", "Save", ("Ctrl+S",), lambda w: w.files.save()),
    Command("save-as", "Save under another name", ("Ctrl+Shift+S",), lambda w: w.files.ask_save()),
    Command("export", "Write a picture", ("Ctrl+Return",), lambda w: w.export.ask_export()),
    Command("undo", "Undo", ("Ctrl+Z",), lambda w: w.document.undo(),
            lambda w: w.document.history.undo_name is not None),
    Command("redo", "Redo", ("Ctrl+Shift+Z",), lambda w: w.document.redo(),
            lambda w: w.document.history.redo_name is not None),
    Command("words", "Add words", ("Ctrl+T",), _add_words),
    Command("copy", "Copy the piece, in Coat the coat", ("Ctrl+C",), _copy, _has_words),
    Command("paste", "Paste", ("Ctrl+V",), _paste),
    Command("paste-style", "Paste the style alone", ("Ctrl+Shift+V",), _paste_style, _has_words),
    Command("steps", "Steps", ("Ctrl+H",), lambda w: w.show_steps()),
    Command("duplicate", "Duplicate the piece", ("Ctrl+D",), _duplicate, _has_words),
    Command("remove", "Remove the piece", (), _remove, _has_piece),
    Command("all", "Choose all words", ("Ctrl+A",), _choose_all),
    Command("hide", "Hide or show the piece", ("Alt+H",),
            lambda w: _switch(w, "shown", "Show or hide"), _has_piece),
    Command("lock", "Lock or free the piece", ("Alt+L",),
            lambda w: _switch(w, "locked", "Lock"), _has_piece),
    Command("raise", "Bring the piece one up", ("Alt+PgUp",), lambda w: _order(w, 1), _has_piece),
    Command("lower", "Bring the piece one down", ("Alt+PgDown",), lambda w: _order(w, -1),
            _has_piece),
    Command("fit words", "Fit the words to the board", (), _fit_words, _has_words),
    Command("coat", "Add a coat", ("Ins",), lambda w: w.unfold_coats(), _has_words),
    Command("arrange", "Arrange", ("Alt+1",), lambda w: w.show_stage(0)),
    Command("coats", "Coat", ("Alt+2",), lambda w: w.show_stage(1)),
    Command("proof", "Proof", ("Alt+3",), lambda w: w.show_stage(2)),
    Command("fit", "Fit the board", ("Ctrl+0",), lambda w: w.view.set_zoom(None)),
    Command("full", "Full size", ("Ctrl+1",), lambda w: w.view.set_zoom(1.0)),
    Command("fold", "Fold the panels", ("F9",), lambda w: w.fold()),
    Command("screen", "Full screen", ("F11",), lambda w: w.toggle_full_screen()),
    Command("dress", "Dark or light window", (), lambda w: w.change_dress()),
    Command("quit", "Quit", ("Ctrl+Q",), lambda w: w.close()),
)  # fmt: skip
