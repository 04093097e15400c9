"""Marks by hand: clicked, dragged, wheeled, deleted; scattered and reshuffled by the panel."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtGui import QWheelEvent
from PyQt6.QtWidgets import QApplication

from anole.core.model import Fill, Scatter, Stamps
from anole.studio.controls.parts import PartsControl

from ..core.shapes import board

LEFT = Qt.MouseButton.LeftButton


@pytest.fixture
def window(open_window, settle):
    window = open_window(board(Fill(id="f"), text="HOWL", size=60))
    window.actions_by_id["stamps"].trigger()
    settle(window)
    return window


def stamps(window) -> Stamps:
    piece = window.selection.piece
    assert isinstance(piece, Stamps)
    return piece


def at(window, x: float, y: float) -> QPointF:
    return window.view.transform_now().to_widget(x, y)


def wheel(window, where: QPointF, turned: int) -> None:
    spot = window.view.mapToGlobal(where.toPoint())
    event = QWheelEvent(
        where, QPointF(spot), QPoint(), QPoint(0, turned), Qt.MouseButton.NoButton,
        Qt.KeyboardModifier.NoModifier, Qt.ScrollPhase.NoScrollPhase, False,
    )  # fmt: skip
    QApplication.sendEvent(window.view, event)


def test_a_click_places_a_mark_and_a_drag_sizes_and_turns_it(window, qtbot, drag):
    qtbot.mouseClick(window.view, LEFT, pos=at(window, 60, 50).toPoint())
    (first,) = stamps(window).marks
    assert (first.x, first.y) == pytest.approx((60, 50), abs=1)
    assert window.document.history.undo_name == "Place a mark"
    drag(window.view, at(window, 200, 90), at(window, 240, 90))
    second = stamps(window).marks[1]
    assert (second.x, second.y) == pytest.approx((200, 90), abs=1)
    assert second.size == pytest.approx(80, abs=3)
    assert second.turn == pytest.approx(90, abs=2)
    # over words too: what lies there is not taken hold of
    assert window.selection.piece == stamps(window)


def test_marks_are_moved_wheeled_and_deleted(window, qtbot, drag, settle):
    qtbot.mouseClick(window.view, LEFT, pos=at(window, 60, 50).toPoint())
    drag(window.view, at(window, 60, 50), at(window, 90, 70))
    (mark,) = stamps(window).marks
    assert (mark.x, mark.y) == pytest.approx((90, 70), abs=1.5)
    before = mark.size
    wheel(window, at(window, 90, 70), 240)
    assert stamps(window).marks[0].size == pytest.approx(before * 1.0015**240, rel=0.01)
    steps = len(window.document.history.steps)
    wheel(window, at(window, 90, 70), 120)
    assert len(window.document.history.steps) == steps
    # beside all marks the wheel moves the view, as ever
    shown = window.view.transform_now().to_board(QPointF(0, 0))
    wheel(window, at(window, 250, 20), 120)
    assert window.view.transform_now().to_board(QPointF(0, 0)) != shown
    window.view.setFocus()
    qtbot.keyClick(window.view, Qt.Key.Key_Delete)
    assert stamps(window).marks == ()
    assert stamps(window) in window.document.board.pieces


def test_escape_ends_placing_and_others_can_be_chosen(window, qtbot):
    window.view.setFocus()
    assert window.tools.stamps.placing
    qtbot.keyClick(window.view, Qt.Key.Key_Escape)
    assert not window.tools.stamps.placing
    name = stamps(window).id
    words = window.document.board.lettering("words")
    qtbot.mouseClick(window.view, LEFT, pos=at(window, words.place.x, words.place.y).toPoint())
    assert window.selection.piece_id == "words"
    window.selection.choose(name)
    assert window.tools.stamps.placing


def test_the_panel_scatters_and_reshuffles(open_window, settle, qtbot):
    window = open_window(board(Fill(id="f"), text="HOWL", size=60))
    window.actions_by_id["scatter"].trigger()
    settle(window)
    piece = stamps(window)
    assert isinstance(piece.scatter, Scatter)
    window.actions_by_id["reshuffle"].trigger()
    assert stamps(window).scatter.seed == 1
    fields = window.arrange.section("fields").panel.controls
    assert isinstance(fields["marks"], PartsControl)
    assert {"mark", "soft", "paint", "scatter"} <= set(fields)
    fields["marks"].add.click()
    assert len(stamps(window).marks) == 1
    fields["marks"].fields.edited.emit("strength", 0.5, None)
    assert stamps(window).marks[0].strength == 0.5


def test_a_picture_dropped_on_stamps_becomes_their_mark(window, settle, tmp_path, qtbot):
    from anole.studio.exchange.dropping import take

    from ..core.test_emblems import WHEEL

    (tmp_path / "wheel.svg").write_bytes(WHEEL)
    name = stamps(window).id
    take(window.session, [tmp_path / "wheel.svg"])
    settle(window)
    answer = next(b for b in window.status.answers if "stamps" in b.text())
    answer.click()
    piece = window.document.board.piece(name)
    assert piece.asset and window.selection.piece_id == name
