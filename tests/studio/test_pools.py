"""Pools and washes by hand: spots placed, sized and hardened on the board, a wash held back by a key."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPointF, Qt

from anole.core.model import Exposure, Fill, Pool, Wash
from anole.studio.arrange.pieces_list import MINI
from anole.studio.controls.parts import PartsControl
from anole.studio.rendering.samples import miniature

from ..core.shapes import board

LEFT = Qt.MouseButton.LeftButton


@pytest.fixture
def window(open_window, settle):
    window = open_window(board(Fill(id="f"), text="HOWL", size=60))
    window.actions_by_id["pool"].trigger()
    settle(window)
    return window


def pool(window) -> Pool:
    piece = window.selection.piece
    assert isinstance(piece, Pool)
    return piece


def grip(window, number: int, kind: str) -> QPointF:
    return window.tools.pool.grips(pool(window).spots[number], window.view.transform_now())[kind]


def test_a_new_pool_is_chosen_and_lies_behind_the_words(window):
    assert [p.id for p in window.document.board.pieces][1] == pool(window).id
    assert window.document.history.undo_name == "Add a pool of light"


def test_a_spot_is_moved_sized_and_hardened_by_its_marks(window, drag):
    zoom, start = window.view.transform_now().zoom, pool(window).spots[0]
    steps = len(window.document.history.steps)
    drag(window.view, grip(window, 0, "move"), grip(window, 0, "move") + QPointF(-40, 25))
    moved = pool(window).spots[0]
    assert moved.x == pytest.approx(start.x - 40 / zoom, abs=1.5)
    assert moved.y == pytest.approx(start.y + 25 / zoom, abs=1.5)
    assert moved.radius == start.radius
    drag(window.view, grip(window, 0, "radius"), grip(window, 0, "radius") + QPointF(-30, 0))
    assert pool(window).spots[0].radius == pytest.approx(start.radius - 30 / zoom, abs=1.5)
    at = grip(window, 0, "hardness")
    drag(window.view, at, at + QPointF(-0.4 * pool(window).spots[0].radius * zoom, 0))
    assert pool(window).spots[0].hardness == pytest.approx(0.4, abs=0.03)
    # one pull is one step
    assert len(window.document.history.steps) == steps + 3


def test_spots_are_added_by_a_double_click_and_deleted_by_key(window, qtbot, settle):
    spot = window.view.transform_now().to_widget(30, 40)
    qtbot.mouseDClick(window.view, LEFT, pos=spot.toPoint())
    assert len(pool(window).spots) == 2
    assert window.selection.part == 1
    assert pool(window).spots[1].x == pytest.approx(30, abs=1)
    window.view.setFocus()
    qtbot.keyClick(window.view, Qt.Key.Key_Delete)
    assert len(pool(window).spots) == 1
    # the last one stays; then the key means the piece
    qtbot.keyClick(window.view, Qt.Key.Key_Delete)
    assert all(not isinstance(p, Pool) for p in window.document.board.pieces)


def test_the_panel_and_the_board_work_on_the_same_spot(window, qtbot, settle):
    control = window.arrange.findChild(PartsControl)
    qtbot.mouseClick(control.add, LEFT)
    assert len(pool(window).spots) == 2
    assert window.selection.part == 1
    control.fields.controls["strength"].edited.emit(0.25, None)
    assert [s.strength for s in pool(window).spots] == [0.6, 0.25]
    at = grip(window, 0, "move")
    # both lie in the middle: the first under the pointer is the first of the list
    qtbot.mouseClick(window.view, LEFT, pos=at.toPoint())
    assert window.selection.part == 0
    assert control.number.value() == 1
    qtbot.mouseClick(control.delete, LEFT)
    assert [s.strength for s in pool(window).spots] == [0.25]
    window.document.undo()
    assert len(pool(window).spots) == 2


def test_a_locked_or_hidden_pool_is_not_held(window):
    at = grip(window, 0, "move")
    assert window.tools.pool.hit(at) is not None
    window.actions_by_id["lock"].trigger()
    assert window.tools.pool.hit(at) is None


def test_a_held_key_shows_the_board_without_the_wash(window, qtbot, settle):
    window.actions_by_id["wash"].trigger()
    assert isinstance(window.selection.piece, Wash)
    before = window.document.board
    qtbot.keyPress(window, Qt.Key.Key_H)
    assert not window.document.shown.piece(window.selection.piece_id).shown
    assert window.document.board == before
    qtbot.keyRelease(window, Qt.Key.Key_H)
    assert window.document.shown == before


def test_dark_corners_and_washes_are_added_changed_and_taken_back(window, qtbot):
    steps = len(window.document.history.steps)
    for name in ("rim", "wash"):
        window.actions_by_id[name].trigger()
    kinds = [type(p).__name__ for p in window.document.board.pieces]
    assert kinds == ["Ground", "Pool", "Lettering", "Pool", "Wash"]
    window.actions_by_id["duplicate"].trigger()
    assert len(window.document.board.pieces) == 6
    while len(window.document.history.steps) > steps and window.document.history.at >= steps:
        window.document.undo()
    assert len(window.document.board.pieces) == 3


def test_cards_show_what_each_does(window, settle):
    window.actions_by_id["wash"].trigger()
    settle(window)
    made = window.document.board
    wash = next(p for p in made.pieces if isinstance(p, Wash))
    small, scale = miniature(made, wash.id, MINI, 40)
    # a wash alone shows nothing: its card shows what it does to the rest
    assert [p.id for p in small.pieces][:-1] == [p.id for p in made.pieces][:-1]
    assert wash.tone == (Exposure(stops=0.2),)
    assert max(small.width * scale / MINI, small.height * scale / 40) == pytest.approx(1)
    assert set(window.pieces.images) >= {p.id for p in made.pieces}
