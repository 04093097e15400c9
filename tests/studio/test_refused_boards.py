"""A board that cannot be opened: the window stands there, says why, and offers the version before."""

from __future__ import annotations

import pytest

from anole.core.files import board_file
from anole.core.model import Board
from anole.studio.documents.board_files import BoardFiles

from .real_window import run

OPENS = """
import sys
from PyQt6.QtCore import QTimer
from anole.studio import app
from anole.studio.main_window.window import OPEN
from pathlib import Path
kept = app.application()
def look():
    (window,) = OPEN
    print(window.isVisible(), window.pages.currentWidget() is window.start)
    print(window.status.text.text(), window.status.question.text())
    window.leave()
QTimer.singleShot(4000, look)
print(app.run(Path(sys.argv[-1])))
"""


@pytest.fixture
def broken(tmp_path):
    path = tmp_path / "a.anole"
    path.write_bytes(b"PK\3\4 not much of a board")
    return path


@pytest.mark.parametrize("there", [True, False])
def test_opened_from_a_file_manager(broken, there):
    if not there:
        broken.unlink()
    script = OPENS.replace("sys.argv[-1]", repr(str(broken)))
    said = run(script)
    assert said.startswith("True True\n") and said.endswith("0\n")
    assert "a.anole" in said.splitlines()[1]


def test_it_is_said_on_the_start_page(open_window, settle, broken):
    window = open_window(Board())
    window.files.open(broken)
    settle(window)
    assert window.pages.currentWidget() is window.start
    assert "a.anole is not an Anole board" in window.status.text.text()


def test_a_board_that_was_worked_on_stays(open_window, settle, broken, tmp_path):
    window = open_window(Board())
    assert window.files.save_to(tmp_path / "b.anole")
    before = window.pages.currentWidget()
    window.files.open(broken)
    settle(window)
    assert window.pages.currentWidget() is before and "a.anole" in window.status.text.text()


@pytest.mark.parametrize("where", ["state", "beside"])
def test_the_version_before_is_offered_and_opened_as_a_copy(open_window, settle, tmp_path, where):
    window = open_window(Board())
    window.settings.put("backup", where)
    files: BoardFiles = window.files
    path = tmp_path / "a.anole"
    board_file.write(path, board_file.StoredBoard(Board(name="before", width=123)), None)
    assert files.save_to(path)
    path.write_bytes(b"cut off")
    window.document.start(Board())
    files.open(path)
    settle(window)
    assert "The version before it" in window.status.question.text()
    window.status.answers[0].click()
    settle(window)
    assert window.document.board.width == 123 and window.document.path is None
