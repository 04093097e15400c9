"""Boards from strangers: whatever stands where, a board is read or refused in one line."""

from __future__ import annotations

import copy
import json

import numpy as np
import pytest

from anole.core.coats.registry import KINDS
from anole.core.model import (
    Backdrop,
    Board,
    Fill,
    Gradient,
    ImagePaint,
    Lettering,
    ModelError,
    Pattern,
    Pose,
    Rail,
    from_builtins,
    from_json,
    to_json,
)
from anole.core.render.renderer import Renderer, Request

from .shapes import board

WRONG = (None, True, -1e30, 1e30, 0, "", "\u0000", "none of these", [], [[]], {}, {"kind": "?"})


def full_board() -> Board:
    """Every coat, every paint, and words with all that can be done to them."""
    coats = [struct(id=struct.__name__.lower()) for struct in KINDS]
    paints = (Gradient(), Pattern(), Backdrop(), ImagePaint(asset="0" * 64))
    coats += [Fill(id=f"p{n}", paint=paint) for n, paint in enumerate(paints)]
    return board(*coats, head=Rail(), pose=Pose())


DATA = json.loads(to_json(full_board()))


def places(value, path=()):
    """Every place in a JSON value that something else can be put into."""
    yield path
    items = value.items() if isinstance(value, dict) else ()
    for key, part in [*items, *(enumerate(value) if isinstance(value, list) else ())]:
        yield from places(part, (*path, key))


def edited(path, edit, data=DATA):
    """A copy with the container of a place changed; all that does not lead there is shared."""
    fresh = copy.copy(data)
    if len(path) == 1:
        edit(fresh)
    else:
        fresh[path[0]] = edited(path[1:], edit, data[path[0]])
    return fresh


def put(path, value):
    return edited(path, lambda at: at.__setitem__(path[-1], value))


def without(path):
    return edited(path, lambda at: at.__delitem__(path[-1]))


def what_it_is(path) -> tuple:
    """The same for places that hold the same field of the same kind of thing."""
    kinds, at = [], DATA
    for key in path:
        if isinstance(at, dict):
            kinds.append(at.get("kind", ""))
        at = at[key]
    named = [key for key in path if isinstance(key, str)]
    return (*kinds[-1:], *named[-2:])


ALL_PLACES = [path for path in places(DATA) if path]
PLACES = list({what_it_is(path): path for path in ALL_PLACES}.values())
"""One place of each sort: fields of equal structs are read by the same code."""


@pytest.mark.parametrize("wrong", WRONG, ids=repr)
def test_wrong_values_are_refused_in_one_line_or_make_a_board(wrong):
    """A refusal says where; what is taken is a board that goes through a file unchanged."""
    refused = 0
    for path in PLACES:
        try:
            made = from_builtins(put(path, wrong), Board)
        except ModelError as error:
            refused += 1
            assert len(str(error).splitlines()) == 1
            assert "$" in str(error), f"{path}: {error}"
        else:
            assert from_json(to_json(made), Board) == made
    assert refused > len(PLACES) / 4


def test_a_board_lacking_anything_is_read_or_refused():
    refused = []
    for path in PLACES:
        try:
            from_builtins(without(path), Board)
        except ModelError as error:
            assert len(str(error).splitlines()) == 1
            refused.append(path[-1])
    assert "id" in refused
    assert "opacity" not in refused


@pytest.mark.parametrize("field", ["opacity", "width", "dpi", "x", "size", "tracking"])
@pytest.mark.parametrize("number", ["NaN", "Infinity", "-Infinity", "1e999"])
def test_numbers_that_are_none(field, number):
    text = to_json(full_board())
    start = text.index(f'"{field}":'.encode()) + len(field) + 3
    end = start + min(n for n in (text.find(c, start) for c in (b",", b"}")) if n > 0) - start
    with pytest.raises(ModelError):
        from_json(text[:start] + number.encode() + text[end:], Board)


TEXTS = ["", " ", "\n\n", "\u202e", "\u0301" * 60, "\U0001f3d2", "\ud7ff\ufffd", "\t", "a" * 2000]


@pytest.mark.parametrize("text", TEXTS, ids=lambda t: repr(t)[:12])
def test_every_coat_on_strange_words_makes_a_picture(text):
    coats = tuple(struct(id=struct.__name__) for struct in KINDS)
    made = board(*coats, text=text, size=60)
    planes = Renderer().frame(Request(made)).ground
    assert planes.shape == (4, made.height, made.width)
    assert np.isfinite(planes).all()
    assert planes.min() >= 0
    assert planes.max() <= 1 + 1e-5


@pytest.mark.parametrize("size", [0.5, 1.0, 3.0, 1500.0])
def test_every_coat_on_words_of_any_size_makes_a_picture(size):
    coats = [struct(id=struct.__name__) for struct in KINDS]
    # those that look at what is painted ask for it anew: together they would take the longest
    looking = [c for c in coats if KINDS[type(c)].reworks(c) or KINDS[type(c)].left_out_of]
    plain = [c for c in coats if c not in looking]
    for some in (plain, [Fill(id="f"), *looking]):
        planes = Renderer().frame(Request(board(*some, size=size))).ground
        assert np.isfinite(planes).all()


def test_words_without_outlines_leave_the_board_as_it_is():
    coats = tuple(struct(id=struct.__name__) for struct in KINDS)
    bare, worn = board(text=" "), board(*coats, text=" ")
    plain = Renderer().frame(Request(bare)).ground
    assert np.array_equal(Renderer().frame(Request(worn)).ground, plain)
    assert isinstance(worn.coated("words"), Lettering)
