"""What else is chosen on the start page: the ground, a picture on it, the font; and files dropped there."""

from __future__ import annotations

import cv2
import numpy as np
import pytest
from PyQt6.QtCore import QMimeData, QPointF, Qt, QUrl
from PyQt6.QtGui import QDropEvent, QGuiApplication

from anole.core import assets
from anole.core.model import Colour, ColourPaint, Font, ImagePaint
from anole.core.render.export import rgba
from anole.studio.documents.purposes import PURPOSES
from anole.studio.shared.shell import Stage
from anole.studio.start.beginning import Beginning, dressed_board
from anole.studio.start.ground_row import COLOURS, HOLDER

LEFT = Qt.MouseButton.LeftButton


@pytest.fixture
def window(open_window):
    window = open_window()
    window.show_start()
    return window


@pytest.fixture
def photo(tmp_path):
    path = tmp_path / "harbour.png"
    pixels = np.zeros((90, 160, 3), np.uint8)
    pixels[:, :, 1] = np.linspace(0, 255, 160, dtype=np.uint8)
    cv2.imwrite(str(path), pixels)
    return path


def drop(window, *paths):
    mime = QMimeData()
    mime.setUrls([QUrl.fromLocalFile(str(path)) for path in paths])
    event = QDropEvent(
        QPointF(600, 400), Qt.DropAction.CopyAction, mime, LEFT, Qt.KeyboardModifier.NoModifier
    )
    window.dropEvent(event)


def ground(window):
    return window.document.board.pieces[0].paint


def take_marked(window, settle):
    settle(window)
    window.start.wall.take()
    settle(window)


def test_a_dropped_picture_is_the_ground_of_every_tile_and_of_the_board(window, photo, settle):
    settle(window)
    name = window.start.wall.stored_style.style.name
    before = window.start.wall.picture(name)
    drop(window, photo)
    settle(window)
    page = window.start
    assert page.isVisible() and page.ground.picture.text() == "harbour.png"
    assert page.wall.picture(name) != before
    # a tile is the very board that a click opens
    start, style = page.beginning, page.wall.stored_style.style
    board = dressed_board(page.text, start, style)
    assert isinstance(board.pieces[0].paint, ImagePaint) and board.assets[0].name == "harbour.png"
    corner = rgba(board, 0.1)[3, :, 1]
    assert (np.diff(corner.astype(int)) >= -3).all() and corner[-1] > 200
    take_marked(window, settle)
    assert isinstance(ground(window), ImagePaint)
    assert window.document.board.assets[0].sha == start.ground.sha
    window.document.undo()
    assert isinstance(ground(window), ColourPaint)


def test_a_picture_is_held_while_no_board_carries_it(window, photo, settle):
    window.start.take_files([photo])
    settle(window)
    assert assets.held_by(HOLDER) == {window.start.ground.ground.sha}
    window.start.ground.away.click()
    assert not assets.held_by(HOLDER) and window.start.beginning.ground is None
    assert window.start.ground.picture.text() == "Picture…"


@pytest.mark.parametrize("as_file", [True, False])
def test_a_picture_is_pasted_and_words_still_go_into_the_field(
    window, photo, settle, qtbot, as_file
):
    clipboard, mime = QGuiApplication.clipboard(), QMimeData()
    if as_file:
        mime.setUrls([QUrl.fromLocalFile(str(photo))])
    else:
        mime.setData("image/png", photo.read_bytes())
    clipboard.setMimeData(mime)
    qtbot.keyClick(window.start.words, Qt.Key.Key_V, Qt.KeyboardModifier.ControlModifier)
    settle(window)
    assert isinstance(window.start.beginning.paint, ImagePaint)
    clipboard.setText("OWL LIGHT")
    qtbot.keyClick(window.start.words, Qt.Key.Key_V, Qt.KeyboardModifier.ControlModifier)
    assert window.start.words.toPlainText() == "OWL LIGHT"


def test_a_colour_is_the_ground(window, settle, qtbot):
    swatches = window.start.ground.swatches
    qtbot.mouseClick(swatches, LEFT, pos=swatches.box(3).center().toPoint())
    assert window.start.beginning.ground == COLOURS[3] and swatches.marked == 3
    qtbot.keyClick(swatches, Qt.Key.Key_Right)
    assert swatches.marked == 4
    window.start.ground.colour.edited.emit(Colour(1, 2, 3), None)
    assert swatches.marked == -1
    take_marked(window, settle)
    assert ground(window) == ColourPaint(colour=Colour(1, 2, 3))


def test_an_empty_board_has_the_ground_too(window, qtbot, settle):
    window.start.ground.colour.edited.emit(Colour(1, 2, 3), None)
    qtbot.keyClick(window.start.words, Qt.Key.Key_Escape)
    assert ground(window) == ColourPaint(colour=Colour(1, 2, 3))
    assert len(window.document.board.pieces) == 1


def test_fonts_are_shown_in_the_users_words_and_taken(window, settle, qtbot):
    strip = window.start.fonts
    qtbot.keyClicks(window.start.words, "OWLS")
    qtbot.wait(200)
    settle(window)
    seen = [
        n
        for n in range(strip.count())
        if strip.visualItemRect(strip.item(n)).intersects(strip.viewport().rect())
    ]
    rows = [strip.item(n).data(Qt.ItemDataRole.UserRole) for n in seen]
    assert len(rows) >= 5 and rows[0].family == Font().family
    assert all(not strip.images[row.family].isNull() for row in rows)
    assert window.start.beginning.font is None
    qtbot.mouseClick(strip.viewport(), LEFT, pos=strip.visualItemRect(strip.item(3)).center())
    assert window.start.beginning.font.family == rows[3].family
    take_marked(window, settle)
    assert window.selection.lettering.font.family == rows[3].family
    # as large as the board has room for in that font
    fresh = dressed_board(
        "OWLS", Beginning(PURPOSES[0], font=rows[3].font), window.styles.entries[0].style
    )
    assert fresh.pieces[1].box.width == pytest.approx(
        window.selection.lettering.box.width, rel=0.01
    )


def test_a_table_begins_a_series(window, settle, tmp_path):
    path = tmp_path / "bouts.csv"
    path.write_text("title,day\nQuay Cup,Friday\nMarsh Cup,Sunday\n")
    drop(window, path)
    settle(window)
    assert window.pages.currentWidget() is window.series
    board = window.document.board
    words = board.pieces[-1]
    assert words.text == "Quay\nCup" or words.text == "Quay Cup"
    assert words.name == "title" and words.worn is not None
    assert board.series.columns == ("title", "day") and len(board.series.rows) == 2
    assert [(one.column, one.piece) for one in board.series.bindings] == [("title", words.id)]


def test_a_table_dropped_on_a_board_is_its_series(open_window, settle, tmp_path):
    window = open_window()
    path = tmp_path / "bouts.csv"
    path.write_text("title\nQuay Cup\n")
    drop(window, path)
    settle(window)
    assert window.pages.currentWidget() is window.series
    assert window.document.board.series.rows == (("Quay Cup",),)


def test_boards_fonts_and_what_is_no_picture_do_what_they_do_everywhere(
    window, settle, tmp_path, qtbot
):
    bad = tmp_path / "bad.png"
    bad.write_bytes(b"no picture")
    drop(window, bad)
    settle(window)
    assert "bad.png" in window.status.text.text() and window.start.beginning.ground is None
    path = tmp_path / "one.anole"
    assert window.files.save_to(path)
    drop(window, path)
    qtbot.waitUntil(lambda: window.document.path == path)
    settle(window)
    assert window.pages.currentIndex() == 0 and window.stage == Stage.ARRANGE
