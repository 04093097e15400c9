"""Controls: what is typed, pulled and stepped, and that they show what comes from outside."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from PyQt6.QtCore import QPoint, QPointF, Qt

from anole.core.coats.registry import KINDS
from anole.core.model import (
    Colour,
    ColourPaint,
    Gradient,
    Lamp,
    Length,
    Position,
    Ripple,
    Span,
    Stop,
)
from anole.core.model.coats.base import ActingCoat
from anole.studio.app import application
from anole.studio.controls.base.control import Context
from anole.studio.controls.base.fields import FieldPanel
from anole.studio.controls.colours.colour import ColourControl
from anole.studio.controls.colours.colour_field import from_share, share_of
from anole.studio.controls.gradients.gradient_bar import BAR, TOP, GradientBar
from anole.studio.controls.lamps.lamp import LampControl
from anole.studio.controls.numbers.expression import evaluate
from anole.studio.controls.numbers.length import LengthControl
from anole.studio.controls.numbers.number import Number
from anole.studio.controls.numbers.span import SpanControl
from anole.studio.controls.paint import PaintControl

LEFT = Qt.MouseButton.LeftButton


@pytest.fixture
def shown(qtbot):
    """Shows a control and collects what it emits."""
    application()
    kept = []

    def show(control):
        control.resize(290, control.sizeHint().height() + 10)
        qtbot.addWidget(control)
        control.show()
        found = []
        control.edited.connect(lambda *args: found.append(args))
        kept.append(control)
        return found

    return show


@pytest.mark.parametrize(
    ("text", "value", "unit"),
    [
        ("2*8px", 16, "px"),
        (".1em", 0.1, "em"),
        ("3 mm", 3, "mm"),
        ("12 + 4", 16, ""),
        ("-(2+1)/2", -1.5, ""),
        ("50 %", 50, "%"),
        ("1,5", 1.5, ""),
    ],
)
def test_typed_sums(text, value, unit):
    assert evaluate(text) == (pytest.approx(value), unit)


@given(st.text(max_size=30))
def test_any_text_is_a_number_or_refused(text):
    try:
        value, _ = evaluate(text)
    except ValueError:
        return
    assert abs(value) < float("inf")


@pytest.mark.parametrize(
    "text", ["__import__('os')", "9**9**9", "1/0", "a", "", "[1]", "True or 1"]
)
def test_what_is_no_sum(text):
    with pytest.raises(ValueError):
        evaluate(text)


def test_a_number_is_typed_pulled_and_stepped(qtbot, shown, drag):
    control = Number("Opacity", 0, 1, unit="%", factor=100, step=0.01, default=0.8)
    found = shown(control)
    control.set_value(0.5)
    assert not found
    assert control.field.text() == "50 %"
    control.field.setFocus()
    control.field.selectAll()
    qtbot.keyClicks(control.field, "20+5")
    qtbot.keyClick(control.field, Qt.Key.Key_Return)
    assert found[-1] == (0.25, None)
    qtbot.keyClick(control.field, Qt.Key.Key_Up, Qt.KeyboardModifier.ShiftModifier)
    assert found[-1][0] == pytest.approx(0.35)
    qtbot.keyClick(control.field, Qt.Key.Key_Return)
    rail = control.field
    drag(rail, QPointF(rail.width() / 2, 12), QPointF(rail.width() * 2, 12))
    assert found[-1][0] == 1
    tokens = {args[1] for args in found[-4:]}
    assert len(tokens) == 1
    assert None not in tokens
    # a double click on the number takes all of it, to be typed over; its label goes back
    many = len(found)
    qtbot.mouseDClick(control.field, LEFT)
    assert control.field.selectedText() == control.field.text()
    assert len(found) == many
    qtbot.mouseDClick(control.label, LEFT)
    assert found[-1][0] == 0.8


def test_a_number_stays_in_its_hard_range_and_out_of_its_soft_one(qtbot, shown):
    control = Number("Tracking", -1000, 10_000, soft=(-200, 1000), step=1)
    found = shown(control)
    control.set_value(0)
    for text, value in (("5000", 5000), ("99999", 10_000), ("nonsense", 10_000)):
        control.field.setFocus()
        control.field.selectAll()
        qtbot.keyClicks(control.field, text)
        qtbot.keyClick(control.field, Qt.Key.Key_Return)
        assert control.value() == value
    assert len(found) == 2


def test_a_length_keeps_the_unit_its_user_chose(qtbot, shown, drag):
    control = LengthControl("Lift", (0, 300), low=0)
    found = shown(control)
    control.take(Context(100, 300, 10, Lamp()))
    control.set_value(Length(0.1, "em"))
    wide = control.field.width()
    drag(control.field, QPointF(20, 12), QPointF(20 + wide / 2, 12))
    assert found[-1][0].unit == "em"
    assert found[-1][0].value == pytest.approx(1.6, abs=0.1)
    control.field.setFocus()
    control.field.selectAll()
    qtbot.keyClicks(control.field, "5mm")
    qtbot.keyClick(control.field, Qt.Key.Key_Return)
    assert found[-1][0] == Length(5, "mm")


def test_a_span_goes_to_the_core(qtbot, shown, drag):
    control = SpanControl("Span", (-120, 120))
    found = shown(control)
    control.take(Context(200, 96, 20, Lamp()))
    control.set_value(Span(Position(-0.05, "em"), Position(0.05, "em")))
    to = control.fields[1]
    drag(to, QPointF(20, 12), QPointF(20 + to.width(), 12))
    assert found[-1][0].to.is_core and to.text() == "core"
    # both rails show the band between the ends
    first = control.fields[0]
    assert (first._at, first._other) == (to._other, to._at) and first._at < first._zero < to._at
    before = found[-1][0].from_
    drag(first, QPointF(60, 12), QPointF(50, 12))
    assert found[-1][0].from_.value < before.value and found[-1][0].to.is_core
    control.fields[0].setFocus()
    control.fields[0].selectAll()
    qtbot.keyClicks(control.fields[0], "-6px")
    qtbot.keyClick(control.fields[0], Qt.Key.Key_Return)
    assert found[-1][0].from_ == Position(-6, "px")


def test_colours_by_field_and_by_text(qtbot, shown):
    control = ColourControl()
    found = shown(control)
    control.set_value(Colour(200, 40, 30, 128))
    assert control.text.text() == "#c8281e80"
    qtbot.mouseClick(control.field, LEFT, pos=QPoint(control.field.width() // 2, 60))
    assert found[-1][0].a == 128
    control.text.selectAll()
    qtbot.keyClicks(control.text, "oklch(0.7 0.1 140)")
    qtbot.keyClick(control.text, Qt.Key.Key_Return)
    assert found[-1][0] == Colour.parse("oklch(0.7 0.1 140)")
    control.text.selectAll()
    qtbot.keyClicks(control.text, "bluish")
    qtbot.keyClick(control.text, Qt.Key.Key_Return)
    assert control.value() == Colour.parse("oklch(0.7 0.1 140)")


@given(st.builds(Colour, *[st.integers(0, 255)] * 3))
def test_the_colour_field_reaches_every_colour(colour):
    found = from_share(*share_of(colour))
    assert max(abs(a - b) for a, b in zip(found.floats, colour.floats, strict=True)) < 0.02


def test_stops_are_added_moved_and_pulled_off(qtbot, shown, drag):
    bar = GradientBar()
    found = shown(bar)
    bar.show_gradient(Gradient(stops=(Stop(0, Colour(0, 0, 0)), Stop(1, Colour(255, 255, 255)))))
    middle = QPointF(bar.width() / 2, TOP + BAR / 2)
    qtbot.mouseClick(bar, LEFT, pos=middle.toPoint())
    assert len(found[-1][0].stops) == 3
    drag(bar, QPointF(bar._x(bar.gradient.stops[1]), 20), QPointF(bar.width() / 4, 20))
    assert found[-1][0].stops[1].at == pytest.approx(0.25, abs=0.03)
    drag(bar, QPointF(bar._x(bar.gradient.stops[1]), 20), QPointF(bar.width() / 4, 120))
    assert len(found[-1][0].stops) == 2
    bar.setFocus()
    qtbot.keyClick(bar, Qt.Key.Key_Delete)
    qtbot.keyClick(bar, Qt.Key.Key_Delete)
    assert len(bar.gradient.stops) == 1


def test_switching_the_paint_keeps_its_colour(qtbot, shown):
    control = PaintControl()
    found = shown(control)
    red = Colour(200, 30, 20)
    control.set_value(ColourPaint(colour=red))
    control.kind.edited.emit("gradient", None)
    assert found[-1][0].stops[0].colour == red
    control.kind.edited.emit("colour", None)
    assert found[-1][0] == ColourPaint(colour=red)


def test_the_lantern_is_dragged_round_the_board(shown, drag):
    control = LampControl()
    found = shown(control)
    control.set_value(Lamp(bearing=0, elevation=45))
    plan, side = control.plan._areas()
    drag(control.plan, plan.center() + QPointF(0, -30), plan.center() + QPointF(40, 0))
    assert found[-1][0].bearing == 90
    drag(control.plan, side.center(), QPointF(side.left() + 4, side.bottom() - 20))
    assert found[-1][0].elevation < 12
    assert found[-1][0].bearing == 90


@pytest.mark.parametrize("struct", KINDS)
def test_every_coat_has_a_panel_that_shows_changes_from_outside(struct, shown):
    panel = FieldPanel(struct, headed=True)
    found = shown(panel)
    panel.take(Context(100, 96, 10, Lamp()))
    numbers = ["opacity", "phase_x"] if struct is Ripple else ["opacity", "amount"]
    name = next(n for n in numbers if n in panel.controls)
    panel.show_struct(struct(id="x", blend="screen", **{name: 0.25}))
    assert panel.controls[name].value() == 0.25
    if issubclass(struct, ActingCoat):
        assert "blend" not in panel.controls  # it acts on what others paint
    else:
        assert panel.controls["blend"].value() == "screen"
    assert not found
