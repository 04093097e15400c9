"""Pictures on the board by hand: moved within their frame, sized, replaced."""

from __future__ import annotations

import numpy as np
import pytest
from PIL import Image
from PyQt6.QtCore import QPointF

from anole.core.edit.pieces import change_piece
from anole.core.model import Fill, Length, Picture, Place
from anole.studio.exchange.dropping import use_picture

from ..core.shapes import board


@pytest.fixture
def window(open_window, settle, tmp_path):
    path = tmp_path / "scene.png"
    Image.fromarray(np.arange(120 * 80 * 3, dtype=np.uint8).reshape(80, 120, 3)).save(path)
    window = open_window(board(Fill(id="f"), text="A"))
    use_picture(window.session, path)
    settle(window)
    window.status.escape()
    return window


def picture(window) -> Picture:
    piece = window.selection.piece
    assert isinstance(piece, Picture)
    return piece


@pytest.mark.parametrize("turn", [0.0, 90.0, 30.0])
def test_it_is_moved_within_its_frame_along_the_frame(window, drag, turn):
    piece = picture(window)
    window.document.apply(
        "Turn",
        lambda b: change_piece(b, piece.id, place=Place(x=160, y=90, rotation=turn), zoom=2.0),
    )
    tool, now = window.tools.picture, window.view.transform_now()
    at = tool.mark(now)
    drag(window.view, at, at + QPointF(12, -6))
    moved = tool.mark(now)
    # the picture goes with the pointer, whichever way the frame stands; the frame stays
    assert (moved - at - QPointF(12, -6)).manhattanLength() < 1.5
    assert picture(window).place == Place(x=160, y=90, rotation=turn)
    assert window.document.history.undo_name == "Move within the frame"


def test_a_stretched_one_has_nothing_to_move(window):
    window.document.apply("Fit", lambda b: change_piece(b, picture(window).id, fit="stretch"))
    assert window.tools.picture.mark(window.view.transform_now()) is None


def test_its_frame_is_sized_by_a_corner_in_proportion(window, drag):
    before = picture(window)
    corner = next(h.at for h in window.tools.pulling.handles() if h.which == "bottom_right")
    drag(window.view, corner, corner + QPointF(30, 20))
    after = picture(window)
    assert after.width.value > before.width.value * 1.1
    assert after.width.value / after.height.value == pytest.approx(
        before.width.value / before.height.value, rel=0.01
    )


def test_its_panel_names_the_file_and_sets_the_frame(window):
    section = window.arrange.section("source")
    assert section.choice.value() == picture(window).asset
    panel = window.arrange.section("fields").panel
    panel.controls["width"].edited.emit(Length(77.0), None)
    assert picture(window).width == Length(77.0)
    section.choice.edited.emit("", None)
    assert picture(window).asset == ""
    assert window.tools.pulling.handles() == []
