"""Light by hand: cup gold from nothing, mouldings drawn, the lantern, coats looked at alone."""

import math

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtWidgets import QLineEdit

from anole.core.cache import Cache
from anole.core.coats.kinds.shadow import offset, thrown_by
from anole.core.coats.registry import kind_named
from anole.core.coats.section import profile, section_of
from anole.core.model import Fill, Gradient, Lamp, Length, Moulding, Relief, Shadow, Stroke
from anole.studio.coat.build_up.profile import row_pixels
from anole.studio.controls.moulding import MouldingControl
from anole.studio.shared.shell import Stage

from ..core.shapes import board, closed, context, paint, source, span
from .test_by_hand import pull
from .tiles import click_tile

LEFT, CTRL, ALT = (
    Qt.MouseButton.LeftButton,
    Qt.KeyboardModifier.ControlModifier,
    Qt.KeyboardModifier.AltModifier,
)
CARVED = board(
    Stroke(id="s", paint=paint("#c00"), span=span("-0.06em", "0em")),
    Fill(id="f", paint=paint("#888")),
    Relief(id="r", span=span("0em", "core")),
    text="I",
    size=150,
)


def typed(qtbot, control, number, text):
    """Type into one of a control's fields, as a user would."""
    field = control.findChildren(QLineEdit)[number]
    field.setFocus()
    field.selectAll()
    qtbot.keyClicks(field, text)
    qtbot.keyClick(field, Qt.Key.Key_Return)


def test_cup_gold_is_built_from_nothing_by_mouse_and_keyboard(open_window, qtbot, settle):
    from anole.studio.documents.board_files import new_board

    window = open_window(new_board(640, 360))
    document, selection = window.document, window.selection
    qtbot.keyClick(window, Qt.Key.Key_T, CTRL)
    qtbot.keyClicks(window.arrange.section("words").words, "CUP")
    typed(qtbot, window.arrange.section("fields").panel.controls["size"], 0, "180")
    qtbot.mouseClick(window.top.stages.button(Stage.COAT), LEFT)
    # from nothing: without the plain coats that new words wear
    while selection.lettering.style:
        qtbot.keyClick(window.build_up, Qt.Key.Key_Delete)
    for tag in ("fill", "stroke", "shadow", "relief", "relief", "glow"):
        qtbot.mouseClick(window.under_build_up.add, LEFT)
        click_tile(qtbot, window.beside.sheet.tiles, f"coat:{tag}")
    kinds = [c.__struct_config__.tag for c in selection.lettering.style]
    assert sorted(kinds) == ["fill", "glow", "relief", "relief", "shadow", "stroke"]

    # the face: a folded gold from the shelf of gradients
    face = next(c for c in selection.lettering.style if isinstance(c, Fill))
    selection.choose(selection.piece_id, face.id)
    control = window.coat.panel(Fill).controls["paint"]
    control.kind.box.setFocus()
    qtbot.keyClick(control.kind.box, Qt.Key.Key_Down)
    control.kind.box.activated.emit(control.kind.box.currentIndex())
    page = control.page(Gradient)
    page.shelf.unfold(True)
    gold = next(n for n, e in enumerate(page.shelf.grid.entries) if e.name == "Folded gold")
    qtbot.mouseClick(page.shelf.grid, LEFT, pos=page.shelf.grid.box(gold).center().toPoint())

    # the carving: to the core, under a ramp of gold
    first, second = (c for c in selection.lettering.style if isinstance(c, Relief))
    panel = window.coat.panel(Relief)
    selection.choose(selection.piece_id, second.id)
    typed(qtbot, panel.controls["span"], 1, "core")
    typed(qtbot, panel.controls["height"], 0, ".1em")
    ramp = panel.controls["ramp"]
    for share in (0.2, 0.7):
        spot = QPointF(8 + share * (ramp.bar.width() - 16), 8).toPoint()
        qtbot.mouseClick(ramp.bar, LEFT, pos=spot)
        typed(qtbot, ramp.colour, 0, "#c88a2a")
    # the tube: a bead over the stroke's span, seen outside
    selection.choose(selection.piece_id, first.id)
    typed(qtbot, panel.controls["span"], 0, "-.06em")
    typed(qtbot, panel.controls["span"], 1, "0")
    ends = panel.controls["moulding"].ends
    qtbot.mouseClick(ends, LEFT, pos=ends.box(5).center().toPoint())
    seen = panel.controls["clip_side"].box
    seen.setCurrentText("outside the letters")
    seen.activated.emit(seen.currentIndex())
    settle(window)

    words = selection.lettering
    tube, carved = (c for c in words.style if isinstance(c, Relief))
    assert carved.span.to.is_core
    assert carved.height.unit == "em"
    assert len(carved.ramp) == 6
    assert (tube.moulding.profile, tube.clip_side) == ("bead", "outside")
    image = window.view.frame.image
    middle = window.view.transform_now().to_widget(words.place.x, words.place.y)
    assert not image.isNull()
    assert window.view.frame.board == document.board
    assert window.rect().contains(window.view.mapTo(window, middle.toPoint()))


def test_alt_click_asks_which_coat_painted_this(open_window, qtbot, settle):
    window = open_window(CARVED)
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "f")
    settle(window)
    now = window.view.transform_now()
    qtbot.mouseClick(window.view, LEFT, ALT, now.to_widget(142, 90).toPoint())
    assert window.selection.coat_id == "s"
    assert "Stroke" in window.status.text.text()
    qtbot.mouseClick(window.view, LEFT, ALT, now.to_widget(150, 90).toPoint())
    assert window.selection.coat_id == "r"
    qtbot.mouseClick(window.view, LEFT, ALT, now.to_widget(5, 5).toPoint())
    assert "Only a ground" in window.status.text.text()


def test_the_lantern_is_dragged_on_the_board(open_window, settle):
    window = open_window(CARVED)
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "r")
    settle(window)
    spot = window.tools.lantern.spot(window.view.transform_now())
    middle = window.view.transform_now().to_widget(160, 90)
    pull(window.view, spot, middle + QPointF(120, 0) - spot)
    lamp = window.document.board.lamp
    assert lamp.bearing == 90
    near = lamp.elevation
    spot = window.tools.lantern.spot(window.view.transform_now())
    pull(window.view, spot, middle + QPointF(20, 0) - spot)
    assert window.document.board.lamp.elevation > near
    assert [s.name for s in window.document.history.steps] == ["Open", "Lamp", "Lamp"]
    # a coat with a lamp of its own moves that
    window.coat.panel(Relief).controls["lamp"].own.edited.emit(True, None)
    spot = window.tools.lantern.spot(window.view.transform_now())
    pull(window.view, spot, middle + QPointF(0, 90) - spot)
    relief = window.selection.lettering.style[2]
    assert relief.lamp.bearing == 180
    assert window.document.board.lamp.bearing == 90
    window.selection.choose("words", "f")
    assert window.tools.lantern.spot(window.view.transform_now()) is None


@settings(max_examples=60)
@given(st.floats(-300, 300), st.floats(-300, 300), st.floats(5, 80))
def test_a_shadow_falls_where_it_is_pulled(x, y, elevation):
    lift, lamp = thrown_by(x, y, Lamp(elevation=elevation))
    dx, dy = offset(lift, lamp)
    assert math.hypot(dx - x, dy - y) < 0.6 / math.tan(math.radians(elevation)) + 0.6


def test_a_shadow_is_dragged_on_the_board(open_window, settle):
    window = open_window(board(Shadow(id="h", lift=Length(0.1, "em")), Fill(id="f")))
    window.show_stage(Stage.COAT)
    now = window.view.transform_now()
    window.selection.choose("words", "f")
    assert not window.tools.throwing.grips(now)
    window.selection.choose("words", "h")
    settle(window)
    spot = window.tools.throwing.grips(now)["end"]
    middle = now.to_widget(*window.tools.throwing.path().start)
    pull(window.view, spot, middle + QPointF(60, 0) - spot)
    shadow, em = window.selection.lettering.style[0], window.selection.lettering.size.value
    assert shadow.lamp.bearing == pytest.approx(270, abs=2)
    assert window.document.board.lamp == Lamp()
    assert shadow.lift.unit == "em"
    lift = 60 / now.zoom * math.tan(math.radians(shadow.lamp.elevation))
    assert shadow.lift.px(em) == pytest.approx(lift, rel=0.05)
    assert [s.name for s in window.document.history.steps] == ["Open", "Throw the shadow"]
    spot = window.tools.throwing.grips(now)["end"]
    assert window.tools.throwing.hover(spot) is not None
    window.document.undo()
    assert window.selection.lettering.style[0].lamp is None


def test_a_coat_is_looked_at_alone_and_as_it_was(open_window, qtbot):
    window = open_window(CARVED)
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "r")
    qtbot.keyPress(window, Qt.Key.Key_S)
    assert [c.on for c in window.document.shown.lettering("words").style] == [False, False, True]
    qtbot.keyRelease(window, Qt.Key.Key_S)
    assert window.document.shown == CARVED
    panel = window.coat.panel(Relief)
    for value in (0.4, 0.6):
        panel.controls["rounding"].edited.emit(value, None)
    qtbot.keyPress(window, Qt.Key.Key_B)
    assert window.document.shown == CARVED
    qtbot.keyRelease(window, Qt.Key.Key_B)
    assert window.document.shown.lettering("words").style[2].rounding == 0.6


def test_coats_are_copied_to_another_piece(open_window, qtbot):
    window = open_window(CARVED)
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "r")
    qtbot.keyClick(window, Qt.Key.Key_C, CTRL)
    window.show_stage(Stage.ARRANGE)
    qtbot.keyClick(window, Qt.Key.Key_T, CTRL)
    window.show_stage(Stage.COAT)
    qtbot.keyClick(window, Qt.Key.Key_V, CTRL)
    assert [c.__struct_config__.tag for c in window.selection.lettering.style][-1] == "relief"
    assert len(window.document.board.pieces) == 3


def test_a_moulding_is_chosen_and_drawn(qtbot, drag):
    control = MouldingControl("Moulding", "")
    qtbot.addWidget(control)
    control.resize(280, 320)
    control.show()
    found = []
    control.edited.connect(lambda v, t: found.append(v))
    control.set_value(Moulding())
    qtbot.mouseClick(control.ends, LEFT, pos=control.ends.box(7).center().toPoint())
    assert found[-1].profile == "reeds"
    assert control.fields.controls["count"].isVisible()
    control.set_value(Moulding(profile="ogee"))
    view = control.view
    spot = view.spot(view.points()[3])
    drag(view, spot, spot + QPointF(0, -24))
    assert found[-1].profile == "drawn"
    points = dict(found[-1].points)
    assert points[0.5] > 0.65
    count = len(found[-1].points)
    view.setFocus()
    qtbot.keyClick(view, Qt.Key.Key_Delete)
    assert len(found[-1].points) == count - 1
    qtbot.keyClick(view, Qt.Key.Key_PageDown)
    qtbot.keyClick(view, Qt.Key.Key_Up, Qt.KeyboardModifier.ShiftModifier)
    assert len(found[-1].points) == count - 1


def test_a_moulding_is_kept_taken_and_dropped(open_window, qtbot):
    window = open_window(CARVED)
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "r")
    control = window.coat.panel(Relief).controls["moulding"]
    control.edited.emit(Moulding(profile="reeds", count=5), None)
    qtbot.mouseClick(control.saved.save, LEFT)
    qtbot.keyClicks(control.saved.name, "Five reeds")
    qtbot.keyClick(control.saved.name, Qt.Key.Key_Return)
    control.edited.emit(Moulding(), None)
    control.saved._take(1)
    assert window.selection.lettering.style[2].moulding == Moulding(profile="reeds", count=5)
    control.saved.box.setCurrentIndex(1)
    qtbot.mouseClick(control.saved.delete, LEFT)
    assert control.saved.box.count() == 1


def test_every_lit_coat_shows_in_the_build_up(open_window):
    window = open_window(CARVED)
    state = window.build_up.state()
    at = np.linspace(-30, state.section.core, 200)
    for tag in ("relief", "grain", "sheen", "gloss"):
        pixels = row_pixels(kind_named(tag).struct(id="x"), state.section, at)
        assert pixels[at > 2, 3].max() > 10
        assert pixels[at < -2, 3].max() == 0


@pytest.mark.parametrize("bearing", [0, 135])
def test_the_build_up_lights_a_relief_as_the_board_does(open_window, bearing):
    """At an edge that faces left, px by px: the section is drawn by what renders."""
    lamp = Lamp(bearing=bearing, elevation=45)
    coat = Relief(id="x", span=span("0px", "14px"), height=Length(10), lamp=lamp)
    at = np.arange(60) * 0.25 + 0.125
    section = section_of((), 120, 30, 96, lamp)
    drawn = profile(coat, section, at, Cache()).colours
    bar = closed(np.array([[60.0, 0], [200, 0], [200, 200], [60, 200]]))
    true = source(coat, context(bar, 200))[:, 100, 60:75]
    for part in range(4):
        rows = np.interp(at, np.arange(15) + 0.5, true[part])
        assert np.abs(drawn[part] - rows)[4:-8].max() < 0.06, part
