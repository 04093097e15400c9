"""Every command, on every kind of board: it does what it says or nothing, and undo takes it back."""

from __future__ import annotations

import pytest
from PyQt6.QtGui import QGuiApplication, QKeySequence

from anole.core.edit.pieces import add_lettering
from anole.core.model import Board, Fill, Stroke
from anole.studio.commands import COMMANDS
from anole.studio.exchange.clipboard import COAT, PIECE
from anole.studio.shared.shell import Stage

from ..core.shapes import board

BY_ID = {command.id: command for command in COMMANDS}
ASKING = {
    "open",
    "save",
    "save-as",
    "export",
    "picture",
    "ground picture",
    "close",
    "quit",
    "screen",
} | {
    "import pack",
    "look of picture",
    "export all",
    "export pack",
    "contact sheet",
    "reach",
}
"""Commands that open a dialog of the system, or end the window."""
QUIET = sorted(set(BY_ID) - ASKING)


def several() -> Board:
    made = board(Stroke(id="s"), Fill(id="f"))
    for text in ("ONE", "TWO"):
        made, _ = add_lettering(made, text)
    return made


BOARDS = {
    "empty": lambda: Board(width=200, height=100),
    "words": lambda: board(Fill(id="f")),
    "bare words": board,
    "several": several,
}


def run(window, name: str) -> None:
    BY_ID[name].run(window.session)


@pytest.mark.parametrize("start", BOARDS)
def test_every_command_can_be_run_and_taken_back(start, open_window, settle):
    window = open_window(BOARDS[start]())
    for name in QUIET:
        before, at = window.document.board, window.document.history.at
        if not BY_ID[name].when(window.session):
            continue
        run(window, name)
        settle(window)
        if name not in ("undo", "redo", "new"):
            while window.document.history.at > at:
                window.document.undo()
            assert window.document.board == before, name
        window.show_stage(Stage.ARRANGE)


def test_ids_titles_and_keys_are_each_given_once():
    keys = [QKeySequence(key).toString() for command in COMMANDS for key in command.keys]
    assert all(keys)
    for many in (list(BY_ID), [c.title for c in COMMANDS], keys):
        assert len(set(many)) == len(many)
    assert len(BY_ID) == len(COMMANDS)


def test_what_does_not_apply_is_off(open_window):
    window = open_window(Board(width=200, height=100))
    off = {command.id for command in COMMANDS if not command.when(window.session)}
    assert {"undo", "redo", "copy", "cut", "duplicate", "delete", "fit words", "paste-style"} <= off
    assert not {"new", "words", "paste", "proof"} & off


def test_a_piece_is_copied_with_its_words_for_other_programs(open_window):
    window = open_window(board(Fill(id="f"), text="HOWL"))
    run(window, "copy")
    mime = QGuiApplication.clipboard().mimeData()
    assert mime.hasFormat(PIECE)
    assert mime.text() == "HOWL"
    run(window, "paste")
    first, second = window.document.board.pieces[1:]
    assert second.text == "HOWL"
    assert second.id != first.id
    assert second.place.x > first.place.x
    assert window.selection.piece_id == second.id


def test_in_coat_the_coat_is_copied_and_pasted_above_the_chosen(open_window):
    window = open_window(board(Stroke(id="s"), Fill(id="f")))
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "s")
    run(window, "copy")
    assert QGuiApplication.clipboard().mimeData().hasFormat(COAT)
    window.selection.choose("words", "f")
    run(window, "paste")
    kinds = [type(coat) for coat in window.document.board.coated("words").style]
    assert kinds == [Stroke, Fill, Stroke]
    assert window.selection.coat_id == window.document.board.coated("words").style[2].id


@pytest.mark.parametrize("kind", [PIECE, COAT])
@pytest.mark.parametrize("data", [b"", b"{", b"[]", b'{"kind": "ghost"}', b"\xff" * 40])
def test_a_strange_clipboard_is_refused_in_words(kind, data, open_window):
    from PyQt6.QtCore import QMimeData

    window = open_window(board(Fill(id="f")))
    before, said = window.document.board, []
    window.document.said.connect(said.append)
    mime = QMimeData()
    mime.setData(kind, data)
    QGuiApplication.clipboard().setMimeData(mime)
    run(window, "paste")
    assert window.document.board == before
    assert len(said) == 1
    QGuiApplication.clipboard().clear()


def test_hiding_and_locking_go_round_for_all_that_is_chosen(open_window):
    window = open_window(several())
    ids = tuple(piece.id for piece in window.document.board.pieces[1:])
    window.selection.choose_all(ids)
    for name, field in (("hide", "shown"), ("lock", "locked")):
        start = [getattr(p, field) for p in window.document.board.pieces[1:]]
        run(window, name)
        changed = [getattr(p, field) for p in window.document.board.pieces[1:]]
        assert changed == [not value for value in start]
        run(window, name)
        assert [getattr(p, field) for p in window.document.board.pieces[1:]] == start


def test_order_goes_up_and_down_and_stops_at_the_ends(open_window):
    window = open_window(several())
    order = [piece.id for piece in window.document.board.pieces]
    window.selection.choose(order[-1])
    run(window, "raise")
    assert [piece.id for piece in window.document.board.pieces] == order
    for _ in range(len(order) + 2):
        run(window, "lower")
    assert window.document.board.pieces[0].id == order[-1]
