"""The line of curves and levels: points pulled by hand and key, over what the tone acts on."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QImage

from anole.core.model import (
    Curves,
    Exposure,
    Fill,
    Levels,
    Stroke,
    ToneCoat,
    Wash,
)
from anole.studio.controls.tones.histogram import BINS, acted_on, counted, passed
from anole.studio.controls.tones.tone_handles import PULLED, line_of
from anole.studio.controls.tones.tone_line import ToneLine
from anole.studio.shared.shell import Stage

from ..core.shapes import board, paint, span


def level(shade: int) -> int:
    return int(shade / 255 * BINS)


@pytest.fixture
def toned(open_window, settle):
    """A window whose piece wears a stroke of one grey, a fill of another, and tones above."""
    coats = (
        Stroke(id="s", span=span("-8px", "0px"), paint=paint("#404040")),
        Fill(id="f", paint=paint("#a0a0a0")),
        ToneCoat(id="t", tone=(Exposure(stops=0.0, on=False), Curves(), Levels())),
        Fill(id="above", paint=paint("#ffffff"), opacity=0.2),
    )
    window = open_window(board(*coats, text="I", size=150))
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "t")
    settle(window)
    return window


def lines(window) -> list[ToneLine]:
    control = window.coat.panel(ToneCoat).controls["tone"]
    for row in control.rows:
        row.unfold(True)
    return [row.line for row in control.rows if row.line is not None]


def test_points_are_pulled_and_the_picture_follows(toned, drag, settle):
    curve, levels = lines(toned)
    settle(toned)
    start = curve.spot(curve.handles()[1])
    drag(curve, start, start + QPointF(0, -curve.field().height() * 0.2))
    tone = toned.selection.coat.tone
    assert tone[1].at_25 == pytest.approx(0.45, abs=0.02)
    assert len([s for s in toned.document.history.steps if s.name]) == 2
    black = levels.spot(levels.handles()[0])
    drag(levels, black, black + QPointF(levels.field().width() * 0.25, 0))
    assert toned.selection.coat.tone[2].black == pytest.approx(0.25, abs=0.02)
    middle = levels.spot(levels.handles()[1])
    drag(levels, middle, middle + QPointF(-levels.field().width() * 0.15, 0))
    assert toned.selection.coat.tone[2].gamma > 1.1
    toned.document.undo()
    assert toned.selection.coat.tone[2].gamma == 1.0
    assert levels.op.gamma == 1.0


def test_keys_choose_and_move_points_and_a_double_click_sets_back(toned, qtbot):
    curve, _ = lines(toned)
    curve.setFocus()
    qtbot.keyClick(curve, Qt.Key.Key_PageDown)
    for _ in range(3):
        qtbot.keyClick(curve, Qt.Key.Key_Up, Qt.KeyboardModifier.ShiftModifier)
    assert toned.selection.coat.tone[1].at_25 == pytest.approx(0.55)
    at = curve.spot(curve.handles()[1]).toPoint()
    qtbot.mouseDClick(curve, Qt.MouseButton.LeftButton, pos=at)
    assert toned.selection.coat.tone[1].at_25 == pytest.approx(0.25)


def test_histograms_are_of_what_lies_beneath_the_tone_and_of_nothing_else(toned, settle, qtbot):
    """Two greys beneath, the white above and the ground not counted."""
    curve, levels = lines(toned)
    qtbot.waitUntil(lambda: bool(curve.bins.any() and levels.bins.any()), timeout=20_000)
    for line in (curve, levels):
        peaks = np.flatnonzero(line.bins > 0.3)
        assert set(peaks) <= {level(0x40), level(0xA0)}
        assert {level(0x40), level(0xA0)} & set(peaks)
        assert line.bins[-1] == 0


def test_a_line_acts_on_what_the_operations_before_it_give(toned, qtbot):
    control = toned.coat.panel(ToneCoat).controls["tone"]
    control.rows[0]._set("stops", 1.0, None)
    control.rows[0]._set("on", True, None)
    curve, _ = lines(toned)
    before = level(0xA0)
    qtbot.waitUntil(lambda: bool(curve.bins.any()) and curve.bins[before] < 0.1, timeout=20_000)
    assert curve.bins[before + 4 :].max() > 0.3


def test_what_is_acted_on():
    made = board(Fill(id="a"), ToneCoat(id="t", tone=(Curves(),)), Fill(id="b"))
    found, grounds = acted_on(made, "words", "t")
    assert [c.id for c in found.pieces[-1].style] == ["a", "t"]
    assert len(found.pieces) == 1 and not grounds
    wash = Wash(id="w", tone=(Curves(),))
    washed = msgspec.structs.replace(made, pieces=(*made.pieces, wash, *made.pieces[-1:]))
    found, grounds = acted_on(washed, "w", None)
    assert found.pieces[-1].id == "w" and grounds
    assert acted_on(made, "nobody", None) is None


@given(st.floats(0, 0.6), st.floats(0.2, 0.39), st.floats(0.3, 2.0))
def test_handles_lie_on_the_line(black, wide, gamma):
    op = Levels(black=black, white=black + wide, gamma=gamma, low=0.1, high=0.9)
    for handle in PULLED[Levels].handles(op):
        assert line_of(op, np.array([handle.x]))[0] == pytest.approx(handle.y, abs=0.04)
    moved = PULLED[Levels].moved(op, "gamma", black + wide * 0.5, 0.5)
    assert moved.gamma == pytest.approx(1.0, abs=1e-3)


@given(st.floats(0, 1), st.integers(0, 4))
def test_curve_points_go_where_they_are_pulled(y, which):
    name = PULLED[Curves].handles(Curves())[which].name
    op = PULLED[Curves].moved(Curves(), name, 0.9, y)
    assert line_of(op, np.array([which / 4]))[0] == pytest.approx(y, abs=0.002)


def test_a_histogram_through_a_line():
    bins = np.zeros(BINS)
    bins[10] = bins[50] = 1.0
    x = (np.arange(BINS * 16) + 0.5) / (BINS * 16)
    np.testing.assert_allclose(passed(bins, x)[[10, 50]], 1)
    turned = passed(bins, 1 - x)
    np.testing.assert_allclose(turned[[BINS - 11, BINS - 51]], 1)
    assert turned.sum() == pytest.approx(2)


def test_clear_px_do_not_count():

    image = QImage(8, 8, QImage.Format.Format_RGBA8888)
    image.fill(Qt.GlobalColor.transparent)
    assert not counted(image).any()
