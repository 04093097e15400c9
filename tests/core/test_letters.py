"""Letters one by one: colours, frames, own ways, carets; text that nobody expects."""

import time

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.edit.arranging import align, distribute
from anole.core.edit.boards import crop_board
from anole.core.edit.pieces import add_lettering, change_piece
from anole.core.edit.snapping import extent
from anole.core.edit.words import capitals, change_letters, free_letters, replace_text
from anole.core.lettering.caret import (
    caret_lines,
    carets,
    next_cluster,
    next_word,
    place_at,
    whole_clusters,
    word_at,
)
from anole.core.lettering.outline import outline
from anole.core.lettering.shaping import drawable
from anole.core.model import (
    Board,
    Colour,
    Fill,
    FitBox,
    Font,
    Gradient,
    Length,
    LetterPaint,
    Letters,
    OwnLetter,
    Place,
    Stop,
)
from anole.core.render.painted_box import painted_box

from .shapes import board, pixels, sound

RED, BLUE = Colour.parse("#ff0000"), Colour.parse("#0000ff")
IN_TURN = Fill(id="f", paint=LetterPaint())


def inks(made):
    """The opaque colours of a picture over its ground, each as rgb 0/1."""
    planes = pixels(made)
    flat = planes[:3].reshape(3, -1).T
    pure = flat[((flat < 1e-3) | (flat > 1 - 1e-3)).all(1)]
    return {tuple(int(v) for v in c.round()) for c in np.unique(pure.round(3), axis=0)}


def test_letters_are_coloured_in_turn():
    made = board(IN_TURN, text="III", letters=Letters(colours=(RED, BLUE)))
    planes = pixels(made)
    line = planes[:, 90]
    colours = ["r" if r > 0.9 else "b" for r, g, b, _ in line.T if g < 0.05 and max(r, b) > 0.9]
    assert "".join(colours[::8])[0] == "r"
    runs = [c for n, c in enumerate(colours) if n == 0 or colours[n - 1] != c]
    assert runs == ["r", "b", "r"]


@pytest.mark.parametrize(
    ("cycle", "text", "found"),
    [
        ("letter", "II II", {(1, 0, 0), (0, 0, 1)}),
        ("word", "II", {(1, 0, 0)}),
        ("word", "I I", {(1, 0, 0), (0, 0, 1)}),
        ("line", "I I", {(1, 0, 0)}),
        ("line", "I\nI", {(1, 0, 0), (0, 0, 1)}),
    ],
)
def test_colours_change_by_letter_word_or_line(cycle, text, found):
    letters = Letters(colours=(RED, BLUE), cycle=cycle)
    assert inks(board(IN_TURN, text=text, size=60, letters=letters)) == found


def test_a_letter_has_a_colour_a_rise_and_a_growth_of_its_own():
    made = board(IN_TURN, text="III", letters=Letters(colours=(RED,)))
    changed = change_letters(made, "words", [1], colour=BLUE, rise=0.5, grow=0.5)
    assert changed.lettering("words").letters.own == (
        OwnLetter(at=1, colour=BLUE, rise=0.5, grow=0.5),
    )
    before, after = pixels(made), pixels(changed)
    blue = (after[2] > 0.9) & (after[0] < 0.05)
    assert blue.any()
    assert not ((before[2] > 0.9) & (before[0] < 0.05)).any()
    assert np.nonzero(blue)[0].min() < np.nonzero(before[0] > 0.9)[0].min() - 20
    assert free_letters(changed, "words", [1]).lettering("words").letters.own == ()


def test_own_letters_keep_to_their_letters_when_words_change():
    made = change_letters(board(text="ABCD"), "words", [0, 2], colour=RED)
    typed = replace_text(made, "words", 1, 1, "xy")
    assert typed.lettering("words").text == "AxyBCD"
    assert [o.at for o in typed.lettering("words").letters.own] == [0, 4]
    cut = replace_text(typed, "words", 3, 6, "")
    assert [o.at for o in cut.lettering("words").letters.own] == [0]


@pytest.mark.parametrize(("frame", "count"), [("letter", 3), ("word", 2), ("piece", 1)])
def test_a_gradient_runs_over_each_letter_word_or_the_whole(frame, count):
    stops = (Stop(0, Colour(0, 0, 0)), Stop(1, Colour(255, 255, 255)))
    fill = Fill(id="f", paint=Gradient(stops=stops, frame=frame, angle=90))
    row = pixels(board(fill, text="II I", size=110))[0, 90]
    drops = (np.diff(np.where(np.abs(row - 32 / 255) < 0.001, np.nan, row)) < -0.25).sum()
    falls = [n for n in range(1, len(row)) if row[n - 1] > 0.75 and row[n] < 0.2]
    assert len(falls) <= count
    bright = (row > 0.8) & (np.roll(row, 1) <= 0.8)
    assert bright.sum() == count, (drops, bright.sum())


def test_carets_stand_before_every_letter_and_behind_the_last():
    made = board(text="HO\nI", size=60, align="start")
    line = outline(made.lettering("words"), made.dpi)
    places = carets(line.block, "HO\nI")
    assert [(c.at, c.row) for c in places] == [(0, 0), (1, 0), (2, 0), (3, 1), (4, 1)]
    ends = caret_lines(line, places)
    assert (np.diff(ends[:3, 0, 0]) > 5).all()
    for number, (top, foot) in enumerate(ends):
        assert place_at(ends, *((top + foot) / 2 + (0.4, 0))) == number


def test_a_caret_in_hebrew_goes_leftward():
    made = board(text="שלום", font=Font(family="Heebo"))
    line = outline(made.lettering("words"), made.dpi)
    xs = [c.x for c in carets(line.block, "שלום")]
    assert xs == sorted(xs, reverse=True)


def test_words_are_found_round_a_place():
    assert word_at("bout night", 6) == (5, 10)
    assert next_word("bout night", 1, True) == 4
    assert next_word("bout night", 7, False) == 5


def three():
    made = board(text="A", size=30, place=Place(x=40, y=40))
    made, second = add_lettering(made, "BBB", size=Length(50), place=Place(x=150, y=90))
    made, third = add_lettering(made, "C", size=Length(20), place=Place(x=270, y=130))
    return made, ["words", second, third]


@pytest.mark.parametrize(("side", "at"), [("left", 0), ("right", 2), ("top", 1), ("bottom", 3)])
def test_pieces_line_up_on_the_outermost(side, at):
    made, ids = three()
    pick = min if at < 2 else max
    wanted = pick(extent(made.lettering(i), made)[at] for i in ids)
    lined = align(made, ids, side)
    assert [extent(lined.lettering(i), lined)[at] for i in ids] == pytest.approx(
        [wanted] * 3, abs=2e-3
    )


def test_one_piece_lines_up_with_the_board_and_gaps_are_made_equal():
    made, ids = three()
    alone = align(made, ids[:1], "right")
    assert extent(alone.lettering("words"), alone)[2] == pytest.approx(320, abs=2e-3)
    spread = distribute(made, ids, across=True)
    boxes = [extent(spread.lettering(i), spread) for i in ids]
    assert boxes[1][0] - boxes[0][2] == pytest.approx(boxes[2][0] - boxes[1][2], abs=4e-3)
    assert distribute(made, ids[:2], True) == made


def test_a_board_is_cropped_to_a_frame_and_to_what_is_painted():
    made = change_piece(board(Fill(id="f"), text="I", size=60), "ground", shown=False)
    x0, y0, x1, y1 = painted_box(made)
    before = pixels(made)
    assert before[3, y0:y1, x0:x1].sum() == pytest.approx(before[3].sum())
    cropped = crop_board(made, x0, y0, x1, y1)
    assert (cropped.width, cropped.height) == (x1 - x0, y1 - y0)
    np.testing.assert_allclose(pixels(cropped), before[:, y0:y1, x0:x1], atol=1e-5)
    assert painted_box(change_piece(made, "words", text="")) is None


def test_text_nobody_expects_is_kept_and_drawn():
    text = "a\ud800b\x07\u202ec 👩\u200d🚀\ufe0f é́́\u0000"
    made = board(Fill(id="f"), text=text)
    assert sound(pixels(made))
    assert made.lettering("words").text == text
    assert (
        len(carets(outline(made.lettering("words"), 96).block, drawable(text)))
        == len(drawable(text)) + 1
    )


@settings(max_examples=80, deadline=None)
@given(
    st.text(max_size=12),
    st.sampled_from(["Anton", "Cairo", "Great Vibes", "Press Start 2P"]),
    st.sampled_from([1e-3, 0.4, 30.0, 4000.0]),
    st.floats(1e-3, 3),
)
def test_any_text_in_any_size_and_box_is_finite(text, family, size, side):
    made = board(
        IN_TURN,
        text=text,
        font=Font(family=family),
        size=size,
        box=FitBox(width=side * 40, height=side),
        letters=Letters(colours=(RED,)),
    )
    assert sound(pixels(made))
    line = outline(made.lettering("words"), made.dpi)
    assert len(carets(line.block, drawable(text))) == len(drawable(text)) + 1


def test_ten_thousand_coloured_letters_come_to_an_end():
    start = time.monotonic()
    made = board(IN_TURN, text="wheels on " * 1000, size=4, letters=Letters(colours=(RED, BLUE)))
    assert sound(pixels(made))
    assert time.monotonic() - start < 90


# what Unicode's own text gives for clusters (UAX #29, GraphemeBreakTest)
CLUSTERS = {
    "plain": ["a", "b"],
    "decomposed": ["e\u0301", "x", "o\u0308\u0323"],
    "joined emoji": ["👩\u200d🚀", "!", "👍🏽"],
    "flags": ["🇩🇪", "🇫🇷"],
    "hangul": ["\u1100\u1161\u11a8", "\u1100\u1161"],
    "devanagari": ["क्षि", "क"],
    "line": ["a", "\n", "b"],
}


@pytest.mark.parametrize("name", CLUSTERS)
def test_the_caret_goes_by_what_people_take_for_one_character(name):
    parts = CLUSTERS[name]
    text, places = "".join(parts), [0]
    for part in parts:
        places.append(places[-1] + len(part))
    at = 0
    for place in places[1:]:
        at = next_cluster(text, at, True)
        assert at == place
    assert next_cluster(text, at, True) == at
    for place in reversed(places[:-1]):
        at = next_cluster(text, at, False)
        assert at == place
    assert next_cluster(text, 0, False) == 0
    for n in range(len(text) + 1):
        assert whole_clusters(text, n) == max(p for p in places if p <= n)


@pytest.mark.parametrize(
    ("text", "shown", "moved"), [("roll", "ROLL", 2), ("große", "GROSSE", 5), ("ﬁx", "FIX", 2)]
)
def test_in_capitals_letters_keep_what_is_their_own(text, shown, moved):
    board, name = add_lettering(Board(), text)
    last = len(text) - 1 if text != "roll" else 2
    board = change_letters(board, name, [last], turn=20.0)
    made = capitals(board, name).lettering(name)
    assert made.text == shown
    assert [(own.at, own.turn) for own in made.letters.own] == [(moved, 20.0)]
    again = capitals(board, name)
    assert capitals(again, name) == again
