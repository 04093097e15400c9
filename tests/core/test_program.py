"""Orders do to whole frames what the blends do to single windows."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.compose import blend
from anole.core.compose.dirty_spans import whole
from anole.core.compose.program import COMPOSITE, COPY, LERP, MERGE, WIPE, Instruction, run

WINDOW = Box(-7, 5, 93, 65)
FACTORS = (0.0, 1.0, 1.0, -0.5)


def planes(seed):
    random = np.random.default_rng(seed)
    made = random.random((4, WINDOW.height, WINDOW.width), np.float32)
    made[:3] *= made[3]
    return made


def do(*orders):
    run(orders, WINDOW, whole(WINDOW, WINDOW.x0))


def test_wiping_and_copying_stay_in_their_box():
    box = Box(10, 20, 40, 33)
    one, other, was = planes(1), planes(2), planes(1)
    inside = np.zeros((WINDOW.height, WINDOW.width), bool)
    inside[box.slices_in(WINDOW)] = True
    do(Instruction(COPY, box, one, other))
    np.testing.assert_array_equal(one, np.where(inside, other, was))
    do(Instruction(WIPE, box, one))
    np.testing.assert_array_equal(one, np.where(inside, 0, was))


@given(st.integers(0, 99), st.floats(0, 1), st.sampled_from(blend.MODES))
@settings(deadline=None, max_examples=60)
def test_a_lay_is_that_of_the_blend(seed, share, name):
    box, random = Box(-2, 7, 80, 60), np.random.default_rng(seed)
    source = random.random((4, box.height, box.width), np.float32)
    cover = random.random((box.height, box.width), np.float32)
    found, true = planes(seed), planes(seed)
    mode = blend.NUMBER[name]
    do(Instruction(COMPOSITE, box, found, source, cover, (box.x0, box.y0), share, mode, FACTORS))
    window = (box.x0 - WINDOW.x0, box.y0 - WINDOW.y0, box.x1 - WINDOW.x0, box.y1 - WINDOW.y0)
    spans = whole(box, WINDOW.x0).rows(box)
    blend.composite(
        true,
        window,
        spans,
        source,
        (0, 0),
        cover,
        (0, 0),
        np.float32(share),
        mode,
        np.array(FACTORS, np.float32),
    )
    np.testing.assert_array_equal(found, true)


@pytest.mark.parametrize("name", ["multiply", "screen", "soft-light", "hue", "plus-lighter"])
def test_what_was_painted_apart_is_merged_as_a_straight_source(name):
    found, true, apart = planes(3), planes(3), planes(4)
    straight = apart.copy()
    straight[:3] /= np.maximum(straight[3], 1e-7)
    ones, mode = np.ones((1, WINDOW.width), np.float32), blend.NUMBER[name]
    at = (WINDOW.x0, WINDOW.y0)
    do(Instruction(MERGE, WINDOW, found, apart, share=0.7, mode=mode))
    do(Instruction(COMPOSITE, WINDOW, true, straight, ones, at, 0.7, mode))
    np.testing.assert_allclose(found, true, atol=2e-6)


def test_orders_are_done_one_after_the_other():
    one, other = planes(5), planes(6)
    half = np.full((1, WINDOW.width), 0.5, np.float32)
    wanted = (planes(6) * 0.5) * 0.5
    do(
        Instruction(WIPE, WINDOW, one),
        Instruction(LERP, WINDOW, one, other, half, (WINDOW.x0, WINDOW.y0)),
        Instruction(WIPE, WINDOW, other),
        Instruction(LERP, WINDOW, one, other, half, (WINDOW.x0, WINDOW.y0)),
    )
    np.testing.assert_allclose(one, wanted, atol=1e-6)


@pytest.mark.parametrize("bad", [planes(1)[:, ::2], planes(1).astype(np.float64)])
def test_planes_the_loop_could_not_read_are_refused(bad):
    with pytest.raises(TypeError):
        do(Instruction(COPY, WINDOW, planes(1), bad))
