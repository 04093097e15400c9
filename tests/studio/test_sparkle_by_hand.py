"""Flares put on letters by clicks, moved on all of them at once, deleted by key."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPointF, Qt

from anole.core.edit.words import replace_text
from anole.core.model import Fill, Sparkle
from anole.core.pieces.shapes.letters import letter_boxes
from anole.studio.shared.shell import Stage

from ..core.shapes import board

LEFT = Qt.MouseButton.LeftButton


@pytest.fixture
def window(open_window, settle):
    window = open_window(
        board(Fill(id="f"), Sparkle(id="s", find="nothing"), text="BANANA", size=70)
    )
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "s")
    settle(window)
    return window


def coat(window) -> Sparkle:
    return window.document.board.coated("words").style[1]


def on(window, letter: int, x: float, y: float) -> QPointF:
    """A place in the box of a letter, widget px."""
    board = window.document.board
    _, (x0, y0, x1, y1) = letter_boxes(board.lettering("words"), board)[letter]
    return window.view.transform_now().to_widget(x0 + x * (x1 - x0), y0 + y * (y1 - y0))


def test_a_click_on_a_letter_puts_a_flare_on_every_such_letter(window, qtbot, drag):
    qtbot.mouseClick(window.view, LEFT, pos=on(window, 3, 0.5, 0.2).toPoint())
    (flare,) = coat(window).flares
    assert flare.letter == "A"
    assert (flare.x, flare.y) == pytest.approx((0.5, 0.2), abs=0.05)
    # it can be taken hold of on any of them
    drag(window.view, on(window, 5, flare.x, flare.y), on(window, 5, 0.2, 0.8))
    (moved,) = coat(window).flares
    assert (moved.x, moved.y) == pytest.approx((0.2, 0.8), abs=0.05)
    window.document.apply("Words", lambda b: replace_text(b, "words", 0, 6, "ALOHA"))
    assert coat(window).flares == (moved,)
    window.view.setFocus()
    qtbot.keyClick(window.view, Qt.Key.Key_Delete)
    assert coat(window).flares == ()
    assert len(window.document.board.coated("words").style) == 2


def test_escape_ends_placing_until_the_coat_is_chosen_anew(window, qtbot):
    window.view.setFocus()
    qtbot.keyClick(window.view, Qt.Key.Key_Escape)
    qtbot.mouseClick(window.view, LEFT, pos=on(window, 0, 0.5, 0.5).toPoint())
    assert coat(window).flares == ()
    window.selection.choose("words", "f")
    window.selection.choose("words", "s")
    qtbot.mouseClick(window.view, LEFT, pos=on(window, 0, 0.5, 0.5).toPoint())
    assert coat(window).flares[0].letter == "B"
