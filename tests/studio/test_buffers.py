"""Pictures drawn by turns: each shows all that was drawn, whatever it missed."""

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from anole.core.box import EMPTY, Box
from anole.studio.rendering.buffers import Buffers

BOX = Box(3, 5, 23, 17)
parts = st.tuples(st.integers(3, 22), st.integers(5, 16), st.integers(1, 9), st.integers(1, 9)).map(
    lambda p: Box(p[0], p[1], p[0] + p[2], p[1] + p[3]).meet(BOX)
)


@given(st.lists(st.one_of(parts, st.just(EMPTY), st.just(None)), max_size=12))
def test_every_picture_is_whole(changes):
    """None is a picture that was given up; what it changed comes with the next."""
    buffers, truth = Buffers(), np.zeros((12, 20), np.uint32)
    for number, part in enumerate(changes, 1):
        if part is None:
            truth[:] = number
            buffers.lost(BOX)
            continue
        rows, columns = part.slices_in(BOX)
        truth[rows, columns] = number

        def paint(where, into):
            rows, columns = where.slices_in(BOX)
            into[rows, columns] = truth[rows, columns]

        pixels, _ = buffers.draw(BOX, part, paint)
        np.testing.assert_array_equal(pixels, truth)


def test_the_last_picture_stays_while_the_next_is_drawn():
    buffers = Buffers()

    def fill(value):
        def paint(where, into):
            into[:] = value

        return paint

    first, _ = buffers.draw(BOX, BOX, fill(1))
    second, _ = buffers.draw(BOX, BOX, fill(2))
    buffers.draw(BOX, BOX, fill(3))
    assert (first == 1).all()
    assert (second == 2).all()


BOXES = (BOX, Box(8, 9, 28, 21), Box(0, 0, 9, 30))
"""One moved by a few px, and one of another shape."""


@given(st.lists(st.tuples(st.sampled_from(BOXES), st.booleans(), st.integers(0, 3)), max_size=14))
def test_whatever_is_looked_at_next_every_picture_is_whole_and_within_its_box(turns):
    """(box, whether it is given up, how much of it changed): as a view is zoomed and moved."""
    buffers, planes_box = Buffers(), EMPTY
    truth = np.zeros((40, 40), np.uint32)
    for number, (box, given_up, size) in enumerate(turns, 1):
        # as a renderer does: all of another box is new, of the same what differs
        part = box if box != planes_box else Box(box.x0, box.y0, box.x0 + size, box.y0 + size)
        truth[part.y0 : part.y1, part.x0 : part.x1] = number
        if given_up:
            buffers.lost(box)
            planes_box = EMPTY
            continue
        planes_box = box

        def paint(where, into, box=box):
            assert where.meet(box) == where
            rows, columns = where.slices_in(box)
            into[rows, columns] = truth[where.y0 : where.y1, where.x0 : where.x1]

        pixels, _ = buffers.draw(box, part, paint)
        np.testing.assert_array_equal(pixels, truth[box.y0 : box.y1, box.x0 : box.x1])
