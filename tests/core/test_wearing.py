"""Styles put on, changed, carried on, stripped back: and what is left when they are taken off."""

from __future__ import annotations

import msgspec
import pytest
from hypothesis import given
from hypothesis import strategies as st

from anole.core.edit.clusters import make_cluster
from anole.core.edit.coats import change_coat
from anole.core.edit.lengths_in_em import fixed_lengths, lengths_in_em
from anole.core.edit.pieces import change_piece
from anole.core.edit.wearing import (
    add_coats,
    cut_loose,
    is_changed,
    put_style,
    reach,
    style_of,
    wear_as,
    wearers,
)
from anole.core.history import History
from anole.core.library.styles import built_in, digest
from anole.core.model import (
    Board,
    Fill,
    Length,
    Lettering,
    Place,
    Pose,
    Position,
    Rail,
    Relief,
    Setting,
    Shadow,
    Span,
    Stroke,
    Style,
)

STYLES = st.sampled_from([stored.style for stored in built_in()])
ARCHED = Setting(tracking=40.0, head=Rail(camber=0.3), pose=Pose(turn_y=25.0))


def words(number: int = 1, **fields) -> Lettering:
    return Lettering(id=f"w{number}", text="Lap", place=Place(x=90, y=60), **fields)


def on(*pieces: Lettering) -> Board:
    return Board(width=200, height=120, pieces=pieces or (words(),))


def dressed(board: Board, piece: str, style: Style) -> Board:
    return put_style(board, piece, style, digest(style.coats))


@given(STYLES, STYLES)
def test_putting_on_and_undoing_is_as_if_nothing_had_been(first, second):
    history = History(dressed(on(), "w1", first))
    before = history.board
    history.push("style", dressed(before, "w1", second))
    history.undo()
    assert history.board == before


@given(STYLES)
def test_what_is_worn_is_the_style_whatever_its_ids(style):
    board = dressed(on(), "w1", style)
    assert style_of(board, "w1", style.name).coats == style_of_coats(style)
    assert not is_changed(board.coated("w1"))


def style_of_coats(style: Style) -> tuple:
    return tuple(
        msgspec.structs.replace(coat, id=f"coat-{n}") for n, coat in enumerate(style.coats, 1)
    )


def test_a_changed_coat_is_noticed_and_stripping_back_takes_it_off():
    style = built_in()[0].style
    board = dressed(on(), "w1", style)
    coat = board.coated("w1").style[0]
    changed = change_coat(board, "w1", coat.id, opacity=0.123)
    assert is_changed(changed.coated("w1"))
    back = dressed(changed, "w1", style)
    assert not is_changed(back.coated("w1"))
    assert [c.opacity for c in back.coated("w1").style] == [c.opacity for c in style.coats]


def test_cut_loose_it_keeps_its_coats_and_wears_nothing():
    board = dressed(on(), "w1", built_in()[0].style)
    loose = cut_loose(board, "w1")
    assert loose.coated("w1").style == board.coated("w1").style
    assert loose.coated("w1").worn is None and not is_changed(loose.coated("w1"))


def test_a_changed_style_reaches_those_that_follow_it_and_no_others():
    old = Style(name="club", coats=(Fill(id="f"),))
    new = Style(name="club", coats=(Fill(id="f", opacity=0.5), Stroke(id="s")))
    board = on(words(1), words(2), words(3), words(4), words(5))
    for number in (1, 2, 3):
        board = dressed(board, f"w{number}", old)
    board = dressed(board, "w4", Style(name="other", coats=old.coats))
    # 2 has changes of its own, 3 already is what the style became
    board = change_coat(board, "w2", board.coated("w2").style[0].id, opacity=0.9)
    board = wear_as(put_style(board, "w3", new), "w3", new)
    made, reached, left = reach(board, new)
    assert (reached, left) == (("w1",), ("w2",))
    assert [type(c) for c in made.coated("w1").style] == [Fill, Stroke]
    assert not is_changed(made.coated("w1"))
    for untouched in ("w2", "w3", "w4", "w5"):
        assert made.coated(untouched) == board.coated(untouched)


def test_it_reaches_into_clusters():
    style = Style(name="club", coats=(Fill(id="f"),))
    board = dressed(on(words(1), words(2)), "w1", style)
    board, _ = make_cluster(board, ["w1", "w2"])
    made, reached, _ = reach(board, Style(name="club", coats=(Stroke(id="s"),)))
    assert reached == ("w1",)
    assert [type(c) for c in wearers(made, "club")[0].style] == [Stroke]


def test_some_coats_go_where_their_kind_naturally_lies():
    board = dressed(on(), "w1", Style(name="a", coats=(Shadow(id="s"), Fill(id="f"))))
    made = add_coats(board, "w1", (Relief(id="r"), Stroke(id="k")))
    kinds = [type(coat) for coat in made.coated("w1").style]
    assert sorted(k.__name__ for k in kinds) == ["Fill", "Relief", "Shadow", "Stroke"]
    assert kinds.index(Shadow) == 0 and kinds.index(Relief) > kinds.index(Fill)


# the setting


def test_a_style_brings_its_setting_and_takes_it_away_again():
    plain = Style(name="plain", coats=(Fill(id="f"),))
    posed = msgspec.structs.replace(plain, name="posed", setting=ARCHED)
    start = on(words(tracking=5.0))
    board = dressed(start, "w1", posed)
    piece = board.lettering("w1")
    assert (piece.tracking, piece.head.camber, piece.pose) == (40.0, 0.3, ARCHED.pose)
    assert style_of(board, "w1", "x", setting=True).setting == ARCHED
    after = dressed(board, "w1", plain).lettering("w1")
    assert (after.tracking, after.head, after.pose) == (5.0, Rail(), None)
    # over another posed one the words as they were before the first come back
    twice = dressed(board, "w1", msgspec.structs.replace(posed, name="second"))
    assert dressed(twice, "w1", plain).lettering("w1").tracking == 5.0


def test_a_setting_that_was_changed_by_hand_stays():
    posed = Style(name="posed", coats=(Fill(id="f"),), setting=ARCHED)
    board = change_piece(dressed(on(), "w1", posed), "w1", tracking=77.0)
    after = dressed(board, "w1", Style(name="plain", coats=(Fill(id="f"),))).lettering("w1")
    assert (after.tracking, after.pose) == (77.0, ARCHED.pose)


# lengths


@given(st.floats(0.5, 60), st.sampled_from(["px", "mm", "pt"]), st.floats(20, 400))
def test_a_length_in_em_is_as_long_as_before(wide, unit, size):
    coat = Stroke(id="s", span=Span(from_=Position(-wide, unit), to=Position(0.0, "em")))
    board = on(words(size=Length(size), style=(coat,)))
    assert fixed_lengths((coat,)) == 1
    made = lengths_in_em(board, "w1").coated("w1").style
    assert fixed_lengths(made) == 0
    end = made[0].span.from_
    assert end.unit == "em"
    assert end.px(size) == pytest.approx(coat.span.from_.px(size, board.dpi), abs=size * 1e-5)


def test_built_in_styles_have_no_length_that_stays_as_it_is():
    for stored in built_in():
        assert fixed_lengths(stored.style.coats) == 0, stored.style.name
