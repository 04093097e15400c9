"""What is not an Exception (a library's panic, SystemExit, too little memory) ends no thread that others
wait for."""

from __future__ import annotations

import pytest

from anole.core.edit.boards import change_board
from anole.core.files import png
from anole.core.files.journal import JournalWriter
from anole.core.render.renderer import Renderer
from anole.studio.documents.reading import Reading
from anole.studio.runtime import troubles

from .test_errors import FILL, board_of, handler, message

__all__ = ["handler"]
pytestmark = [pytest.mark.qt_no_exception_capture, pytest.mark.faults]


class Panic(BaseException):
    """As a library in another language throws it."""


WHAT = [Panic, SystemExit, MemoryError]


def raiser(error: type[BaseException]):
    def fails(*_, **__):
        raise error("planted")

    return fails


@pytest.mark.parametrize("error", WHAT)
def test_the_next_file_is_read(open_window, qtbot, error):
    window, done = open_window(board_of(FILL)), []
    reading: Reading = window.reading
    reading.read("first", raiser(error), done.append)
    reading.read("second", lambda stop: 2, done.append)
    qtbot.waitUntil(lambda: done == [2])
    assert "first could not be read: planted" in message(window)


@pytest.mark.parametrize("error", [ValueError, Panic])
def test_the_next_file_is_read_when_nothing_could_be_done_with_one(open_window, qtbot, error):
    window, done = open_window(board_of(FILL)), []
    window.reading.read("first", lambda stop: 1, raiser(error))
    window.reading.read("second", lambda stop: 2, done.append)
    qtbot.waitUntil(lambda: done == [2])


@pytest.mark.parametrize("error", WHAT)
def test_an_export_says_how_it_ended(open_window, qtbot, tmp_path, monkeypatch, error):
    window = open_window(board_of(FILL))
    with monkeypatch.context() as broken:
        broken.setattr(png, "encode", raiser(error))
        window.writing.to(tmp_path / "a.png").wait()
        qtbot.waitUntil(lambda: window.writing.job is None)
        said = message(window)
        assert "a.png could not be exported" in said or "not enough memory" in said
    window.writing.to(tmp_path / "b.png").wait()
    qtbot.waitUntil(lambda: "b.png is exported" in message(window))


@pytest.mark.parametrize("error", WHAT)
def test_the_journal_goes_on(open_window, qtbot, monkeypatch, error):
    window = open_window(board_of(FILL))
    with monkeypatch.context() as broken:
        broken.setattr(JournalWriter, "write", raiser(error))
        window.document.apply("Name", lambda b: change_board(b, name="one"))
        qtbot.waitUntil(lambda: "Crash recovery is off" in message(window))
    window.document.apply("Name", lambda b: change_board(b, name="two"))
    qtbot.waitUntil(lambda: window.journaling.idle and window.journaling.path is not None)
    assert window.journaling._thread.is_alive()


@pytest.mark.parametrize("error", WHAT)
def test_the_renderer_goes_on(open_window, settle, qtbot, monkeypatch, error):
    window = open_window(board_of(FILL))
    with monkeypatch.context() as broken:
        broken.setattr(Renderer, "frame", raiser(error))
        window.document.apply("Size", lambda b: change_board(b, width=400))
        qtbot.waitUntil(
            lambda: "could not be painted" in message(window) or "memory" in message(window)
        )
    window.document.apply("Size", lambda b: change_board(b, width=420))
    settle(window)
    assert window.view.frame.board.width == 420


@pytest.mark.parametrize("error", WHAT)
def test_a_board_is_saved_without_its_picture(open_window, tmp_path, error):
    window = open_window(board_of(FILL))
    window.document.preview = raiser(error)
    assert window.document.save(tmp_path / "a.anole")


def test_an_error_is_named_where_it_says_nothing():
    assert troubles.what(MemoryError()) == "MemoryError" and troubles.what(Panic("so")) == "so"
