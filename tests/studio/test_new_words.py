"""New words are seen at once, wear what was used last, and are called by what they say."""

from __future__ import annotations

import numpy as np
import pytest
from PyQt6.QtCore import QEvent, QPoint, QPointF, Qt, QTimer
from PyQt6.QtGui import QDrag, QMouseEvent
from PyQt6.QtWidgets import QApplication

from anole.core.edit.pieces import change_piece
from anole.core.edit.words import replace_text
from anole.core.library import styles
from anole.core.model import Board, Colour, ColourPaint, Fill, Ground
from anole.core.render.export import rgba
from anole.studio.documents.board_files import new_board
from anole.studio.shared.new_words import FIRST, TEXT
from anole.studio.shared.shell import Stage

from ..core.shapes import board

CTRL = Qt.KeyboardModifier.ControlModifier


def words(window):
    return window.selection.lettering


def add(window, qtbot) -> None:
    qtbot.keyClick(window, Qt.Key.Key_T, CTRL)


@pytest.mark.parametrize("ground", ["#000000", "#ffffff", "#808080", "#fffaec", "#201224"])
def test_they_are_seen_on_any_ground_inside_the_board(open_window, qtbot, settle, ground):
    bare = Ground(id="g", paint=ColourPaint(colour=Colour.parse(ground)))
    window = open_window(Board(width=640, height=360, pieces=(bare,)))
    before = rgba(window.document.board)[..., :3].astype(int)
    add(window, qtbot)
    settle(window)
    changed = np.abs(rgba(window.document.board)[..., :3] - before).max(2) > 60
    ys, xs = np.nonzero(changed)
    # a good part of the board, and none of it beyond the border
    assert xs.max() - xs.min() > 640 / 3
    assert ys.max() - ys.min() > 360 / 8
    assert xs.min() > 0 and xs.max() < 639 and ys.min() > 0 and ys.max() < 359
    assert words(window).worn.name == FIRST.name


def test_they_wear_the_style_that_was_put_on_last(open_window, qtbot, settle):
    window = open_window(new_board(640, 360))
    add(window, qtbot)
    window.show_stage(Stage.COAT)
    settle(window)
    chip = window.shelf.row.reveal("cup gold")
    qtbot.mouseClick(chip, Qt.MouseButton.LeftButton)
    add(window, qtbot)
    assert words(window).worn.name == "cup gold"
    assert styles.digest(words(window).style) == styles.digest(styles.find("cup gold").coats)
    # also in the next window; one that is gone gives the plain one
    again = open_window(new_board(640, 360))
    add(again, qtbot)
    assert words(again).worn.name == "cup gold"
    again.settings.put("last_style", "no such style")
    add(again, qtbot)
    assert words(again).worn.name == FIRST.name


def test_their_card_is_called_by_the_words_until_somebody_renames_it(open_window, qtbot):
    window = open_window(new_board(640, 360))
    add(window, qtbot)
    piece, document = words(window).id, window.document
    assert document.board.piece(piece).name == TEXT
    document.apply("Type", lambda b: change_piece(b, piece, text="RELAY\nnight"))
    assert document.board.piece(piece).name == "RELAY"
    document.apply("Type", lambda b: replace_text(b, piece, 0, 5, "BOUT"))
    assert document.board.piece(piece).name == "BOUT"
    document.apply("Name", lambda b: change_piece(b, piece, name="Title"))
    document.apply("Type", lambda b: change_piece(b, piece, text="OTHER"))
    assert document.board.piece(piece).name == "Title"


def test_the_board_is_called_by_its_file(open_window, tmp_path):
    window = open_window(new_board(640, 360))
    assert window.windowTitle() == "Untitled - Anole"
    assert window.files.save_to(tmp_path / "relay & cup 1.2.anole")
    assert window.windowTitle() == "relay & cup 1.2 - Anole"
    assert window.top.name.accessibleName() == "relay & cup 1.2, saved"


def test_chosen_words_are_not_dragged_by_a_button_that_is_up(open_window):
    """Qt's field goes on telling itself of a held button, as long as its timer scrolls."""
    window = open_window(board(Fill(id="f"), text="ROLL ON"))
    window.selection.choose("words")
    field = window.arrange.section("words").words
    assert field.toPlainText() == "ROLL ON"
    field.selectAll()
    within = field.cursorRect(field.textCursor()).center() - QPoint(12, 0)
    dragged = []
    make = field.createMimeDataFromSelection

    def taken_along():
        # a drag has a loop of its own, which a click would end
        QTimer.singleShot(50, QDrag.cancel)
        dragged.append(True)
        return make()

    field.createMimeDataFromSelection = taken_along
    for kind, by in ((QEvent.Type.MouseButtonPress, 0), (QEvent.Type.MouseMove, 60)):
        at = QPointF(within + QPoint(by, by))
        there = QPointF(field.viewport().mapToGlobal(at.toPoint()))
        QApplication.sendEvent(
            field.viewport(),
            QMouseEvent(kind, at, there, Qt.MouseButton.LeftButton, Qt.MouseButton.LeftButton,
                        Qt.KeyboardModifier.NoModifier),
        )  # fmt: skip
    assert not dragged
