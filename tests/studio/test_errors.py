"""Whatever fails: the window lives, says so, and the work can be saved, undone and exported."""

from __future__ import annotations

import inspect
import sys
import threading

import numpy as np
import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QApplication

from anole.core.coats.kind import CoatKind
from anole.core.coats.kinds.fill import plain
from anole.core.coats.registry import lent
from anole.core.edit.coats import change_coat
from anole.core.edit.pieces import change_piece
from anole.core.files import board_file, png
from anole.core.model import Board, Colour, Ground, Length, Lettering, Place
from anole.core.paint import source
from anole.core.render.export import rgba
from anole.studio.coat.lantern import LanternTool
from anole.studio.controls.numbers.length import LengthControl
from anole.studio.rendering import worker
from anole.studio.runtime import troubles
from anole.studio.shared.shell import Stage

from ..toys import Hatch, HatchKind

pytestmark = [pytest.mark.qt_no_exception_capture, pytest.mark.faults]
LEFT = Qt.MouseButton.LeftButton
FUNCTIONS = [
    name
    for name, method in inspect.getmembers(CoatKind, inspect.isfunction)
    if list(inspect.signature(method).parameters)[1:2] == ["coat"]
]
PAINTING = {"reach", "box", "cover", "source", "copies", "ends", "outset", "paints"}
"""Functions without which there is no picture of the coat."""
FILL = plain(Colour(20, 40, 220), "f")


@pytest.fixture(autouse=True)
def handler(monkeypatch, capsys):
    """As the program starts it; put back afterwards."""
    monkeypatch.setattr(sys, "excepthook", sys.excepthook)
    monkeypatch.setattr(threading, "excepthook", threading.excepthook)
    monkeypatch.setattr(troubles.TROUBLES, "_last", {})
    troubles.install()


def broken(name: str) -> HatchKind:
    def fails(self, *_):
        raise ZeroDivisionError(f"planted in {name}")

    return type("BrokenKind", (HatchKind,), {name: fails})()


def board_of(*style) -> Board:
    words = Lettering(
        id="w", name="W", text="on", size=Length(80), place=Place(x=160, y=90), style=style
    )
    return Board(width=320, height=180, pieces=(Ground(id="g"), words))


def picture(window) -> np.ndarray:
    """(180, 320, 3) RGB as the view shows the board at full size."""
    frame = window.view.frame
    assert frame.scale == 1.0 and (frame.box.width, frame.box.height) == (320, 180)
    return frame.pixels.view(np.uint8).reshape(180, 320, 4)[..., [2, 1, 0]]


def open_on(window, board: Board, settle) -> None:
    window.document.start(board)
    window.selection.choose("w", board.piece("w").style[-1].id)
    window.show_stage(Stage.COAT)
    window.view.set_zoom(1.0)
    settle(window)


def message(window) -> str:
    return window.status.text.text() if window.status.isVisible() else ""


def assert_at_work(window, settle, path) -> None:
    """The board can be changed, undone, saved and exported."""
    board = window.document.board
    piece = board.piece("w")
    changed = window.document.apply(
        "Opacity", lambda b: change_coat(b, "w", piece.style[0].id, opacity=0.5)
    )
    assert changed and window.document.board != board
    window.document.undo()
    assert window.document.board == board
    assert window.document.save(path.with_suffix(".anole"))
    assert board_file.read(path.with_suffix(".anole")).board.piece("w").style == piece.style
    window.writing.to(path).wait()
    settle(window)


def test_a_coat_that_fails_anywhere_is_left_out_and_the_rest_goes_on(
    open_window, settle, qtbot, tmp_path
):
    window = open_window()
    plainly = rgba(board_of(FILL))[..., :3].astype(int)
    for number, name in enumerate(FUNCTIONS):
        hatch = Hatch(id="h", pitch=Length(4.0 + number))
        with lent(broken(name)):
            open_on(window, board_of(FILL, hatch), settle)
            if name in PAINTING:
                assert hatch in window.session.left_out, name
                qtbot.waitUntil(lambda: "Hatch failed and is left out" in message(window))
                assert np.abs(picture(window) - plainly).max() <= 1, name
                assert window.build_up.state().failed == {"h"}
                qtbot.mouseClick(window.status.copy, LEFT)
                assert f"planted in {name}" in QApplication.clipboard().text()
            assert_at_work(window, settle, tmp_path / f"{name}.png")
            if name in PAINTING:
                qtbot.waitUntil(lambda: "without Hatch" in message(window))
            open_on(window, board_of(FILL), settle)
        window.status.fall_silent()


def test_a_coat_that_failed_is_tried_again_when_it_was_changed(open_window, settle):
    def picky(self, coat, *rest):
        if coat.pitch.value > 10:
            raise ZeroDivisionError("too wide")
        return HatchKind.cover(self, coat, *rest)

    window = open_window()
    with lent(type("Picky", (HatchKind,), {"cover": picky})()):
        open_on(window, board_of(FILL, Hatch(id="h", pitch=Length(20))), settle)
        assert window.session.left_out.of(window.document.board)
        window.document.apply("Pitch", lambda b: change_coat(b, "w", "h", pitch=Length(8)))
        settle(window)
        assert not window.session.left_out.of(window.document.board)
        sound = rgba(window.document.board)[..., :3].astype(int)
        assert np.abs(picture(window) - sound).max() <= 1
        open_on(window, board_of(FILL), settle)


def test_a_paint_that_raises(open_window, settle, qtbot, tmp_path, monkeypatch):
    window = open_window()

    def fails(self, *_):
        raise OverflowError("planted in a paint")

    monkeypatch.setattr(type(source.KINDS[type(FILL.paint)]), "rasterise", fails)
    open_on(window, board_of(plain(Colour(1, 2, 3), "x"), plain(Colour(3, 2, 1), "y")), settle)
    qtbot.waitUntil(lambda: "planted in a paint" in message(window))
    assert_at_work(window, settle, tmp_path / "paint.png")


def test_a_tool_that_raises_while_painting(open_window, settle, qtbot, tmp_path, monkeypatch):
    window = open_window()
    open_on(window, board_of(FILL), settle)
    monkeypatch.setattr(LanternTool, "paint", lambda *_: 1 / 0)
    window.view.update()
    qtbot.waitUntil(lambda: "Something went wrong here" in message(window))
    assert_at_work(window, settle, tmp_path / "tool.png")


def test_a_control_that_raises(open_window, settle, qtbot, tmp_path, monkeypatch):
    window = open_window()
    open_on(window, board_of(FILL), settle)
    window.show_stage(Stage.ARRANGE)
    monkeypatch.setattr(LengthControl, "set_value", lambda *_: {}["planted"])
    window.document.apply("Size", lambda b: change_piece(b, "w", size=Length(60)))
    qtbot.waitUntil(lambda: "planted" in message(window))
    assert_at_work(window, settle, tmp_path / "control.png")


def test_warming_up_that_raises(open_window, settle, qtbot, tmp_path, monkeypatch):
    def fails(*_):
        raise OSError("planted in warming up")

    monkeypatch.setattr(worker, "prepare", fails)
    window = open_window(board_of(FILL))
    qtbot.waitUntil(lambda: "could not be prepared" in message(window))
    assert_at_work(window, settle, tmp_path / "warm.png")


def test_an_export_that_raises(open_window, settle, qtbot, tmp_path, monkeypatch):
    window = open_window(board_of(FILL))
    with monkeypatch.context() as broken_png:
        broken_png.setattr(png, "encode", lambda *_, **__: {}["planted"])
        window.writing.to(tmp_path / "a.png").wait()
        qtbot.waitUntil(lambda: "a.png could not be exported" in message(window))
        qtbot.mouseClick(window.status.copy, LEFT)
        assert "KeyError" in QApplication.clipboard().text()
    assert_at_work(window, settle, tmp_path / "b.png")
    assert (tmp_path / "b.png").exists()


def test_saving_does_without_a_picture(open_window, tmp_path, monkeypatch):
    window = open_window(board_of(FILL))

    def fails(_):
        raise RuntimeError("no picture")

    window.document.preview = fails
    assert window.document.save(tmp_path / "a.anole")
    assert board_file.read(tmp_path / "a.anole").board == window.document.board


def test_an_error_in_a_thread_is_said(open_window, qtbot):
    window = open_window(board_of(FILL))
    thread = threading.Thread(target=lambda: 1 / 0)
    thread.start()
    thread.join()
    qtbot.waitUntil(lambda: "division by zero" in message(window))


def test_the_same_error_is_said_once_a_while(monkeypatch, qtbot):
    said = []
    troubles.TROUBLES.happened.connect(lambda *_: said.append(1))
    for _ in range(50):
        try:
            raise ValueError("again")
        except ValueError as error:
            troubles.TROUBLES.caught(error)
    assert len(said) == 1
