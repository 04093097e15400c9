"""Several pieces at once, cropping, the font picker with many fonts, files dropped on the window."""

import time

import pytest
from PyQt6.QtCore import QMimeData, QPointF, Qt, QUrl
from PyQt6.QtGui import QDropEvent

from anole.core.edit.pieces import add_lettering
from anole.core.edit.snapping import extent
from anole.core.lettering import fonts
from anole.core.model import Fill, Length, Place

from ..core import made_fonts
from ..core.shapes import board, paint
from .test_by_hand import pull

LEFT, SHIFT = Qt.MouseButton.LeftButton, Qt.KeyboardModifier.ShiftModifier


@pytest.fixture
def no_font_stays():
    yield
    fonts._at_hand.carried, fonts._at_hand.system = {}, ()
    fonts._at_hand.changed()


@pytest.fixture
def three(open_window):
    made = board(Fill(id="f", paint=paint("#fff")), text="A", size=40, place=Place(x=40, y=50))
    for text, x, y in (("B", 150, 90), ("C", 280, 120)):
        made, _ = add_lettering(
            made, text, size=Length(40), place=Place(x=x, y=y), style=(Fill(id=text),)
        )
    return open_window(made)


def words(window):
    return [p for p in window.document.board.pieces if hasattr(p, "text")]


def at(window, piece):
    return window.view.transform_now().to_widget(piece.place.x, piece.place.y)


def test_pieces_chosen_with_shift_move_and_line_up_together(three, qtbot):
    a, b, _ = words(three)
    qtbot.mouseClick(three.view, LEFT, pos=at(three, a).toPoint())
    qtbot.mouseClick(three.view, LEFT, SHIFT, at(three, b).toPoint())
    assert set(three.selection.ids) == {a.id, b.id}
    three.view.setFocus()
    qtbot.keyClick(three.view, Qt.Key.Key_Right, SHIFT)
    moved = words(three)
    assert [m.place.x - o.place.x for m, o in zip(moved, (a, b), strict=False)] == [10, 10]
    three.arrange.section("place").several.buttons["bottom"].click()
    feet = [extent(p, three.document.board)[3] for p in words(three)[:2]]
    assert feet[0] == pytest.approx(feet[1], abs=2e-3)


def test_a_net_over_the_board_chooses_what_it_touches(three):
    corner = three.view.transform_now().to_widget(2, 2)
    far = three.view.transform_now().to_widget(318, 178)
    pull(three.view, corner, far - corner)
    assert len(three.selection.ids) == 3
    three.arrange.section("place").several.buttons["across"].click()
    boxes = [extent(p, three.document.board) for p in words(three)]
    assert boxes[1][0] - boxes[0][2] == pytest.approx(boxes[2][0] - boxes[1][2], abs=4e-3)
    three.actions_by_id["duplicate"].trigger()
    assert len(words(three)) == 6
    three.actions_by_id["delete"].trigger()
    assert len(words(three)) == 3


def test_the_board_is_cropped_to_a_dragged_frame(three, qtbot):
    three.selection.choose("ground")
    qtbot.mouseClick(three.arrange.board.to_frame, LEFT)
    qtbot.wait(20)
    now = three.view.transform_now()
    start, end = now.to_widget(100, 40), now.to_widget(220, 140)
    pull(three.view, start, end - start)
    made = three.document.board
    assert made.width == pytest.approx(120, abs=2)
    assert made.height == pytest.approx(100, abs=2)
    assert words(three)[1].place.x == pytest.approx(50, abs=2)
    three.document.undo()
    assert three.document.board.width == 320


def test_fonts_are_kept_ordered_and_found_again(three, qtbot, settle):
    picker = three.arrange.section("words").fonts
    three.selection.choose("words")
    picker.order.setCurrentText("thick stems first")
    picker.order.activated.emit(0)
    qtbot.waitUntil(lambda: len(picker.stems) >= len(picker._all), timeout=60_000)
    stems = [picker.stems[row.family] for row in picker.model.rows]
    assert stems == sorted(stems, reverse=True)
    picker.toggle_favourite("Rye")
    picker.kind.setCurrentText("favourites")
    picker.refill()
    assert [row.family for row in picker.model.rows] == ["Rye"]
    picker.list.clicked.emit(picker.model.index(0))
    picker.kind.setCurrentText("recently used")
    picker.refill()
    assert [row.family for row in picker.model.rows] == ["Rye"]


def test_five_hundred_fonts_are_listed_and_only_the_seen_ones_drawn(
    three, settle, qtbot, no_font_stays
):
    base = fonts.find(three.selection.lettering.font)[0]
    fonts.take_system([base._replace(family=f"Plank {n:03}") for n in range(500)])
    three.arrange.section("words").fonts.fonts_came()
    picker = three.arrange.section("words").fonts
    start = time.monotonic()
    picker.grab()
    assert picker.model.rowCount() > 500
    settle(three)
    picker.grab()
    settle(three)
    assert 0 < len(picker.images) < 40
    assert time.monotonic() - start < 20
    picker.list.scrollToBottom()
    picker.grab()
    settle(three)
    assert "Plank 499" in picker.images


def drop(window, *paths):
    mime = QMimeData()
    mime.setUrls([QUrl.fromLocalFile(str(p)) for p in paths])
    event = QDropEvent(
        QPointF(400, 300), Qt.DropAction.CopyAction, mime, LEFT, Qt.KeyboardModifier.NoModifier
    )
    window.dropEvent(event)


def test_a_dropped_font_is_used_at_once_and_saved_with_the_board(
    three, tmp_path, no_font_stays, settle
):
    path = tmp_path / "plank.ttf"
    path.write_bytes(made_fonts.featured())
    three.selection.choose("words")
    drop(three, path)
    settle(three)
    assert three.selection.lettering.font.family == "Plank Sans"
    assert three.arrange.section("words").fonts.model.rows[0].family == "Plank Sans"
    assert [a.name for a in three.document.board.fonts] == ["plank.ttf"]
    offers = three.arrange.section("words").details
    offers.unfold(True)
    settle(three)
    assert set(offers.controls) == {"feature liga", "feature ss01"}
    offers.controls["feature ss01"].edited.emit(True, None)
    assert three.selection.lettering.font.features.pairs == (("ss01", 1.0),)


def test_a_dropped_file_that_is_no_font_is_said(three, tmp_path, settle):
    path = tmp_path / "bad.ttf"
    path.write_bytes(b"no font")
    before = three.document.board
    drop(three, path, tmp_path / "readme.txt")
    settle(three)
    assert three.document.board == before
    assert "bad.ttf" in three.status.text.text()
