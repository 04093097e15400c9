"""Depth and surface by hand: paths and points pulled on the board, tags of coats without a place."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPointF, Qt

from anole.core.model import (
    Copies,
    Exposure,
    Fill,
    Length,
    Mirror,
    Streak,
    Stroke,
    Thickness,
    ToneCoat,
    Wear,
)
from anole.studio.coat.build_up.state import eye_box
from anole.studio.coat.build_up.tags import HEADS, has_tag
from anole.studio.shared.shell import Stage

from ..core.shapes import board, span
from .test_by_hand import pull

LEFT = Qt.MouseButton.LeftButton


def on_board(open_window, *coats, choose: str):
    window = open_window(board(*coats))
    window.show_stage(Stage.COAT)
    window.selection.choose("words", choose)
    return window


def test_copies_go_along_a_path_whose_end_and_bow_are_pulled(open_window, settle):
    window = on_board(open_window, Copies(id="c"), Fill(id="f"), choose="c")
    settle(window)
    tool, now = window.tools.throwing, window.view.transform_now()
    end = tool.grips(now)["end"]
    pull(window.view, end, QPointF(40, -25))
    settle(window)
    coat, path = window.selection.coat, tool.path()
    em = window.selection.lettering.size.value
    assert path.end[0] - path.start[0] == pytest.approx(coat.to_x.px(em), abs=0.1)
    assert now.to_widget(*path.end).x() == pytest.approx(end.x() + 40, abs=1)
    middle = tool.grips(now)["bow"]
    pull(window.view, middle, QPointF(18, 22))
    settle(window)
    bent = tool.grips(now)["bow"]
    ax, ay = tool.path().aside
    along = (bent - middle).x() * ax + (bent - middle).y() * ay
    assert along == pytest.approx(18 * ax + 22 * ay, rel=0.05)
    assert window.selection.coat.bow != 0
    assert [s.name for s in window.document.history.steps][-2:] == ["Throw the copies", "Bow"]
    window.document.undo()
    assert window.selection.coat.bow == 0


def test_walls_run_toward_a_point_that_is_pulled(open_window, settle):
    window = on_board(open_window, Thickness(id="t", way="toward"), Fill(id="f"), choose="t")
    settle(window)
    tool, now = window.tools.throwing, window.view.transform_now()
    at = tool.grips(now)["end"]
    assert "bow" not in tool.grips(now)
    pull(window.view, at, QPointF(-30, -40))
    settle(window)
    coat, made = window.selection.coat, window.document.board
    there = now.to_widget(coat.point_x * made.width, coat.point_y * made.height)
    assert (there - (at + QPointF(-30, -40))).manhattanLength() < 2


def test_streaks_are_pulled_where_the_wind_blows(open_window, settle):
    window = on_board(open_window, Streak(id="k", bearing=90.0), Fill(id="f"), choose="k")
    settle(window)
    tool, now = window.tools.throwing, window.view.transform_now()
    start, end = now.to_widget(*tool.path().start), tool.grips(now)["end"]
    far = end.x() - start.x()
    pull(window.view, end, start + QPointF(0, far / 2) - end)
    settle(window)
    coat, em = window.selection.coat, window.selection.lettering.size.value
    assert coat.bearing == pytest.approx(180, abs=1.5)
    assert coat.reach.px(em) == pytest.approx(far / 2 / now.zoom, rel=0.05)
    assert coat.reach.unit == "em"


COATS = (
    Wear(id="w"),
    Stroke(id="s", span=span("-4px", "0px")),
    Fill(id="f"),
    ToneCoat(id="t", tone=(Exposure(stops=0.5),)),
    Mirror(id="m"),
)


def test_coats_without_a_place_are_tags_below_the_drawing(open_window, qtbot):
    window = on_board(open_window, *COATS, choose="f")
    state = window.build_up.state()
    assert [has_tag(c) for c in state.coats] == [True, False, False, True, True]
    assert len(state.bands) == 2
    lowest = state.bands[0].bottom()
    tags = [box for coat, box in zip(state.coats, state.rows, strict=True) if has_tag(coat)]
    assert all(box.top() > lowest + 30 for box in tags)
    assert all(box.right() < window.build_up.width() for box in tags)
    assert tags[-1].bottom() <= window.build_up.height()
    assert not any(a.intersects(b) for a in tags for b in tags if a is not b)
    # what shapes the letters first stands in a line of its own
    assert tags[0].top() < tags[1].top() and len(HEADS) == 2
    at = tags[1].center().toPoint()
    qtbot.mouseClick(window.build_up, LEFT, pos=at)
    assert window.selection.coat.id == "t"
    eye = eye_box(tags[1], True).center().toPoint()
    qtbot.mouseClick(window.build_up, LEFT, pos=eye)
    assert not window.selection.coat.on


def test_a_tag_is_pulled_to_its_height_in_the_stack_and_among_tags(open_window, drag):
    window = on_board(open_window, *COATS, choose="t")
    build_up = window.build_up
    state = build_up.state()
    tone, (stroke, fill) = state.rows[3], state.bands
    drag(build_up, tone.center(), QPointF(60, (stroke.top() + fill.bottom()) / 2))
    assert [c.id for c in window.selection.lettering.style] == ["w", "s", "t", "f", "m"]
    state = build_up.state()
    own, mirror = state.rows[2], state.rows[4]
    drag(build_up, own.center(), mirror.center())
    assert [c.id for c in window.selection.lettering.style] == ["w", "s", "f", "m", "t"]
    state = build_up.state()
    drag(build_up, state.rows[4].center(), QPointF(60, stroke.bottom() - 1))
    style = [c.id for c in window.selection.lettering.style]
    assert style.index("t") < style.index("s")
    # bands keep their way
    state = build_up.state()
    low, high = state.bands
    drag(build_up, QPointF(80, low.center().y()), QPointF(80, high.center().y()))
    assert [c.id for c in window.selection.lettering.style if c.id in "sf"] == ["f", "s"]


def test_ground_of_lengths_stays_in_em(open_window, settle):
    window = on_board(open_window, Copies(id="c", to_x=Length(10.0)), Fill(id="f"), choose="c")
    settle(window)
    tool, now = window.tools.throwing, window.view.transform_now()
    pull(window.view, tool.grips(now)["end"], QPointF(10, 0))
    settle(window)
    assert window.selection.coat.to_x.unit == "px"
    assert window.selection.coat.to_y.unit == "em"
