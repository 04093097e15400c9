"""Groups of a coat's fields: folded and remembered, copied, pasted, reset, gone to, kept in view."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtGui import QContextMenuEvent
from PyQt6.QtWidgets import QApplication, QMenu

from anole.core.coats.registry import KINDS
from anole.core.edit.coats import add_coat
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Fill,
    Gradient,
    Ground,
    Lettering,
    Place,
    Relief,
    Stroke,
)
from anole.core.model.fields import EDGE, PAINT
from anole.studio.controls.base.group_head import COPY, PASTE, RESET, TITLES
from anole.studio.shared.shell import Stage

LEFT = Qt.MouseButton.LeftButton
RED = ColourPaint(colour=Colour(220, 30, 40))


@pytest.fixture
def window(open_window):
    style = (Stroke(id="s", paint=RED), Fill(id="f"), Relief(id="r"))
    words = Lettering(id="w", text="OWL", place=Place(x=320, y=180), style=style)
    window = open_window(Board(width=640, height=360, pieces=(Ground(id="g"), words)))
    window.show_stage(Stage.COAT)
    window.selection.choose("w", "s")
    return window


def panel(window):
    return window.coat.panel(type(window.selection.coat))


def coat(window, name):
    return next(c for c in window.document.board.coated("w").style if c.id == name)


def test_a_click_folds_a_group_and_its_kind_remembers_it(window, qtbot):
    head = panel(window).heads[PAINT]
    members = [panel(window).controls[name] for name in panel(window).members[PAINT]]
    assert all(control.isVisible() for control in members)
    qtbot.mouseClick(head, LEFT)
    assert not any(control.isVisible() for control in members) and head.isVisible()
    # of every stroke, in every window from now on; other kinds are as they were
    assert window.settings.get("folded groups", {}) == {"stroke": [PAINT]}
    window.selection.choose("w", "f")
    assert panel(window).heads[PAINT].isChecked()
    other = window.another()
    other.show_stage(Stage.COAT)
    other.document.start(window.document.board)
    other.selection.choose("w", "s")
    assert not other.coat.panel(Stroke).heads[PAINT].isChecked()
    other.leave()
    window.selection.choose("w", "s")
    qtbot.mouseClick(panel(window).heads[PAINT], LEFT)
    assert window.settings.get("folded groups", {}) == {"stroke": []}


def test_a_field_that_is_asked_for_is_unfolded(window):
    panel(window).heads[EDGE].setChecked(False)
    window.show_field("span")
    assert panel(window).controls["span"].isVisible()


def test_a_head_without_fields_that_mean_anything_is_not_shown(window):
    for kind in KINDS.values():
        fields = {"name": kind.title}
        made = window.document.make("x", lambda b, k=kind, f=fields: add_coat(b, "w", k.tag, **f))
        window.selection.choose("w", made)
        shown = panel(window)
        for group, head in shown.heads.items():
            seen = [shown.controls[name].isVisible() for name in shown.members[group]]
            assert head.isVisible() == any(seen), (kind.tag, group)


def test_a_paint_is_copied_and_pasted_between_coats(window):
    panel(window).asked.emit(COPY, PAINT)
    window.selection.choose("w", "f")
    steps = len(window.document.history.steps)
    panel(window).asked.emit(PASTE, PAINT)
    assert coat(window, "f").paint == RED and len(window.document.history.steps) == steps + 1
    window.document.undo()
    assert coat(window, "f").paint != RED


def test_what_does_not_fit_is_said_and_changes_nothing(window):
    panel(window).asked.emit(COPY, EDGE)
    window.selection.choose("w", "f")
    before, said = window.document.board, []
    window.document.said.connect(said.append)
    panel(window).asked.emit(PASTE, PAINT)
    assert window.document.board == before and "Nothing that was copied" in said[0]


def test_a_group_is_reset_and_the_others_stay(window):
    window.coat._change("x", {"paint": Gradient(), "opacity": 0.3})
    panel(window).asked.emit(RESET, PAINT)
    assert coat(window, "s").paint == Stroke(id="x").paint and coat(window, "s").opacity == 0.3


def test_the_menu_of_a_head_offers_all_three(window, qtbot):
    head = panel(window).heads[PAINT]
    at = QPoint(10, 10)
    event = QContextMenuEvent(QContextMenuEvent.Reason.Mouse, at, head.mapToGlobal(at))
    QApplication.sendEvent(head, event)
    (menu,) = head.findChildren(QMenu)
    assert [action.text() for action in menu.actions()] == list(TITLES.values())
    menu.actions()[0].trigger()
    menu.close()
    # a panel that keeps no copies has no menu
    window.show_stage(Stage.PROOF)
    export = next(iter(window.export.fields.heads.values()))
    QApplication.sendEvent(export, event)
    assert not export.findChildren(QMenu)


def test_the_group_last_used_stays_where_it_was(window, qtbot):
    window.selection.choose("w", "r")
    window.coat.jump_to("Blending")
    qtbot.wait(20)
    relief = panel(window).heads["Blending"]
    at = relief.mapTo(window.coat.viewport(), QPoint(0, 0)).y()
    window.selection.choose("w", "s")
    qtbot.wait(20)
    stroke = panel(window).heads["Blending"]
    there = stroke.mapTo(window.coat.viewport(), QPoint(0, 0)).y()
    bar = window.coat.verticalScrollBar()
    assert abs(there - at) <= 2 or bar.value() in (0, bar.maximum())
    assert stroke.isVisible() and 0 <= there < window.coat.viewport().height()


def test_groups_are_gone_to_by_a_menu(window):
    window.selection.choose("w", "r")
    window.coat._ask_jump()
    (menu,) = window.coat.findChildren(QMenu, options=Qt.FindChildOption.FindDirectChildrenOnly)
    titles = [action.text() for action in menu.actions()]
    assert titles == [g for g, head in panel(window).heads.items() if head.isVisible()]
    menu.actions()[-1].trigger()
    menu.close()
    head = panel(window).heads[titles[-1]]
    assert (
        0 <= head.mapTo(window.coat.viewport(), QPoint(0, 0)).y() < window.coat.viewport().height()
    )
