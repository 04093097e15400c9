"""Nothing that was done is lost: closing asks, a journal brings back, files are not overwritten."""

from __future__ import annotations

import os

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QFileDialog

from anole.core.edit.boards import as_stored
from anole.core.edit.pieces import change_piece
from anole.core.files import board_file
from anole.core.files.backup import backup_path
from anole.core.files.journal import folders, read
from anole.core.model import Board, Ground, Length, Lettering, Place
from anole.studio.documents import journaling
from anole.studio.documents.file_names import ended
from anole.studio.documents.recovery import found
from anole.studio.main_window.window import OPEN

from .menus import choices

LEFT = Qt.MouseButton.LeftButton
WORDS = Lettering(id="w", name="W", text="on", size=Length(80), place=Place(x=160, y=90))
PLAIN = Board(name="Relay", width=320, height=180, pieces=(Ground(id="g"), WORDS))


@pytest.fixture(autouse=True)
def quick(monkeypatch):
    monkeypatch.setattr(journaling, "PAUSE", 0.02)


def type_in(window, text: str) -> None:
    assert window.document.apply("Type", lambda b: change_piece(b, "w", text=text))


def answer(window, qtbot, label: str) -> None:
    button = next(b for b in window.status.answers if b.text() == label)
    assert button.isVisible()
    qtbot.mouseClick(button, LEFT)


def written(window, qtbot) -> None:
    qtbot.waitUntil(lambda: window.journaling.idle)


def crash(window, qtbot) -> None:
    """What a kill leaves: the journal as it is on the disk, and nobody holding it."""
    written(window, qtbot)
    window.leave(stays=True)


# closing, new, open


def test_closing_a_saved_board_does_not_ask(open_window):
    window = open_window(PLAIN)
    assert window.close()
    assert not window.isVisible()


@pytest.mark.parametrize("way", ["close", "new", "open"])
def test_what_would_lose_work_asks_and_stay_keeps_it(open_window, qtbot, tmp_path, way):
    window = open_window(PLAIN)
    type_in(window, "ONE")
    {
        "close": window.close,
        "new": lambda: window.files.new(100, 100),
        "open": lambda: window.files.open(tmp_path / "x.anole"),
    }[way]()
    assert window.isVisible() and window.status.isVisible()
    assert window.status.question.text() == "“Relay” has changes that are not saved."
    answer(window, qtbot, "Cancel")
    assert window.isVisible() and not window.status.isVisible()
    assert window.document.board.piece("w").text == "ONE"


def test_escape_stays_and_the_first_answer_has_the_keys(open_window, qtbot):
    window = open_window(PLAIN)
    type_in(window, "ONE")
    window.close()
    assert window.status.answers[0].hasFocus() and window.status.answers[0].text() == "Save"
    qtbot.keyClick(window.status.answers[0], Qt.Key.Key_Escape)
    assert window.isVisible() and not window.status.asks


def test_save_saves_and_then_closes(open_window, qtbot, tmp_path):
    window = open_window(PLAIN)
    path = tmp_path / "relay.anole"
    assert window.files.save_to(path)
    type_in(window, "TWO")
    window.close()
    answer(window, qtbot, "Save")
    assert not window.isVisible()
    assert board_file.read(path).board.piece("w").text == "TWO"
    assert folders() == []


def test_a_save_that_is_not_given_a_name_stays(open_window, qtbot, monkeypatch):
    window = open_window(PLAIN)
    type_in(window, "TWO")
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_: ("", ""))
    window.close()
    answer(window, qtbot, "Save")
    assert window.isVisible() and window.document.board.piece("w").text == "TWO"


def test_do_not_save_throws_it_away(open_window, qtbot):
    window = open_window(PLAIN)
    type_in(window, "GONE")
    written(window, qtbot)
    window.close()
    answer(window, qtbot, "Do not save")
    assert not window.isVisible()
    assert folders() == []


# after a crash


def test_what_was_open_comes_back_as_it_was(open_window, qtbot, settle, tmp_path):
    window = open_window(PLAIN)
    window.files.save_to(tmp_path / "relay.anole")
    for text in ("A", "AB", "ABC"):
        type_in(window, text)
    window.document.undo()
    steps, at = window.document.history.steps, window.document.history.at
    crash(window, qtbot)

    again = open_window()
    again.recovery.offer()
    assert "“Relay” (3 steps, not saved" in again.status.question.text()
    answer(again, qtbot, "Bring back")
    settle(again)
    document = again.document
    assert document.history.steps == steps and document.history.at == at
    assert document.path == tmp_path / "relay.anole"
    assert not document.is_saved
    document.redo()
    assert document.board.piece("w").text == "ABC"
    document.go(0)
    assert document.is_saved
    document.redo()
    # it is kept on, in the same place, and gone once it is closed
    written(again, qtbot)
    assert read(again.journaling.path).history.at == 1
    again.leave()
    assert folders() == []


def test_two_windows_do_not_write_over_each_other(open_window, qtbot, settle):
    one, two = open_window(PLAIN), open_window(PLAIN)
    type_in(one, "ONE")
    type_in(two, "TWO")
    crash(one, qtbot)
    crash(two, qtbot)
    third = open_window()
    before = set(OPEN)
    third.recovery.offer()
    answer(third, qtbot, "Bring back")
    settle(third)
    (fourth,) = OPEN - before
    settle(fourth)
    texts = {w.document.board.piece("w").text for w in (third, fourth)}
    assert texts == {"ONE", "TWO"}
    fourth.leave()


def test_a_change_then_new_then_a_change_loses_neither(open_window, qtbot, settle):
    window = open_window(PLAIN)
    type_in(window, "FIRST")
    crash(window, qtbot)
    again = open_window(PLAIN)
    type_in(again, "SECOND")
    crash(again, qtbot)
    assert len(found()) == 2
    texts = {read(path).history.board.piece("w").text for path in folders()}
    assert texts == {"FIRST", "SECOND"}


def test_later_keeps_it_in_the_menu_and_it_can_be_thrown_away(open_window, qtbot):
    window = open_window(PLAIN)
    type_in(window, "LATER")
    crash(window, qtbot)
    again = open_window()
    again.recovery.offer()
    answer(again, qtbot, "Later")
    entry = choices(again, "Board", "Left open last time")
    next(a for a in entry if a.text().startswith("Throw away “Relay”")).trigger()
    assert found() == []


def test_unknown_fields_survive_a_crash(open_window, qtbot, settle, tmp_path):
    window = open_window()
    window.document.take(board_file.StoredBoard(PLAIN, {"glitter": 7}), tmp_path / "n.anole")
    type_in(window, "NEW")
    crash(window, qtbot)
    again = open_window()
    again.recovery.bring_back(folders())
    settle(again)
    assert again.document.save(tmp_path / "n.anole")
    assert board_file.read(tmp_path / "n.anole").unknown == {"glitter": 7}


def test_a_journal_that_cannot_be_written_is_said_once(open_window, qtbot, tmp_path, monkeypatch):
    blocked = tmp_path / "file"
    blocked.write_text("")
    monkeypatch.setenv("XDG_STATE_HOME", str(blocked))
    window = open_window(PLAIN)
    type_in(window, "A")
    qtbot.waitUntil(lambda: "Crash recovery is off" in window.status.text.text())
    window.status.fall_silent()
    type_in(window, "B")
    written(window, qtbot)
    assert not window.status.isVisible()
    monkeypatch.setenv("XDG_STATE_HOME", str(tmp_path / "room"))
    type_in(window, "C")
    written(window, qtbot)
    assert read(window.journaling.path).history.board.piece("w").text == "C"


# files


def test_a_file_that_another_program_changed_is_not_written_over(open_window, qtbot, tmp_path):
    window = open_window(PLAIN)
    path = tmp_path / "relay.anole"
    window.files.save_to(path)
    type_in(window, "MINE")
    theirs = board_file.StoredBoard(change_piece(PLAIN, "w", text="THEIRS"))
    board_file.write(path, theirs, None)
    window.files.save()
    assert "changed by another program" in window.status.question.text()
    assert board_file.read(path).board.piece("w").text == "THEIRS"
    answer(window, qtbot, "Cancel")
    assert not window.document.is_saved
    window.files.save()
    answer(window, qtbot, "Write over it")
    assert board_file.read(path).board.piece("w").text == "MINE"
    assert board_file.read(backup_path(path, "state")).board.piece("w").text == "THEIRS"


def test_a_file_that_was_only_touched_is_saved_without_a_question(open_window, tmp_path):
    window = open_window(PLAIN)
    path = tmp_path / "relay.anole"
    window.files.save_to(path)
    os.utime(path, (1, 1))
    type_in(window, "MINE")
    window.files.save()
    assert window.document.is_saved and not window.status.asks


@pytest.mark.parametrize("where", ["state", "beside", "none"])
def test_the_version_before_is_kept(open_window, tmp_path, where):
    window = open_window(PLAIN)
    window.settings.put("backup", where)
    path = tmp_path / "relay.anole"
    for text in ("A", "B"):
        type_in(window, text)
        assert window.files.save_to(path)
    kept = backup_path(path, where)
    if where == "none":
        assert kept is None and list(tmp_path.iterdir()) == [path]
    else:
        assert board_file.read(kept).board.piece("w").text == "A"
    assert board_file.read(path).board.piece("w").text == "B"


def test_a_name_that_gets_its_ending_is_not_written_over_unasked(
    open_window, qtbot, tmp_path, monkeypatch
):
    window = open_window(PLAIN)
    path = tmp_path / "cup 1.2.anole"
    path.write_bytes(b"somebody's")
    typed = str(tmp_path / "cup 1.2")
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_: (typed, ""))
    window.files.ask_save()
    assert path.read_bytes() == b"somebody's"
    answer(window, qtbot, "Write over it")
    assert board_file.read(path).board == as_stored(PLAIN)
    assert ended(tmp_path / "a.ANOLE", ".anole").name == "a.ANOLE"
