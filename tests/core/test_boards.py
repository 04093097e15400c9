"""Snapping, the size of the board, and pieces carried to other boards."""

import msgspec
import pytest

from anole.core.edit.boards import change_board, resize_board
from anole.core.edit.clipboard import carried, paste, paste_style
from anole.core.edit.pieces import add_lettering, change_piece
from anole.core.edit.snapping import Guide, extent, guides, snap
from anole.core.model import Board, Fill, ModelError, Place, Shadow

from .shapes import board

MADE = board(Shadow(id="a"), Fill(id="b"))


def test_the_nearest_guide_wins_in_each_direction():
    lines = [Guide(True, 100, "middle"), Guide(True, 107, "third"), Guide(False, 50, "middle")]
    found = snap((80, 10, 110, 40), lines, 8)
    assert (found.dx, found.dy) == (-3, 0)
    assert [g.at for g in found.guides] == [107]
    assert snap((80, 10, 110, 40), lines, 2) == (0, 0, ())
    both = snap((92, 30, 112, 74), lines, 8)
    assert (both.dx, both.dy) == (-2, -2)


def test_guides_are_the_boards_and_the_other_pieces():
    two, fresh = add_lettering(MADE, "Second")
    at = {(g.across, round(g.at)) for g in guides(two, fresh)}
    assert {(True, 160), (False, 90), (True, 107), (True, 9), (False, 171)} <= at
    x0, _, x1, y1 = extent(two.lettering("words"), two)
    assert {(True, round(x0)), (True, round(x1)), (False, round(y1))} <= at
    assert not any(g.name == "Second" for g in guides(two, fresh))


@pytest.mark.parametrize(
    ("anchor", "x", "y"), [("top-left", 160, 90), ("centre", 200, 140), ("bottom-right", 240, 190)]
)
def test_resizing_keeps_what_stands_at_the_anchor(anchor, x, y):
    found = resize_board(MADE, 400, 280, anchor)
    assert (found.width, found.height) == (400, 280)
    place = found.lettering("words").place
    assert (place.x, place.y) == (x, y)


def test_sizes_out_of_range_are_refused():
    for wrong in ({"width": 0}, {"height": 40_000}, {"dpi": 0.0}):
        with pytest.raises(ModelError):
            change_board(MADE, **wrong)


def test_words_are_carried_to_another_board():
    text = carried(MADE.lettering("words"))
    other, fresh = paste(Board(), text, 10)
    found = other.lettering(fresh)
    assert (found.text, found.place.x, len(found.style)) == ("HO", 170, 2)
    twice, second = paste(other, text)
    assert twice.lettering(second).name == "Words 2"
    bare = change_piece(MADE, "words", style=())
    dressed = paste_style(bare, "words", text).lettering("words")
    assert [type(c) for c in dressed.style] == [Shadow, Fill]
    with pytest.raises(ModelError):
        paste(MADE, b'{"kind": "ground"}')


def test_a_pasted_piece_keeps_its_place_where_it_is_not_moved():
    words = msgspec.structs.replace(MADE.lettering("words"), place=Place(x=5, y=6))
    found, fresh = paste(Board(), carried(words))
    assert found.lettering(fresh).place == Place(x=5, y=6)
