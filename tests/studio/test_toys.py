"""A coat and a piece that nobody knows, through everything in the window that is for all of them."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPointF, Qt

from anole.core.coats.kinds.fill import plain
from anole.core.model import Board, Colour, Ground, Length, Place
from anole.studio.arrange.tools.handles import handles
from anole.studio.coat.build_up.profile import row_pixels
from anole.studio.commands.pieces import adding
from anole.studio.controls.base.text import TextControl
from anole.studio.shared.shell import Stage

from ..toys import Badge, Hatch, registered
from .tiles import bring, click_tile

LEFT = Qt.MouseButton.LeftButton
BLUE = Colour(20, 40, 220)


@pytest.fixture(autouse=True)
def toys():
    with registered():
        yield


@pytest.fixture
def window(open_window):
    square = Badge(
        id="b",
        name="Badge",
        sides=4,
        width=Length(100),
        place=Place(x=120, y=80),
        style=(plain(BLUE, "face"), Hatch(id="h")),
    )
    return open_window(Board(width=320, height=180, pieces=(Ground(id="g"), square)))


def badge(window) -> Badge:
    return window.document.board.piece("b")


def at(window, x: float, y: float) -> QPointF:
    return window.view.transform_now().to_widget(x, y)


def grip(window, kind: str, which: str = "") -> QPointF:
    found = handles(badge(window), window.document.board, window.view.transform_now())
    return next(h.at for h in found if h.kind == kind and h.which == which)


def test_it_is_chosen_and_listed(window):
    assert window.selection.piece_id == "b"
    assert window.pieces.row_of("b").piece.name == "Badge"
    assert not window.pieces.images["b"].isNull()
    assert window.arrange.head.text() == "Badge"


def test_its_panel_comes_from_the_model(window, qtbot):
    fields = window.arrange.section("fields").panel
    assert list(fields.controls) == ["sides", "width", "motto"]
    fields.controls["sides"].edited.emit(6.0, None)
    assert badge(window).sides == 6
    assert window.document.history.undo_name == "Sides"
    motto = fields.controls["motto"]
    assert isinstance(motto, TextControl)
    motto.line.clear()
    qtbot.keyClicks(motto.line, "Roll")
    qtbot.keyClick(motto.line, Qt.Key.Key_Return)
    assert badge(window).motto == "Roll"
    shape = window.arrange.section("shape").panel
    assert list(shape.controls) == ["corners", "pose"]
    blending = ["opacity", "blend", "within", "together"]
    assert list(window.arrange.section("blending").panel.controls) == blending


def test_a_coat_that_says_nothing_of_a_field_has_it_in_its_panel(window):
    window.show_stage(Stage.COAT)
    window.selection.choose("b", "h")
    panel = window.coat.panel(Hatch)
    assert panel.isVisible()
    names = list(panel.controls)
    assert names[:3] == ["paint", "strength", "pitch"] and names[3] == "opacity"
    assert list(panel.heads) == ["Paint", "More", "Lines", "Blending"]
    panel.controls["strength"].edited.emit(0.9, None)
    assert badge(window).style[1].strength == 0.9
    assert not panel.controls["plane"].isVisible()


def test_the_board_tools_hold_it(window, drag):
    view = window.view
    drag(view, at(window, 120, 80), at(window, 160, 100))
    assert badge(window).place.x == pytest.approx(160, abs=2)
    before = badge(window)
    drag(
        view,
        grip(window, "corner", "bottom_right"),
        grip(window, "corner", "bottom_right") + QPointF(30, 30),
    )
    assert badge(window).width.value > before.width.value * 1.05
    drag(view, grip(window, "turn"), grip(window, "turn") + QPointF(60, 30))
    assert badge(window).place.rotation > 10
    window.document.undo()
    assert badge(window).place.rotation == 0


def test_keys_and_commands(window, qtbot):
    view, run = window.view, window.actions_by_id
    view.setFocus()
    qtbot.keyClick(view, Qt.Key.Key_Right)
    assert badge(window).place.x == 121
    run["copy"].trigger()
    run["paste"].trigger()
    assert window.selection.piece_id == "badge-1"
    run["duplicate"].trigger()
    assert [p.id for p in window.document.board.pieces][2:] == ["badge-1", "badge-2"]
    run["all"].trigger()
    assert set(window.selection.ids) == {"b", "badge-1", "badge-2"}
    window.arrange.section("place").several.wanted.emit("left")
    assert len({p.place.x for p in window.document.board.pieces if p.id != "g"}) == 1
    run["lock"].trigger()
    assert badge(window).locked
    run["lock"].trigger()
    window.selection.choose("badge-2")
    run["delete"].trigger()
    run["hide"].trigger()
    assert len(window.document.board.pieces) == 3
    run["fit words"].trigger()
    run["undo"].trigger()


def test_the_build_up_and_the_add_menu(window, qtbot, settle):
    window.show_stage(Stage.COAT)
    window.do("add coats")
    tiles = window.beside.sheet.tiles
    bring(tiles, "coat:hatch")
    settle(window)
    assert tiles.image(tiles.index) is not None
    before = {coat.id for coat in badge(window).style}
    click_tile(qtbot, tiles, "coat:hatch")
    fresh = [coat.id for coat in badge(window).style if coat.id not in before]
    assert window.selection.coat_id == fresh[0]
    # hatches are lines: one belongs beneath the face
    assert badge(window).style[0].id == fresh[0]
    state = window.build_up.state()
    assert [kind.id for kind in state.coats] == [fresh[0], "face", "h"]
    import numpy as np

    drawn = row_pixels(badge(window).style[2], state.section, np.linspace(-10, 20, 90))
    assert drawn[:30, 3].max() == 0
    assert window.under_build_up.name.text() == "of Skate"


def test_styles_on_the_shelf(window, qtbot, settle):
    window.show_stage(Stage.COAT)
    window.shelf.search.setText("cup gold")
    settle(window)
    chip = window.shelf.row.reveal("cup gold")
    assert chip.image is not None
    chip.pointed.emit(True)
    assert window.document.shown.piece("b").worn.name == "cup gold"
    chip.pointed.emit(False)
    qtbot.mouseClick(chip, LEFT)
    assert badge(window).worn.name == "cup gold"
    assert window.shelf.save_as("From a badge")


def test_a_file_opens_again_with_it(window, tmp_path, settle):
    path = tmp_path / "badge.anole"
    assert window.files.save_to(path)
    window.files.new(640, 360)
    window.files.open(path)
    settle(window)
    assert badge(window).style[1].strength == 0.5
    assert window.selection.piece_id == "b"


def test_the_proof_shows_it(window, settle):
    window.show_stage(Stage.PROOF)
    settle(window)
    image = window.panels.middle.widget(1).pictures.images[320]
    colour = image.pixelColor(120, 80)
    assert colour.blue() > colour.red()


def test_it_is_offered_wherever_pieces_are_added(window, settle):
    command = next(one for one in adding() if one.id == "badge")
    assert command.title == "Add a badge"
    command.run(window.session)
    settle(window)
    made = window.selection.piece
    assert isinstance(made, Badge) and made.id != "b"
    assert (made.place.x, made.place.y) == (160, 90)
    window.document.undo()
    assert [p.id for p in window.document.board.pieces] == ["g", "b"]
