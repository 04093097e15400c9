"""What holds a paint on the board: marks apart from each other, pulls that mean what they show."""

from __future__ import annotations

import math

import msgspec
import pytest
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QImage, QPainter

from anole.core.model import Colour, Fill, Gradient, Length, Pattern, Stop
from anole.core.paint.handles import Laying
from anole.core.paint.source import handles
from anole.studio.coat.paint_marks import paint_grips
from anole.studio.coat.paint_tool import APART
from anole.studio.shared.shell import Stage

from ..core.shapes import board

RED, BLUE = Colour(255, 0, 0), Colour(0, 0, 255)
GRADIENT = Gradient(stops=(Stop(0, RED), Stop(1, BLUE)))


def held(open_window, settle, paint):
    window = open_window(board(Fill(id="f", paint=paint), text="HOWL", size=90))
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "f")
    settle(window)
    return window, window.tools.coat_paint


def test_small_patterns_are_turned_and_sized_by_a_mark_one_can_reach(open_window, settle, drag):
    small = Pattern(size=Length(0.05, "em"), angle=0.0)
    window, tool = held(open_window, settle, small)
    (_, first), (_, last) = tool._grips()
    assert math.hypot((last - first).x(), (last - first).y()) == pytest.approx(APART)
    # a pull to twice the distance makes the tile twice as large, a quarter round turns it by 90
    drag(window.view, last, first + (last - first) * 2)
    now = window.selection.coat.paint
    assert now.size.value == pytest.approx(0.1, rel=0.06)
    assert now.angle == pytest.approx(0, abs=2) or now.angle == pytest.approx(360, abs=2)
    (_, first), (_, last) = tool._grips()
    way = last - first
    drag(window.view, last, first + QPointF(-way.y(), way.x()))
    assert window.selection.coat.paint.angle == pytest.approx(90, abs=4)


def test_a_gradient_s_ends_stay_where_they_are(open_window, settle, drag):
    window, tool = held(open_window, settle, GRADIENT)
    (_, first), (_, last) = tool._grips()
    target = last + QPointF(-40, -20)
    drag(window.view, last, target)
    (_, first2), (_, last2) = tool._grips()
    assert (first2 - first).manhattanLength() < 1.5
    assert (last2 - target).manhattanLength() < 2.5


@pytest.mark.parametrize("reversed_", [False, True])
@pytest.mark.parametrize("shape", ["linear", "radial", "conic"])
def test_it_starts_at_a_ring_and_ends_at_a_head_in_the_colours_of_its_stops(shape, reversed_):
    paint = msgspec.structs.replace(GRADIENT, shape=shape, reversed=reversed_)
    found = handles(paint, Laying((0, 0, 100, 100)))
    assert [one.kind for one in found] == ["start" if shape == "linear" else "middle", "end"]
    spots = (QPointF(30, 60), QPointF(150, 60))
    image = QImage(200, 120, QImage.Format.Format_ARGB32)
    image.fill(Qt.GlobalColor.gray)
    painter = QPainter(image)
    paint_grips(painter, list(zip(found, spots, strict=True)))
    painter.end()
    first, last = (RED, BLUE) if not reversed_ else (BLUE, RED)
    assert image.pixelColor(30, 60).getRgb()[:3] == pytest.approx(
        (first.r, first.g, first.b), abs=6
    )
    assert image.pixelColor(145, 60).getRgb()[:3] == pytest.approx((last.r, last.g, last.b), abs=6)
    # the head has a point, and is wide behind it
    assert image.pixelColor(150, 52) == image.pixelColor(5, 5)
    assert image.pixelColor(138, 56) != image.pixelColor(5, 5)
