"""The build-up's geometry, its profiles and its keys."""

import numpy as np
import pytest
from PyQt6.QtCore import QPointF, Qt

from anole.core.cache import Cache
from anole.core.coats.section import profile, section_of
from anole.core.edit.pieces import change_piece
from anole.core.model import (
    Colour,
    Fill,
    Glow,
    Gradient,
    Lamp,
    Length,
    Pose,
    Shadow,
    Stop,
    Stroke,
)
from anole.core.pieces.registry import coated_kind
from anole.studio.coat import outlines
from anole.studio.coat.build_up import probe
from anole.studio.coat.build_up.axis import axis_for, nice_step
from anole.studio.coat.build_up.profile import colours, row_pixels
from anole.studio.coat.build_up.state import eye_box
from anole.studio.shared.shell import Stage

from ..core.shapes import board, paint, span

SECTION = section_of((), 100, 12, 96, Lamp())
COATS = (
    Shadow(id="shadow", lift=Length(8, "px")),
    Stroke(id="out", span=span("-10px", "-4px")),
    Stroke(id="in", span=span("-4px", "0px")),
    Fill(id="fill"),
    Glow(id="glow", span=span("0px", "6px")),
)


def test_the_axis_has_the_edge_and_the_core_where_they_belong():
    axis = axis_for(COATS, SECTION, 100, 300)
    assert axis.x(0) == axis.edge
    assert axis.x(12) == axis.right == 300
    assert axis.x(-10) > axis.left
    for position in (-9.0, -3, 0, 5, 11):
        assert axis.position(axis.x(position)) == pytest.approx(position)
    assert 0.33 < (axis.right - axis.edge) / 200 < 0.63


@pytest.mark.parametrize(
    ("span_px", "room", "step"), [(40, 200, 10), (0.9, 100, 0.5), (700, 90, 500)]
)
def test_ticks_are_round_numbers(span_px, room, step):
    assert nice_step(span_px, room) == step


def test_profiles_follow_the_coats():
    at = np.linspace(-14, 12, 261)
    out = profile(COATS[1], SECTION, at, Cache()).coverage
    assert out[(at > -9) & (at < -5)].min() == 1
    assert out[(at < -11) | (at > -3)].max() == 0
    fill = profile(COATS[3], SECTION, at, Cache()).coverage
    assert fill[at < 0].max() == 0
    assert fill[at >= 0].min() == 1
    glow = profile(COATS[4], SECTION, at, Cache()).coverage
    assert glow[at < 0].max() == 0
    assert (np.diff(glow[(at > 0) & (at < 6)]) <= 0).all()


def test_a_gradient_runs_over_what_is_seen_of_the_coat():
    two = Gradient(stops=(Stop(0, Colour(255, 0, 0)), Stop(1, Colour(0, 0, 255))), space="srgb")
    coat = Stroke(id="s", span=span("-10px", "-2px"), paint=two)
    at = np.linspace(-14, 12, 521)
    found = row_pixels(coat, SECTION, at)
    seen = np.flatnonzero(found[:, 3] > 128)
    assert found[seen[0]][0] > 230
    assert found[seen[-1]][2] > 230
    assert colours(two, 10).shape == (4, 10)


def test_whole_coats_stand_beyond_the_strokes():
    coat = Stroke(id="w", span=span("-3px", "0px"), silhouette="whole")
    under = Stroke(id="u", span=span("-10px", "0px"))
    section = section_of((under, coat), 100, 12, 96, Lamp())
    assert section.ends(coat) == (-13, -10)
    at = np.linspace(-20, 12, 321)
    drawn = profile(coat, section, at, Cache()).coverage
    assert drawn[(at > -12.5) & (at < -10.5)].min() == 1
    assert drawn[(at < -13.6) | (at > -9.4)].max() == 0


def test_a_coat_on_the_face_is_measured_on_the_flat_letters(open_window, settle):
    coats = (
        Stroke(id="s", span=span("-12px", "0px"), paint=paint("#ff0000"), plane="face"),
        Fill(id="f", paint=paint("#ffffff")),
    )
    made = change_piece(board(*coats, text="I", size=150), "words", pose=Pose(turn_y=60))
    window = open_window(made)
    window.show_stage(Stage.COAT)
    build_up, selection = window.build_up, window.selection
    selection.choose("words", "s")
    settle(window)
    state = build_up.state()
    words = board(*coats, text="I", size=150).lettering("words")
    assert state.section.core == pytest.approx(coated_kind(words).core(words, 96, Cache()))
    strip = build_up._strip(state)
    at = state.axis.positions(np.arange(int(state.axis.left), int(state.axis.right)) + 0.5)
    red = (strip[:, 0] > 200) & (strip[:, 1] < 60)
    inside = (at > -10) & (at < -2)
    assert red[inside].all()
    assert not red[(at < -14) | (at > 2)].any()
    # on the board the same width would end half as far
    selection.choose("words", "f")
    assert build_up.state().section.core < 0.7 * state.section.core


def test_the_probe_stands_on_an_edge_and_looks_inward():
    made = board(Fill(id="f", paint=paint("#fff")), text="I")
    chords = outlines.chords(made.lettering("words"), made.dpi)
    found = probe.best(chords, 10, 30)
    assert abs(found.nx) + abs(found.ny) == pytest.approx(1)
    assert (160 - found.x) * found.nx + (90 - found.y) * found.ny > 0
    near = probe.nearest(chords, found.x - 30 * found.nx, found.y - 30 * found.ny)
    assert (near.x, near.y) == pytest.approx((found.x, found.y), abs=1e-6)


def test_the_strip_shows_what_is_rendered(open_window, settle):
    made = board(
        Stroke(id="s", span=span("-8px", "0px"), paint=paint("#ff0000")),
        Fill(id="f", paint=paint("#00ff00")),
    )
    window = open_window(made)
    window.show_stage(Stage.COAT)
    settle(window)
    state = window.build_up.state()
    strip = window.build_up._strip(state)
    first = int(state.axis.left)
    inside, stroke = (strip[int(state.axis.x(p)) - first] for p in (6, -4))
    assert tuple(inside[:3]) == (0, 255, 0)
    assert tuple(stroke[:3]) == (255, 0, 0)


def test_ends_snap_to_the_edge_and_the_core(open_window, drag):
    window = open_window(board(Stroke(id="s", span=span("-0.1em", "-0.03em")), Fill(id="f")))
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "s")
    build_up = window.build_up
    for target, wanted in ((0.0, "0em"), (1e9, "core")):
        state = build_up.state()
        coat = window.selection.coat
        x, y = state.handles(coat)[1], state.rows[0].center().y()
        drag(build_up, QPointF(x, y), QPointF(state.axis.x(target) - 3, y))
        assert str(window.selection.coat.span.to) == wanted


def test_eyes_and_keys(open_window, qtbot):
    window = open_window(board(Stroke(id="s"), Fill(id="f")))
    window.show_stage(Stage.COAT)
    build_up, selection = window.build_up, window.selection
    state = build_up.state()
    at = eye_box(state.rows[0]).center().toPoint()
    qtbot.mouseClick(build_up, Qt.MouseButton.LeftButton, pos=at)
    assert not selection.lettering.style[0].on
    selection.choose("words", "f")
    build_up.setFocus()
    for key, modifier in (
        (Qt.Key.Key_Down, Qt.KeyboardModifier.NoModifier),
        (Qt.Key.Key_Space, Qt.KeyboardModifier.NoModifier),
        (Qt.Key.Key_Left, Qt.KeyboardModifier.NoModifier),
        (Qt.Key.Key_Up, Qt.KeyboardModifier.AltModifier),
        (Qt.Key.Key_Delete, Qt.KeyboardModifier.NoModifier),
    ):
        qtbot.keyClick(build_up, key, modifier)
    assert [c.id for c in selection.lettering.style] == ["f"]
    names = [step.name for step in window.document.history.steps]
    assert names[-4:] == ["Switch on", "Span", "Order coats", "Delete coat"]


def test_one_coat_and_twenty_five(open_window):
    many = [Stroke(id=f"s{n}", span=span(f"-{n + 1}px", f"-{n}px")) for n in range(25)]
    for coats in (many[:1], many):
        window = open_window(board(*coats))
        window.show_stage(Stage.COAT)
        state = window.build_up.state()
        rows = state.rows
        assert rows[-1].top() >= 40
        assert rows[0].bottom() + 60 < window.build_up.height()
        assert all(abs(a.top() - b.bottom()) < 1e-6 for a, b in zip(rows, rows[1:], strict=False))
        assert window.build_up.accessibleDescription().startswith("Stroke")


FAR = (
    Fill(id="fill"),
    Stroke(id="rim", span=span("-12px", "0px")),
    Glow(id="far", span=span("-200px", "0px")),
)


@pytest.mark.parametrize("core", [3, 12, 40])
def test_what_reaches_far_leaves_the_edge_most_of_the_drawing(core):
    section = section_of((), 100, core, 96, Lamp())
    axis = axis_for(FAR, section, 112, 258)
    assert axis.is_broken and axis.near == 1.5 * core
    around = axis.x(core) - axis.x(-1.5 * core)
    assert around >= 0.6 * (258 - 112)
    assert axis.x(-axis.outer) == 112 and axis.x(-1e4) == 112 and axis.x(core) == 258
    # what is drawn shortened is still in its order, and read back where it is drawn
    places = np.array(
        [-axis.outer, -axis.outer * 0.8, -1.5 * core - 1, -1.5 * core, -core, 0, core / 2, core]
    )
    xs = np.array([axis.x(place) for place in places])
    assert (np.diff(xs) > 0).all()
    assert axis.positions(xs) == pytest.approx(places) and axis.position(xs[2]) == pytest.approx(
        places[2]
    )


def test_what_lies_near_is_drawn_without_a_break():
    axis = axis_for(COATS, SECTION, 112, 258)
    assert not axis.is_broken and axis.position(axis.x(-5)) == pytest.approx(-5)
