"""Paint by hand: colours sampled, gradients made and kept, patterns, pictures, handles on the board."""

import io

import numpy as np
import pytest
from PIL import Image
from PyQt6.QtCore import QMimeData, QPointF, Qt, QUrl
from PyQt6.QtGui import QDropEvent, QGuiApplication

from anole.core.coats.registry import kind_named
from anole.core.files import board_file
from anole.core.files.css import text
from anole.core.model import (
    Backdrop,
    Colour,
    ColourPaint,
    Fill,
    Gradient,
    GradientMap,
    ImagePaint,
    Ink,
    Invert,
    Length,
    Pattern,
    Stop,
    Stroke,
)
from anole.core.paint.handles import Laying
from anole.core.paint.source import handles, pulled
from anole.core.tone import OPERATIONS
from anole.studio.controls.colours.colour_rows import ROWS, colour_of, numbers_of
from anole.studio.shared.shell import Stage

from ..core.shapes import board, paint
from .test_by_hand import pull

LEFT = Qt.MouseButton.LeftButton
STYLED = board(Stroke(id="s", paint=paint("#000")), Fill(id="f", paint=paint("#ffffff")), size=120)


def picture(tmp_path, name="two.png"):
    """Left half dark blue, right half orange."""
    made = np.zeros((60, 120, 3), np.uint8)
    made[:, :60], made[:, 60:] = (16, 32, 96), (240, 140, 32)
    Image.fromarray(made).save(tmp_path / name)
    return tmp_path / name


def page(window, struct, tag="fill", coat="f"):
    window.show_stage(Stage.COAT)
    window.selection.choose("words", coat)
    control = window.coat.panel(kind_named(tag).struct).controls["paint"]
    kind = {
        Gradient: "gradient",
        Pattern: "pattern",
        ImagePaint: "picture",
        Backdrop: "the background",
    }[struct]
    control.kind.edited.emit(kind, None)
    return control.page(struct)


def fill(window, number=1):
    return window.selection.lettering.style[number].paint


def test_two_colours_of_a_picture_make_a_gradient_that_is_kept_and_used_again(
    open_window, qtbot, tmp_path, settle
):
    window = open_window(STYLED)
    made = page(window, Gradient)
    qtbot.mouseClick(made.found.head, LEFT)
    made.found.picture.add_file(picture(tmp_path))
    settle(window)
    view = made.found.picture.view
    settle(window)
    # the dark stop from the left half, the bright one from the right
    for index, share, colour in ((0, 0.2, (16, 32, 96)), (1, 0.8, (240, 140, 32))):
        made.bar._choose(index)
        box = view._box()
        spot = QPointF(box.x() + box.width() * share, box.center().y())
        qtbot.mouseClick(view, LEFT, pos=spot.toPoint())
        stop = fill(window).stops[index].colour
        assert (stop.r, stop.g, stop.b) == colour
    # or both at once, with their share
    qtbot.mouseClick(made.found.take, LEFT)
    assert [s.at for s in fill(window).stops] == [0, 1]
    # kept on the board by name
    made.shelf.unfold(True)
    qtbot.mouseClick(made.shelf.keep, LEFT)
    qtbot.keyClicks(made.shelf.name, "Dusk")
    qtbot.keyClick(made.shelf.name, Qt.Key.Key_Return)
    assert window.document.board.gradients[0].name == "Dusk"
    # used in a second coat
    other = page(window, Gradient, "stroke", "s")
    other.shelf.unfold(True)
    qtbot.mouseClick(other.shelf.grid, LEFT, pos=other.shelf.grid.box(0).center().toPoint())
    assert fill(window, 0).stops == fill(window).stops
    path = tmp_path / "dusk.anole"
    assert window.files.save_to(path)
    again = board_file.read(path).board
    assert again.gradients == window.document.board.gradients
    assert again.lettering("words").style == window.selection.lettering.style
    assert [a.name for a in again.assets] == ["two.png"]


def test_the_dropper_takes_a_colour_of_the_board(open_window, qtbot, settle):
    window = open_window(board(Fill(id="f", paint=paint("#ffffff")), text="I", size=100))
    window.show_stage(Stage.COAT)
    settle(window)
    control = window.coat.panel(Fill).controls["paint"]
    colour = control.page(ColourPaint).colour
    qtbot.mouseClick(colour.pick, LEFT)
    assert window.tools.dropper.on
    spot = window.view.transform_now().to_widget(20, 20).toPoint()
    qtbot.mouseMove(window.view, spot)
    qtbot.mouseClick(window.view, LEFT, Qt.KeyboardModifier.ControlModifier, spot)
    assert str(window.selection.lettering.style[0].paint.colour) == "#204060"
    assert not window.tools.dropper.on
    qtbot.mouseClick(colour.pick, LEFT)
    qtbot.keyClick(window.view, Qt.Key.Key_Escape)
    assert not window.tools.dropper.on


@pytest.mark.parametrize("kind", ROWS)
@pytest.mark.parametrize("name", ["#c81e14", "#204060", "#7fd4ff", "#808080", "#000000"])
def test_rows_of_numbers_name_the_colour(kind, name):
    colour = Colour.parse(name)
    again = colour_of(numbers_of(colour, kind), kind, 255)
    assert max(abs(a - b) for a, b in zip(again.floats, colour.floats, strict=True)) < 0.006


def test_numbers_typed_in_a_row_stay_as_they_were_typed(open_window, qtbot):
    window = open_window(STYLED)
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "f")
    colour = window.coat.panel(Fill).controls["paint"].page(ColourPaint).colour
    qtbot.mouseClick(colour.rows.buttons["OKLCH"], LEFT)
    for number, value in enumerate((0.7, 0.15, 40)):
        colour.rows.rows["OKLCH"][number]._emit(value, None)
    assert [n.value() for n in colour.rows.rows["OKLCH"]] == [0.7, 0.15, 40]
    assert fill(window).colour == Colour.parse("oklch(0.7 0.15 40)")


def test_swatches_are_kept_used_and_dropped(open_window, qtbot, settle):
    window = open_window(STYLED)
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "f")
    colour = window.coat.panel(Fill).controls["paint"].page(ColourPaint).colour
    colour._send(Colour.parse("#12ab56"), None)
    qtbot.mouseClick(colour.save, LEFT)
    colour.name.clear()
    qtbot.keyClicks(colour.name, "Rink green")
    qtbot.keyClick(colour.name, Qt.Key.Key_Return)
    assert [(s.name, str(s.colour)) for s in window.document.board.swatches] == [
        ("Rink green", "#12ab56")
    ]
    colour._send(Colour.parse("#ffffff"), None)
    chips = colour.swatches.saved
    qtbot.mouseClick(chips, LEFT, pos=chips.box(0).center().toPoint())
    assert str(fill(window).colour) == "#12ab56"
    colour._used()
    assert colour.swatches.recent.chips[0][0] == "#12ab56"
    chips.setFocus()
    qtbot.keyClick(chips, Qt.Key.Key_Delete)
    assert window.document.board.swatches == ()


def test_a_gradient_is_folded_read_from_css_and_taken_from_the_shelf(open_window, qtbot):
    window = open_window(STYLED)
    made = page(window, Gradient)
    made.setFocus()
    qtbot.mouseClick(made.fold, LEFT)
    assert (fill(window).spread, fill(window).scale) == ("reflect", 0.5)
    QGuiApplication.clipboard().setText("linear-gradient(45deg in oklch, red, 30%, blue)")
    qtbot.mouseClick(made.read, LEFT)
    assert (fill(window).angle, fill(window).space) == (45, "oklch")
    assert fill(window).stops[0].hint == pytest.approx(0.3)
    qtbot.mouseClick(made.written, LEFT)
    assert QGuiApplication.clipboard().text() == text(fill(window))
    before = window.document.board
    QGuiApplication.clipboard().setText("linear-gradient(nonsense")
    qtbot.mouseClick(made.read, LEFT)
    assert window.document.board == before
    assert "no gradient" in window.status.text.text()
    made.shelf.unfold(True)
    assert len(made.shelf.grid.entries) >= 30
    qtbot.mouseClick(made.shelf.grid, LEFT, pos=made.shelf.grid.box(6).center().toPoint())
    assert fill(window).stops == made.shelf.grid.entries[6].gradient.stops


def test_a_hint_is_pulled_in_the_bar(open_window, qtbot, drag):
    window = open_window(STYLED)
    bar = page(window, Gradient).bar
    qtbot.wait(20)
    drag(bar, QPointF(bar.hint_x(0), 6), QPointF(bar.hint_x(0) - bar.width() / 4, 6))
    assert fill(window).stops[0].hint == pytest.approx(0.25, abs=0.03)


def test_a_pattern_gets_inks_tone_and_a_picture(open_window, qtbot, tmp_path, settle):
    window = open_window(STYLED)
    made = page(window, Pattern)
    controls = made.fields.controls
    controls["generator"].edited.emit("planks", None)
    controls["inks"]._add()
    controls["inks"]._turn_into("letter")
    assert fill(window).inks[-1] == Ink("letter")
    tone = controls["tone"]
    tone._added(1 + list(OPERATIONS).index(Invert))
    tone._added(1 + list(OPERATIONS).index(GradientMap))
    assert [type(op) for op in fill(window).tone] == [Invert, GradientMap]
    tone.rows[1].raised.emit()
    assert [type(op) for op in fill(window).tone] == [GradientMap, Invert]
    qtbot.mouseClick(tone.rows[1].toggle, LEFT)
    assert not fill(window).tone[1].on
    tone.rows[0].removed.emit()
    assert [type(op) for op in fill(window).tone] == [Invert]
    made.picture.add_file(picture(tmp_path))
    settle(window)
    assert fill(window).asset == window.document.board.assets[0].sha


def test_the_backdrop_names_the_pieces_below(open_window):
    window = open_window(STYLED)
    seen = page(window, Backdrop).fields.controls["of"]
    assert [seen.box.itemText(n) for n in range(seen.box.count())] == [
        "everything beneath",
        "the ground alone",
    ]
    seen.box.activated.emit(0)
    assert fill(window).of == "beneath"


def drop(window, path):
    mime = QMimeData()
    mime.setUrls([QUrl.fromLocalFile(str(path))])
    window.dropEvent(
        QDropEvent(
            QPointF(400, 300), Qt.DropAction.CopyAction, mime, LEFT, Qt.KeyboardModifier.NoModifier
        )
    )


def test_a_dropped_picture_becomes_the_ground_or_fills_the_letters(open_window, tmp_path, settle):
    window = open_window(STYLED)
    window.show_stage(Stage.ARRANGE)
    drop(window, picture(tmp_path))
    settle(window)
    window.status.answers[0].click()
    assert isinstance(window.document.board.pieces[0].paint, ImagePaint)
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "f")
    drop(window, picture(tmp_path))
    settle(window)
    assert isinstance(fill(window), ImagePaint)
    assert len(window.document.board.assets) == 1
    before = window.document.board
    (tmp_path / "bad.png").write_bytes(b"no picture")
    drop(window, tmp_path / "bad.png")
    settle(window)
    assert window.document.board == before
    assert "bad.png" in window.status.text.text()


RAMP = (Stop(0, Colour(0, 0, 0)), Stop(1, Colour(255, 255, 255)))
HELD = [
    (Gradient(stops=RAMP), "end", (150, 20)),
    (Gradient(stops=RAMP, angle=60), "start", (60, 130)),
    (Gradient(stops=RAMP, shape="radial"), "middle", (90, 60)),
    (Gradient(stops=RAMP, shape="radial", x=0.2, y=-0.1), "end", (250, 100)),
    (Gradient(stops=RAMP, shape="conic", x=0.1), "middle", (200, 100)),
    (Pattern(angle=20, size=Length(40)), "move", (130, 70)),
    (Pattern(size=Length(40)), "turn", (210, 130)),
    (ImagePaint(), "move", (140, 60)),
    (ImagePaint(angle=15, x=0.1), "turn", (200, 120)),
    (Backdrop(), "move", (100, 50)),
]


@pytest.mark.parametrize(("made", "kind", "to"), HELD)
def test_a_grip_goes_where_it_is_pulled(made, kind, to):
    frame = (20.0, 30.0, 300.0, 150.0)
    others = {g.kind: (g.x, g.y) for g in handles(made, Laying(frame)) if g.kind != kind}
    after = pulled(made, Laying(frame), kind, *to)
    found = {g.kind: (g.x, g.y) for g in handles(after, Laying(frame))}
    assert found[kind] == pytest.approx(to, abs=0.6)
    if kind in ("end", "turn", "start") and made.__struct_config__.tag != "gradient":
        assert found[next(iter(others))] == pytest.approx(next(iter(others.values())), abs=0.6)
    if isinstance(made, Gradient) and made.shape == "radial" and kind == "end":
        assert found["middle"] == pytest.approx(others["middle"], abs=0.6)


def test_a_gradient_is_pulled_on_the_board_as_one_step(open_window, settle):
    window = open_window(board(Fill(id="f", paint=Gradient(stops=RAMP)), text="HO", size=120))
    window.show_stage(Stage.COAT)
    settle(window)
    grip, spot = window.tools.coat_paint._grips()[-1]
    assert grip.kind == "end"
    pull(window.view, spot, QPointF(60, -40))
    assert window.selection.lettering.style[0].paint.angle != 180
    assert [s.name for s in window.document.history.steps] == ["Open", "Move the paint"]
    settle(window)
    assert window.view.frame.board == window.document.board


def test_a_picture_file_is_looked_at_before_it_is_taken(tmp_path):
    from anole.studio.rendering.small_pictures import small_picture as miniature

    assert miniature("0" * 64) is None
    room = io.BytesIO()
    Image.fromarray(np.zeros((900, 10, 3), np.uint8)).save(room, "PNG")
    from anole.core import assets

    assert miniature(assets.put(room.getvalue())).shape == (320, 3, 4)
