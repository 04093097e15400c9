"""Spans of px that change: nothing is missed, nothing outside is named; when a board hides all."""

import msgspec
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.compose import dirty_spans
from anole.core.model import Gradient, Stop
from anole.core.render.opaque import opaque
from anole.core.render.renderer import Renderer, Request

from .shapes import board, paint
from .test_render import change_coat, start_board

boxes = st.builds(
    lambda x, y, w, h: Box(x, y, x + w, y + h),
    st.integers(-40, 40),
    st.integers(-40, 40),
    st.integers(1, 900),
    st.integers(1, 6),
)


def shown(found, left=0):
    """The spans as a map of px of their box; each of them in order and apart from the next."""
    box = found.box
    seen = np.zeros((box.height, box.width), bool)
    for y in range(box.height):
        last = box.x0 - left
        for first, end in found.ends[y, : found.many[y]]:
            assert last <= first < end <= box.x1 - left
            seen[y, first + left - box.x0 : end + left - box.x0] = True
            last = end
    return seen


@settings(deadline=None)
@given(boxes, boxes, st.integers(0, 2**32), st.floats(0, 1), st.integers(-5, 5))
def test_every_px_that_is_touched_lies_in_a_run(box, over, seed, share, left):
    random = np.random.default_rng(seed)
    plane = (random.random((over.height, over.width)) < share / 9).astype(np.float32)
    seen = shown(dirty_spans.of([(plane, over)], box, left), left)
    wanted = np.zeros((box.height, box.width), bool)
    both = box.meet(over)
    if not both.empty:
        wanted[both.slices_in(box)] = plane[both.slices_in(over)] != 0
    assert (seen | ~wanted).all()


def test_a_run_ends_near_what_it_holds_and_one_row_may_stand_for_all():
    box = Box(100, 20, 700, 24)
    plane = np.zeros((1, 600), np.float32)
    plane[0, 300:310] = 0.5
    seen = shown(dirty_spans.of([(plane, box)], box))
    assert seen[:, 300:310].all()
    assert seen.sum() <= 4 * 3 * dirty_spans.STEP


def test_all_of_a_box():
    assert shown(dirty_spans.whole(Box(3, 4, 90, 9), 3), 3).all()


def test_a_coat_that_changes_leaves_the_rest_of_its_box_alone():
    renderer, made = Renderer(), start_board()
    frame = renderer.frame(Request(made, 3.0))
    for opacity in (0.5, 0.6):
        frame = renderer.frame(Request(change_coat(made, "words", "low", opacity=opacity), 3.0))
    frame.ground[:] = 7
    renderer.frame(Request(change_coat(made, "words", "low", opacity=0.7), 3.0))
    x0, y0, x1, y1 = renderer.dirty
    changed = frame.ground[0, y0:y1, x0:x1] != 7
    assert 0.05 < changed.mean() < 0.8


@pytest.mark.parametrize(
    ("given_paint", "opacity", "hides"),
    [
        (paint("#204060"), 1.0, True),
        (paint("#204060cc"), 1.0, False),
        (paint("#204060"), 0.5, False),
        (msgspec.structs.replace(paint("#204060"), speckle=0.2), 1.0, False),
        (Gradient(), 1.0, True),
        (
            Gradient(stops=(Stop(0.0, paint("#204060").colour), Stop(1.0, paint("#0000").colour))),
            1.0,
            False,
        ),
    ],
)
def test_a_ground_hides_what_lies_behind_only_if_nothing_of_it_is_thin(given_paint, opacity, hides):
    made = board()
    ground = msgspec.structs.replace(made.pieces[0], paint=given_paint, opacity=opacity)
    made = msgspec.structs.replace(made, pieces=(ground, *made.pieces[1:]))
    assert opaque(made) is hides
    assert not opaque(msgspec.structs.replace(made, pieces=made.pieces[1:]))
