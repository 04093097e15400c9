"""The whole way: words, coats, a band pulled, a style kept and put on, a file, a picture."""

import numpy as np
from PIL import Image
from PyQt6.QtCore import QPointF, Qt

from anole.core.edit.boards import as_stored
from anole.core.files import board_file
from anole.core.library import styles
from anole.core.render.export import rgba
from anole.studio.arrange.tools.pulling import SNAP
from anole.studio.documents.board_files import new_board
from anole.studio.shared.shell import Stage

from .tiles import click_tile

LEFT = Qt.MouseButton.LeftButton


def test_the_whole_way(open_window, qtbot, settle, drag, tmp_path):
    window = open_window(new_board(640, 360))
    document, selection = window.document, window.selection

    # words, typed
    qtbot.keyClick(window, Qt.Key.Key_T, Qt.KeyboardModifier.ControlModifier)
    assert selection.lettering.text == "New words"
    qtbot.keyClicks(window.arrange.section("words").words, "ROLL")
    assert selection.lettering.text == "ROLL"
    first = selection.piece_id

    # moved by hand on the board
    settle(window)
    place = selection.lettering.place
    spot = window.view.transform_now().to_widget(place.x, place.y)
    drag(window.view, spot, spot + QPointF(-50, -30))
    moved = selection.lettering.place
    zoom = window.view.transform_now().zoom
    assert abs(moved.x - (place.x - 50 / zoom)) < 1.5 + SNAP / zoom
    assert abs(moved.y - (place.y - 30 / zoom)) < 1.5 + SNAP / zoom

    # coats, added
    qtbot.mouseClick(window.top.stages.button(Stage.COAT), LEFT)
    # instead of the plain ones that new words wear
    while selection.lettering.style:
        qtbot.keyClick(window.build_up, Qt.Key.Key_Delete)
    for tag in ("fill", "stroke", "shadow"):
        qtbot.mouseClick(window.under_build_up.add, LEFT)
        click_tile(qtbot, window.beside.sheet.tiles, f"coat:{tag}")
    kinds = [coat.__struct_config__.tag for coat in selection.lettering.style]
    assert kinds == ["shadow", "stroke", "fill"]

    # a band's end pulled outward
    stroke = selection.lettering.style[1]
    selection.choose(first, stroke.id)
    settle(window)
    build_up = window.build_up
    state = build_up.state()
    row = state.rows[1]
    x = state.handles(stroke)[0]
    steps = len(document.history.steps)
    drag(build_up, QPointF(x, row.center().y()), QPointF(x - 22, row.center().y()))
    pulled = selection.lettering.style[1].span
    assert pulled.from_.value < stroke.span.from_.value - 0.01
    assert pulled.from_.unit == "em"
    assert pulled.to == stroke.span.to
    assert len(document.history.steps) == steps + 1

    # a band pulled up to re-order, and back by undo
    state = build_up.state()
    at = QPointF(80, state.rows[1].center().y())
    drag(build_up, at, at - QPointF(0, state.rows[1].height()))
    assert [c.__struct_config__.tag for c in selection.lettering.style] == [
        "shadow",
        "fill",
        "stroke",
    ]
    qtbot.keyClick(window, Qt.Key.Key_Z, Qt.KeyboardModifier.ControlModifier)
    assert [c.__struct_config__.tag for c in selection.lettering.style] == kinds

    # the style kept, by name
    qtbot.mouseClick(window.shelf.save, LEFT)
    qtbot.keyClicks(window.shelf.name, "Roll Call")
    qtbot.keyClick(window.shelf.name, Qt.Key.Key_Return)
    assert styles.find("Roll Call").coats
    chip = window.shelf.row.reveal("Roll Call")

    # put on a second lettering
    window.show_stage(Stage.ARRANGE)
    qtbot.keyClick(window, Qt.Key.Key_T, Qt.KeyboardModifier.ControlModifier)
    second = selection.piece_id
    assert second != first
    window.show_stage(Stage.COAT)
    settle(window)
    chip = window.shelf.row.reveal("Roll Call")
    qtbot.mouseClick(chip, LEFT)
    worn = document.board.lettering(second)
    assert worn.worn.name == "Roll Call"
    assert styles.digest(worn.style) == styles.digest(document.board.lettering(first).style)

    # a picture, a file, and the same pixels after opening it again
    window.show_stage(Stage.PROOF)
    picture, path = tmp_path / "roll.png", tmp_path / "roll.anole"
    window.writing.to(picture)
    qtbot.waitUntil(lambda: window.writing.job is None, timeout=60_000)
    assert window.files.save_to(path)
    written = np.asarray(Image.open(picture).convert("RGBA"))
    again = board_file.read(path).board
    assert again == as_stored(document.board)
    assert (rgba(again) == written).all()
    window.files.open(path)
    settle(window)
    assert document.board == again
    assert path in window.settings.recent
