"""Emoji as they come from a keyboard's chooser or the clipboard: into the field, and onto the board."""

from __future__ import annotations

import numpy as np
import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QGuiApplication, QInputMethodEvent, QTextCursor
from PyQt6.QtWidgets import QApplication

from anole.core.lettering.colour_letters import coloured
from anole.core.lettering.outline import outline
from anole.core.model import Board, Fill, Ground, Lettering, Place
from anole.studio.shared.shell import Stage

ASTRONAUT = "👩\u200d🚀"


@pytest.fixture
def window(open_window):
    words = Lettering(id="w", text="GO", place=Place(x=320, y=180), style=(Fill(id="f"),))
    window = open_window(Board(width=640, height=360, pieces=(Ground(id="g"), words)))
    window.selection.choose("w")
    return window


def words(window):
    return window.document.board.lettering("w")


def chosen(widget, text):
    """A chooser hands a text over."""
    event = QInputMethodEvent()
    event.setCommitString(text)
    QApplication.sendEvent(widget, event)


def test_a_chooser_types_into_the_field(window, settle):
    field = window.arrange.section("words").words
    field.setFocus()
    field.moveCursor(QTextCursor.MoveOperation.End)
    chosen(field, f" {ASTRONAUT}🔥")
    settle(window)
    assert words(window).text == f"GO {ASTRONAUT}🔥"
    assert len(coloured(outline(words(window), 96.0))) == 2
    frame = window.view.grab().toImage()
    reds = [
        frame.pixelColor(x, y)
        for x in range(0, frame.width(), 3)
        for y in range(0, frame.height(), 3)
    ]
    assert any(c.red() > 230 and 60 < c.green() < 200 and c.blue() < 90 for c in reds)


def test_a_chooser_types_onto_the_board_and_backspace_takes_all_of_one(window, settle, qtbot):
    view = window.view
    at = view.transform_now().to_widget(320, 180)
    qtbot.mouseDClick(view, Qt.MouseButton.LeftButton, pos=at.toPoint())
    qtbot.keyClick(view, Qt.Key.Key_End)
    chosen(view, ASTRONAUT)
    assert words(window).text == f"GO{ASTRONAUT}"
    qtbot.keyClick(view, Qt.Key.Key_Backspace)
    assert words(window).text == "GO"


def test_pasted_words_with_emoji_are_words(window, settle):
    QGuiApplication.clipboard().setText("RUN 🐢")
    window.selection.choose(None)
    window.actions_by_id["paste"].trigger()
    settle(window)
    assert window.selection.lettering.text == "RUN 🐢"


def test_on_the_start_page_tiles_show_them(open_window, settle):
    window = open_window()
    window.show_start()
    window.start.words.setPlainText("🔥")
    settle(window)
    style = next(s.style for s in window.start.wall.styles if s.style.name == "house white")
    image = window.start.wall.picture(style.name)
    seen = np.array(
        [
            image.pixelColor(x, y).getRgb()[:3]
            for x in range(0, image.width(), 2)
            for y in range(0, image.height(), 2)
        ]
    )
    assert ((seen[:, 0] > 220) & (seen[:, 2] < 90)).sum() > 50


def test_the_field_says_how_they_are_painted(window):
    window.show_stage(Stage.ARRANGE)
    control = window.arrange.section("fields").panel.controls["emoji"]
    control.edited.emit("plain", None)
    assert words(window).emoji == "plain"
