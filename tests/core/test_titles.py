"""Titles: the lines they are broken into, and how large they stand on their board."""

from __future__ import annotations

import itertools

import pytest
from hypothesis import given
from hypothesis import strategies as st

from anole.core.edit.fitting import ink
from anole.core.edit.pieces import change_piece
from anole.core.edit.titles import ROOM, add_title, best_lines, broken
from anole.core.library import styles
from anole.core.model import Board
from anole.core.pieces.registry import coated_kind

GOLD = styles.find("cup gold")
words = st.lists(st.text("abcWI", min_size=1, max_size=9), min_size=1, max_size=8)


@given(words, st.integers(1, 8))
def test_the_longest_line_is_as_short_as_any_way_of_breaking_makes_it(given_words, count):
    count = min(count, len(given_words))
    parts = [*(word + " " for word in given_words[:-1]), given_words[-1]]
    lines = broken(parts, count).split("\n")
    assert len(lines) == count
    assert " ".join(lines) == " ".join(given_words)
    ways = []
    for cuts in itertools.combinations(range(1, len(given_words)), count - 1):
        ends = [0, *cuts, len(given_words)]
        ways.append(max(len(" ".join(given_words[a:b])) for a, b in itertools.pairwise(ends)))
    assert max(map(len, lines)) == min(ways)


@pytest.mark.sample(10)
@pytest.mark.parametrize("size", [(1280, 720), (1000, 1000), (1754, 2480), (1500, 200), (60, 900)])
@pytest.mark.parametrize(
    "text",
    ["GO", "ROLLER BOUT", "SATURDAY NIGHT AT THE RINK", "A\nB", "wheel " * 400, "ليلة السباق"],
)
def test_it_fills_the_room_of_its_board_in_the_middle(size, text):
    board, fresh = add_title(Board(width=size[0], height=size[1]), text, GOLD)
    piece = board.lettering(fresh)
    assert piece.text.split() == text.split()
    room = ROOM * min(size)
    x0, y0, x1, y1 = ink(piece, board)
    assert x0 > room - 1 and y0 > room - 1
    assert x1 < size[0] - room + 1 and y1 < size[1] - room + 1
    assert (x0 + x1) / 2 == pytest.approx(size[0] / 2, abs=1)
    assert (y0 + y1) / 2 == pytest.approx(size[1] / 2, abs=1)
    # one of its sides takes most of the room
    assert max((x1 - x0) / (size[0] - 2 * room), (y1 - y0) / (size[1] - 2 * room)) > 0.6


def test_the_lines_chosen_make_the_letters_largest():
    for size in ((1280, 720), (1000, 1000), (1754, 2480)):
        board, fresh = add_title(Board(width=size[0], height=size[1]), "ROLLER BOUT TO NIGHT", GOLD)
        given_words = ["ROLLER", "BOUT", "TO", "NIGHT"]

        def em(text, board=board, fresh=fresh):
            other = change_piece(board, fresh, text=text)
            return coated_kind(other.lettering(fresh)).placement(other.lettering(fresh), 96).em

        every = [
            "".join(w + c for w, c in zip(given_words, (*cuts, ""), strict=True))
            for cuts in itertools.product(" \n", repeat=3)
        ]
        assert em(best_lines(board, fresh)) >= max(map(em, every)) * 0.999


@pytest.mark.parametrize("text", ["A", "SATURDAY NIGHT AT THE RINK", "MMMMMMMMMMMMMMMMMM"])
def test_other_words_stay_within_the_board(text):
    board, fresh = add_title(Board(width=1280, height=720), "ROLLER BOUT", GOLD)
    board = change_piece(board, fresh, text=text)
    x0, y0, x1, y1 = ink(board.lettering(fresh), board)
    assert x0 > -1 and y0 > -1 and x1 < 1281 and y1 < 721


def test_lines_that_somebody_broke_stay():
    board, fresh = add_title(Board(width=1280, height=720), "ONE TWO\nTHREE", GOLD)
    assert board.lettering(fresh).text == "ONE TWO\nTHREE"
    assert board.lettering(fresh).worn.name == "cup gold"
