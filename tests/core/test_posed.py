"""Coats on the face of posed letters turn with it; on the board they keep their widths."""

import msgspec
import numpy as np
import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.edit.pieces import change_piece, switch_shaping
from anole.core.model import Fill, Font, Glow, Gradient, Length, Pose, Relief, Shadow, Stroke

from .shapes import board, paint, pixels, sound, span

RED, WHITE = paint("#ff0000"), paint("#ffffff")
STACK = (
    Shadow(id="h", lift=Length(6)),
    Glow(id="g", span=span("0px", "-20px")),
    Stroke(id="s", span=span("-8px", "0px"), paint=WHITE),
    Fill(id="f", paint=Gradient()),
    Relief(id="r", span=span("0px", "core"), height=Length(5)),
)


def posed(plane, pose, coats=STACK, **fields):
    turned = [msgspec.structs.replace(coat, plane=plane) for coat in coats]
    return change_piece(board(*turned, **fields), "words", pose=pose)


@pytest.mark.parametrize("fields", [{"pose": None}, {"pose": Pose(turn_y=40), "off": ("pose",)}])
def test_without_a_pose_the_face_is_the_board(fields):
    one, other = (
        change_piece(posed(plane, None), "words", **fields) for plane in ("board", "face")
    )
    np.testing.assert_array_equal(pixels(one), pixels(other))


def test_a_roll_alone_makes_no_difference():
    pose = Pose(turn_z=30)
    coats = (STACK[1], STACK[2], Fill(id="f", paint=RED))
    one, other = (pixels(posed(plane, pose, coats)) for plane in ("board", "face"))
    assert np.abs(one - other).mean() < 0.002
    assert np.abs(one - other).max() < 0.25


@pytest.mark.parametrize(("plane", "share"), [("board", 1.0), ("face", 0.5)])
def test_a_stroke_on_the_face_is_foreshortened(plane, share):
    coats = (Stroke(id="s", span=span("-12px", "0px"), paint=RED), Fill(id="f", paint=WHITE))
    made = posed(plane, Pose(turn_y=60, distance=40), coats, text="I", font=Font(family="Anton"))
    row = pixels(made)[:, 90]
    is_red = row[0] * (1 - row[1]) * (1 - row[2]) / ((1 - 0x40 / 255) * (1 - 0x60 / 255))
    ground = 0x20 / 255
    width = np.clip((is_red - ground) / (1 / ((1 - 0x40 / 255) * (1 - 0x60 / 255)) - ground), 0, 1)
    assert width.sum() == pytest.approx(2 * 12 * share, rel=0.12)


def test_a_window_of_posed_letters_is_a_cut_of_the_whole():
    made = posed("face", Pose(turn_y=35, turn_x=20))
    whole, part = pixels(made), pixels(made, window=Box(110, 50, 230, 120))
    assert np.abs(part - whole[:, 50:120, 110:230]).max() < 0.02


def test_twice_the_scale_is_the_same_picture():
    made = posed("face", Pose(turn_y=-30, turn_x=10))
    one, two = pixels(made), pixels(made, 2.0)
    small = two.reshape(4, 180, 2, 320, 2).mean((2, 4))
    assert np.abs(small - one).mean() < 0.004


@settings(max_examples=25, deadline=None)
@example(Pose(turn_x=39.0, turn_y=53.0, turn_z=-96.0, distance=1.0), 135.0, 3.0)
@given(
    st.builds(
        Pose,
        turn_x=st.floats(-85, 85),
        turn_y=st.floats(-85, 85),
        turn_z=st.floats(-180, 180),
        distance=st.floats(0.5, 50),
    ),
    st.floats(10, 400),
    st.sampled_from([0.3, 1.0, 3.0]),
)
def test_any_pose_gives_a_picture(pose, size, scale):
    made = change_piece(posed("face", pose), "words", size=Length(size))
    found = pixels(made, scale, window=Box(60, 30, 260, 150))
    assert np.isfinite(found).all()
    assert -1e-4 <= found.min() <= found.max() <= 1 + 1e-4


def test_on_the_face_and_on_the_board_may_be_mixed():
    pose = Pose(turn_y=45)
    mixed = change_piece(
        board(STACK[0], msgspec.structs.replace(STACK[2], plane="face"), *STACK[3:]),
        "words",
        pose=pose,
    )
    flat = switch_shaping(mixed, "words", "pose")
    assert np.abs(pixels(mixed) - pixels(posed("board", pose, (STACK[0], *STACK[2:])))).max() > 0.2
    assert sound(pixels(flat))
