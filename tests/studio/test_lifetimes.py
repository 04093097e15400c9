"""Widgets come and go: nobody holds on to one that is gone."""

from __future__ import annotations

import ast
from pathlib import Path

import pytest
from PyQt6 import sip
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtGui import QPixmap
from PyQt6.QtWidgets import QLineEdit, QWidget

import anole.studio
from anole.core.edit.pieces import remove_piece
from anole.core.edit.wearing import put_style
from anole.core.library.styles import find
from anole.core.model import Board, Ground, Length, Lettering, Place
from anole.studio.look.painting import painting
from anole.studio.runtime.lifetimes import Remembered
from anole.studio.shared.shell import Stage
from anole.studio.shared.targets import StopTarget, StyleTarget, SwatchTarget, Targets

from .real_window import run

CUP_GOLD = find("cup gold")


@pytest.fixture
def gone(qtbot):
    """Makes widgets that Qt has deleted while Python still knows them."""

    def make(kind: type[QWidget] = QWidget, parent: QWidget | None = None) -> QWidget:
        widget = kind(parent)
        sip.delete(widget)
        return widget

    return make


def words(name: str) -> Lettering:
    return Lettering(id=name, name=name, text=name, size=Length(60), place=Place(x=100, y=80))


def test_a_remembered_widget_is_none_once_qt_or_python_let_it_go(qtbot, gone):
    kept, dropped = QWidget(), QWidget()
    remembered, forgotten = Remembered(kept), Remembered(dropped)
    assert remembered.get() is kept and Remembered().get() is None
    del dropped
    assert forgotten.get() is None
    sip.delete(kept)
    assert remembered.get() is None and Remembered(gone()).get() is None


@pytest.mark.parametrize("kind", [StopTarget, SwatchTarget, StyleTarget])
def test_commands_find_no_target_that_is_gone(qtbot, gone, kind):
    class Target(QLineEdit):
        # each access to these fails once the widget is gone
        can_delete_stop = can_delete_swatch = stored_style = property(lambda self: self.text())

    targets, widget = Targets(), Target()
    targets.aim(widget)
    sip.delete(widget)
    assert targets.find(kind) is None
    targets.aim(gone())
    assert targets.find(kind) is None


def test_a_sheet_folds_when_who_had_the_focus_is_gone(open_window, qtbot):
    window = open_window()
    field = QLineEdit(window)
    field.show()
    field.setFocus()
    qtbot.waitUntil(field.hasFocus)
    window.finder.unfold()
    sip.delete(field)
    window.finder.fold()
    assert not window.finder.isVisible()


def test_a_list_of_pieces_that_are_gone_is_resized_scrolled_and_clicked(open_window, settle, qtbot):
    many = Board(width=320, height=180, pieces=tuple(words(f"w{n}") for n in range(30)))
    window = open_window(many)
    window.show_stage(Stage.COAT)
    for n in range(0, 30, 2):
        window.document.apply("Delete", lambda b, n=n: remove_piece(b, f"w{n}"))
    window.pieces.resize(240, 900)
    bar = window.pieces.verticalScrollBar()
    bar.setValue(bar.maximum())
    qtbot.mouseClick(window.pieces.viewport(), Qt.MouseButton.LeftButton, pos=QPoint(60, 30))
    window.show_stage(Stage.ARRANGE)
    settle(window)
    assert window.pieces.count() == 15


def test_a_style_is_saved_and_every_stage_still_opens(open_window, settle, qtbot):
    window = open_window(Board(width=320, height=180, pieces=(Ground(id="g"), words("w"))))
    window.selection.choose("w")
    window.show_stage(Stage.COAT)
    assert window.shelf.save_as("my first")
    chip = window.shelf.row.reveal("my first")
    qtbot.mouseClick(chip, Qt.MouseButton.LeftButton)
    chip.setFocus()
    # over the same name with other coats, and gone
    window.document.apply("Clear", lambda b: put_style(b, "w", CUP_GOLD))
    assert window.shelf.save_as("my first")
    qtbot.waitUntil(lambda: sip.isdeleted(chip))
    for stage in (Stage.ARRANGE, Stage.COAT, Stage.PROOF, Stage.COAT):
        window.show_stage(stage)
        settle(window)
        assert window.stage == stage


FAILS_WHILE_PAINTING = """
import sys
from PyQt6.QtCore import QTimer
from PyQt6.QtGui import QPainter
from anole.studio.look import icons
from anole.studio.runtime import troubles
from anole.studio.app import application
from anole.studio.main_window.window import Window
troubles.install()
app = application()
window = Window()
window.show()
def fails(painter, *rest):
    painter.setPen(rest[-1])
    painter.drawLine(0, 0, 9, 9)
    raise ZeroDivisionError("planted")
icons.draw = fails
def again():
    window.top.dress()
    window.update()
for ms in (50, 150, 250):
    QTimer.singleShot(ms, again)
    QTimer.singleShot(ms + 20, lambda: icons.icon("eye"))
QTimer.singleShot(1500, lambda: (print("alive"), window.leave(), app.quit()))
app.exec()
"""


def test_an_error_amid_painting_a_pixmap_ends_nothing():
    assert "alive" in run(FAILS_WHILE_PAINTING)


def test_a_painter_ends_with_its_block_whatever_holds_it(qtbot):
    pixmap, held = QPixmap(8, 8), []

    def fail() -> None:
        with painting(pixmap) as painter:
            held.append(painter)
            raise ZeroDivisionError

    with pytest.raises(ZeroDivisionError):
        fail()
    assert not held[0].isActive() and not pixmap.paintingActive()


def test_every_painter_of_the_window_ends_with_its_block():
    home = Path(anole.studio.__file__).parent
    makes = {
        path.name
        for path in home.rglob("*.py")
        for node in ast.walk(ast.parse(path.read_text()))
        if isinstance(node, ast.Call) and ast.unparse(node.func).split(".")[-1] == "QPainter"
    }
    assert makes == {"painting.py"}
