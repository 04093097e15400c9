"""Every paint on every piece that is painted with one: a picture, and none that looks at itself."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest

from anole.core.model import PIECES, Board, Colour, ColourPaint, Ground, OwnPaint
from anole.core.model.paints import PAINTS
from anole.core.pieces.registry import kind_of
from anole.core.render.export import rgba

PAINTED = [kind for kind in PIECES.members.values() if "paint" in kind.__struct_fields__]
FIRST = Ground(id="first", paint=ColourPaint(colour=Colour(30, 90, 160)))


def painted(kind: type, paint, **fields) -> Board:
    """A board of a ground and a fresh piece of the kind in a paint."""
    board = Board(width=96, height=64, pieces=(FIRST,))
    fresh = kind_of(kind(id="new")).fresh()
    made = fresh[0].make(board) if fresh else kind(id="new")
    return msgspec.structs.replace(
        board, pieces=(FIRST, msgspec.structs.replace(made, id="made", paint=paint, **fields))
    )


@pytest.mark.parametrize("paint", PAINTS.members.values(), ids=lambda kind: kind.__name__)
@pytest.mark.parametrize("kind", PAINTED, ids=lambda kind: kind.__name__)
def test_every_paint_on_every_piece(kind, paint):
    assert rgba(painted(kind, paint())).shape == (64, 96, 4)


@pytest.mark.parametrize("kind", PAINTED, ids=lambda kind: kind.__name__)
def test_what_a_piece_is_painted_with_sees_nothing_of_it(kind):
    """There are no coats beneath its own paint: it is as clear as if it were not there."""
    board = painted(kind, OwnPaint())
    bare = msgspec.structs.replace(board, pieces=(FIRST,))
    np.testing.assert_array_equal(rgba(board), rgba(bare))
