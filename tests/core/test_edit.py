"""Operations board -> board, and the history of them."""

import msgspec
import pytest
from hypothesis import given
from hypothesis import strategies as st

from anole.core.coats.kinds.fill import FillKind
from anole.core.coats.registry import lent
from anole.core.edit import coats, pieces
from anole.core.edit.ids import free, taken
from anole.core.history import MOST_STEPS, History
from anole.core.model import Board, Fill, Ground, ModelError, Place, Shadow, Stroke

from .shapes import board

MADE = board(Shadow(id="a"), Stroke(id="b"), Fill(id="c"))


def order(made):
    return [coat.id for coat in made.lettering("words").style]


def test_an_operation_leaves_the_board_it_got():
    before = hash(MADE)
    pieces.change_piece(MADE, "words", text="other")
    coats.remove_coat(MADE, "words", "b")
    assert hash(MADE) == before


@pytest.mark.parametrize(("to", "result"), [(0, "bac"), (1, "abc"), (9, "acb"), (-3, "bac")])
def test_coats_are_put_in_order(to, result):
    assert "".join(order(coats.move_coat(MADE, "words", "b", to))) == result


@pytest.mark.parametrize(("kind", "at"), [("shadow", 1), ("glow", 1), ("stroke", 1), ("fill", 3)])
def test_a_new_coat_goes_where_it_belongs(kind, at):
    made, coat_id = coats.add_coat(MADE, "words", kind)
    assert order(made).index(coat_id) == at
    assert coats.coat_of(made, "words", coat_id).__struct_config__.tag == kind


def test_coats_are_copied_and_removed():
    made, copy = coats.duplicate_coat(MADE, "words", "b")
    assert order(made) == ["a", "b", copy, "c"]
    assert order(coats.remove_coat(made, "words", "b")) == ["a", copy, "c"]


@pytest.mark.parametrize(
    "wrong",
    [
        lambda b: coats.remove_coat(b, "words", "zz"),
        lambda b: coats.change_coat(b, "words", "zz"),
        lambda b: pieces.remove_piece(b, "zz"),
        lambda b: pieces.pin(b, "ground", "top"),
        lambda b: coats.add_coat(b, "words", "lacquer"),
    ],
)
def test_what_is_not_there_raises(wrong):
    with pytest.raises(KeyError):
        wrong(MADE)


@pytest.mark.parametrize(
    "fields", [{"opacity": 2.0}, {"opacity": float("nan")}, {"blend": "shiny"}, {"colour": 1}]
)
def test_wrong_values_are_refused(fields):
    with pytest.raises(ModelError):
        coats.change_coat(MADE, "words", "c", **fields)


def test_words_are_added_copied_ordered_and_removed():
    made, fresh = pieces.add_lettering(MADE, "Second\nline")
    assert made.pieces[-1].name == "Second"
    copied, copy = pieces.duplicate_piece(made, "words")
    assert [p.id for p in copied.pieces] == ["ground", "words", copy, fresh]
    assert copied.lettering(copy).name == "Words 2"
    assert len(taken(copied)) == 4 + 6
    lowest = pieces.move_in_order(copied, fresh, 0)
    assert lowest.pieces[0].id == fresh
    assert len(pieces.remove_piece(lowest, fresh).pieces) == 3


@pytest.mark.parametrize(
    ("anchor", "x", "y"), [("top-left", 9, 9), ("centre", 160, 90), ("right", 311, 90)]
)
def test_a_pin_holds_the_same_point_of_the_board(anchor, x, y):
    place = pieces.pin(MADE, "words", anchor).lettering("words").place
    assert (place.x, place.y, place.anchor) == (x, y, anchor)


@given(st.sets(st.integers(1, 30)), st.integers(1, 5))
def test_free_ids_are_free(used, count):
    made = Board(pieces=tuple(Ground(id=f"g-{n}") for n in used))
    found = free(made, "g", count)
    assert len(set(found)) == count
    assert not set(found) & taken(made)


def step(n):
    place = Place(x=float(n))
    return pieces.change_piece(MADE, "words", place=place)


@given(st.lists(st.sampled_from(["push", "undo", "redo"]), max_size=60))
def test_history_against_a_plain_list(moves):
    history, past, future = History(MADE), [MADE], []
    for n, move in enumerate(moves, 1):
        if move == "push":
            history.push(f"step {n}", step(n))
            past.append(step(n))
            future.clear()
        elif move == "undo" and len(past) > 1:
            future.append(past.pop())
            history.undo()
        elif move == "redo" and future:
            past.append(future.pop())
            history.redo()
        assert history.board == past[-1]
        assert (history.undo_name is None) == (len(past) == 1)
        assert (history.redo_name is None) == (not future)


def test_a_drag_is_one_step():
    history, drag = History(MADE), object()
    for n in range(20):
        history.push("Move", step(n), drag)
    history.push("Move", step(50), object())
    assert len(history.steps) == 3
    history.undo()
    history.undo()
    assert history.board == MADE


def test_a_change_that_changes_nothing_is_no_step():
    history = History(MADE)
    history.push("Nothing", msgspec.structs.replace(MADE))
    assert history.undo_name is None


def test_history_has_an_end_and_can_be_walked():
    history = History(MADE)
    for n in range(MOST_STEPS + 20):
        history.push("Move", step(n))
    assert len(history.steps) == MOST_STEPS
    history.go(3)
    assert history.at == 3
    with pytest.raises(IndexError):
        history.go(MOST_STEPS)


def test_a_coat_cannot_be_registered_twice():
    with pytest.raises(ValueError, match="'Fill' is registered twice"), lent(FillKind()):
        pass
