"""Words that leave the board are told and made to fit it."""

from __future__ import annotations

import msgspec
import pytest

from anole.core.edit.fitting import fit_to_board, ink, leaves
from anole.core.edit.pieces import add_lettering, change_piece
from anole.core.files import board_file
from anole.core.lettering.outline import outline
from anole.core.model import Board, FitBox, Font, Length, Lettering, Place, Pose, Rail
from anole.core.model.nesting import every
from anole.studio.documents.board_files import demo_folder

WIDE = "A NIGHT ON EIGHT SMALL WHEELS"
LONG = "Brinnelmarsh Wheelers and everybody they ever met"

BOARDS = sorted(path.stem for path in demo_folder().glob("*.anole"))


def words(text, **more):
    fields = {
        "font": Font(family="Anton"),
        "size": Length(180),
        "place": Place(x=640, y=360),
        **more,
    }
    return Lettering(id="w", name="w", text=text, **fields)


def board(piece):
    return Board(width=1280, height=720, pieces=(piece,))


BENT = {
    "plain": {},
    "small": {"size": Length(30)},
    "turned": {"place": Place(x=500, y=300, rotation=35)},
    "at the border": {"place": Place(x=1270, y=700)},
    "pinned": {"place": Place(x=1240, y=40, anchor="top-right")},
    "arched": {"head": Rail(camber=0.6), "foot": Rail(camber=0.4)},
    "posed": {"pose": Pose(turn_y=35)},
    "in a large box": {"box": FitBox(width=4000, height=900, fit="fill")},
    "tall": {"size": Length(900)},
}


@pytest.mark.parametrize("how", BENT)
@pytest.mark.parametrize("text", ["HI", WIDE, "three\nlines of\nwords"])
def test_any_words_are_brought_within_the_margins(how, text):
    made = board(words(text, **BENT[how]))
    fitted = fit_to_board(made, "w")
    x0, y0, x1, y1 = ink(fitted.pieces[0], fitted)
    assert -0.5 < x0 < x1 < 1280.5
    assert -0.5 < y0 < y1 < 720.5
    assert not leaves(fitted.pieces[0], fitted)
    # and are no larger than they were
    assert outline(fitted.pieces[0], 96).em <= outline(made.pieces[0], 96).em + 1e-6


def test_words_that_fit_already_stay_as_they_are_and_longer_ones_shrink():
    made = board(words("HI"))
    fitted = fit_to_board(made, "w")
    assert ink(fitted.pieces[0], fitted) == pytest.approx(ink(made.pieces[0], made))
    longer = change_piece(fitted, "w", text=WIDE)
    assert not leaves(longer.pieces[0], longer)


def test_whether_words_leave_is_told_by_their_letters():
    assert leaves(words(WIDE), board(words(WIDE)))
    assert not leaves(words("HI"), board(words("HI")))
    assert not leaves(words(" "), board(words(" ")))
    edge = words("HI", place=Place(x=0, y=360, anchor="left"))
    assert not leaves(edge, board(edge))
    moved = msgspec.structs.replace(edge, place=Place(x=-20, y=360, anchor="left"))
    assert leaves(moved, board(moved))


@pytest.mark.parametrize("size", [(1280, 720), (1000, 1000), (300, 1600)])
def test_new_words_stay_on_the_board_however_long(size):
    made, piece = add_lettering(Board(width=size[0], height=size[1]), "New words")
    for text in (LONG, WIDE * 3, "W" * 200, "one\ntwo\nthree\nfour\nfive\nsix\nseven"):
        longer = change_piece(made, piece, text=text)
        assert not leaves(longer.piece(piece), longer), text


@pytest.mark.parametrize("name", BOARDS)
def test_the_demo_boards_titles_stay_on_them(name):
    made = board_file.read(demo_folder() / f"{name}.anole").board
    for piece in every(made.pieces):
        if isinstance(piece, Lettering):
            assert not leaves(piece, made)
        # words on a ring go on round it
        if isinstance(piece, Lettering) and piece.ring is None:
            longer = change_piece(made, piece.id, text=f"{piece.text} {LONG}")
            assert not leaves(longer.piece(piece.id), longer), piece.name
