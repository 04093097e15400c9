"""Every paint on every piece that is painted with one: a picture, and none that looks at itself."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest

from anole.core.model import PIECES, Board, Colour, ColourPaint, Ground, OwnPaint
from anole.core.model.paints import PAINTS
from anole.core.pieces.registry import kind_of
from anole.core.render.export import rgba

FIRST = Ground(id="first", paint=ColourPaint(colour=Colour(30, 90, 160)))
EMPTY = Board(width=96, height=64, pieces=(FIRST,))
BEGUN = {
    way.id: (way.example or way.make)(EMPTY)
    for struct in PIECES.members.values()
    if "paint" in struct.__struct_fields__
    for way in kind_of(struct(id="new")).fresh()
}
"""Each way to begin a piece that has a paint."""


def painted(name: str, paint) -> Board:
    made = msgspec.structs.replace(BEGUN[name], id="made", paint=paint)
    return msgspec.structs.replace(EMPTY, pieces=(FIRST, made))


@pytest.mark.parametrize("paint", PAINTS.members.values(), ids=lambda kind: kind.__name__)
@pytest.mark.parametrize("name", BEGUN)
def test_every_paint_on_every_piece(name, paint):
    assert rgba(painted(name, paint())).shape == (64, 96, 4)


@pytest.mark.parametrize("name", BEGUN)
def test_what_a_piece_is_painted_with_sees_nothing_of_it(name):
    """There are no coats beneath its own paint: it is as clear as if it were not there."""
    bare = rgba(EMPTY)
    assert (rgba(painted(name, ColourPaint(colour=Colour(220, 40, 40)))) != bare).any()
    np.testing.assert_array_equal(rgba(painted(name, OwnPaint())), bare)
