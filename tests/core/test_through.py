"""Press and glass: what lies beneath, moved by known maps."""

from __future__ import annotations

import cv2
import msgspec
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.field.remap import displaced
from anole.core.model import (
    Blur,
    Board,
    Colour,
    ColourPaint,
    Exposure,
    Fill,
    Glass,
    Gradient,
    Ground,
    Ink,
    Invert,
    Length,
    Lettering,
    Moulding,
    Pattern,
    Place,
    Position,
    Press,
    Span,
    Stop,
    Stroke,
)
from anole.core.render.export import rgba
from anole.core.render.renderer import Renderer, Request

from .shapes import pixels, sound

SMOOTH = cv2.GaussianBlur(
    np.random.default_rng(2).random((40, 60, 4)).astype(np.float32), (0, 0), 2.5
).transpose(2, 0, 1)
BOX = Box(0, 0, 60, 40)


def px(start: float, end: float) -> Span:
    return Span(Position(start, "px"), Position(end, "px"))


def stripes(across: bool = False) -> Ground:
    """Hard lines of 8 px, dark and light, upright or lying."""
    ends = (Stop(0, Colour(20, 20, 20)), Stop(0.5, Colour(20, 20, 20)),
            Stop(0.5, Colour(230, 230, 230)), Stop(1, Colour(230, 230, 230)))  # fmt: skip
    angle, side = (180.0, 160) if across else (90.0, 320)
    paint = Gradient(angle=angle, frame="board", spread="repeat", scale=16 / side, stops=ends)
    return Ground(id="g", paint=paint)


def board(coat, ground=None, text: str = "I", size: float = 130.0) -> Board:
    words = Lettering(id="w", text=text, size=Length(size), place=Place(x=160, y=80), style=(coat,))
    return Board(width=320, height=160, pieces=(ground or stripes(), words))


def bare(made: Board) -> np.ndarray:
    return rgba(msgspec.structs.replace(made, pieces=made.pieces[:1]))


# the remap


def test_whole_px_are_copied_and_edges_reflected():
    dx = np.full((40, 60), 5, np.float32)
    found = displaced(SMOOTH, BOX, dx, dx * 0, BOX)
    np.testing.assert_array_equal(found[:, :, :55], SMOOTH[:, :, 5:])
    np.testing.assert_array_equal(found[:, :, 55:], SMOOTH[:, :, :54:-1])
    far = displaced(SMOOTH, BOX, dx * 0, dx * 0 - 400, BOX)
    period = np.concatenate([SMOOTH, SMOOTH[:, ::-1]], 1)
    np.testing.assert_array_equal(far, period[:, (np.arange(40) - 400) % 80])


@settings(max_examples=20, deadline=None)
@given(st.floats(-9, 9), st.floats(-9, 9), st.integers(0, 99))
def test_it_is_opencv_s_remap_where_both_are_smooth(x, y, seed):
    rng = np.random.default_rng(seed)
    dx = cv2.GaussianBlur(rng.random((40, 60)).astype(np.float32), (0, 0), 4) * 3 + np.float32(x)
    dy = cv2.GaussianBlur(rng.random((40, 60)).astype(np.float32), (0, 0), 4) * 3 + np.float32(y)
    found = displaced(SMOOTH, BOX, dx, dy, BOX)
    ys, xs = np.mgrid[:40, :60].astype(np.float32)
    wanted = np.stack(
        [
            cv2.remap(p, xs + dx, ys + dy, cv2.INTER_CUBIC, borderMode=cv2.BORDER_REFLECT)
            for p in SMOOTH
        ]
    )
    assert np.abs(found - wanted).max() < 0.02


def test_the_cubic_reproduces_parabolas():
    """Keys' kernel with a = -1/2 is exact for them, away from the border."""
    ys, xs = np.mgrid[:40, :60].astype(np.float32)
    plane = ((xs - 30) / 60) ** 2 + 0.3 * ys / 40
    dx = np.full((40, 60), 0.37, np.float32)
    found = displaced(plane[None], BOX, dx, -dx, BOX)[0]
    wanted = ((xs + 0.37 - 30) / 60) ** 2 + 0.3 * (ys - 0.37) / 40
    np.testing.assert_allclose(found[3:-3, 3:-3], wanted[3:-3, 3:-3], atol=2e-6)


# press


@pytest.mark.parametrize("push", [(8.0, 0.0), (-16.0, 0.0), (3.0, 0.0)])
def test_on_top_the_ground_is_moved_by_the_push(push):
    coat = Press(id="p", span=px(-6, 4), rounding=0,
                 push_x=Length(push[0]), push_y=Length(push[1]))  # fmt: skip
    made = board(coat, text="I", size=150)
    found, ground = rgba(made).astype(int), bare(made).astype(int)
    # deep inside the stem
    row = slice(70, 90)
    inside = slice(156, 164)
    shift = int(push[0])
    wanted = ground[row, 156 - shift : 164 - shift]
    np.testing.assert_array_equal(found[row, inside], wanted)


@pytest.mark.parametrize("silhouette", ["letters", "whole"])
@pytest.mark.parametrize("rounding", [0.0, 1.0])
def test_beyond_the_outer_end_not_one_bit_changes(silhouette, rounding):
    ground = Ground(id="g", paint=Pattern(generator="bricks", frame="board", size=Length(60)))
    coat = Press(id="p", span=px(-5, 8), rounding=rounding, silhouette=silhouette,
                 push_x=Length(7.0), push_y=Length(-9.0), spread=Length(4.0))  # fmt: skip
    made = board(coat, ground, "R8")
    with_, without = (
        Renderer().frame(Request(one)).ground.copy()
        for one in (made, msgspec.structs.replace(made, pieces=made.pieces[:1]))
    )
    solid = msgspec.structs.replace(
        made.pieces[1],
        style=(Stroke(id="s", span=px(-300, -6.5)),),
    )
    far = rgba(msgspec.structs.replace(made, pieces=(solid,)), transparent=True)[..., 3] == 255
    assert far.sum() > 5000
    np.testing.assert_array_equal(with_[:, far], without[:, far])
    assert np.abs(with_ - without).max() > 0.05


def test_a_lying_line_climbs_the_slope():
    """With a straight moulding the line lies where its height says, half way up half the push."""
    coat = Press(id="p", span=px(-10, 10), moulding=Moulding(profile="chamfer"), rounding=0,
                 push_y=Length(-8.0))  # fmt: skip
    made = board(coat, stripes(across=True), "I", 150)
    found = rgba(made)[..., 0].astype(float)
    middle = found[:, 160]
    beyond = bare(made)[..., 0].astype(float)[:, 160]
    np.testing.assert_allclose(middle[40:110], beyond[48:118], atol=1)


def test_the_map_is_grey_heights():
    coat = Press(id="p", span=px(-10, 10), show_map=True, rounding=0)
    found = rgba(board(coat))
    assert tuple(found[80, 160, :3]) == (255, 255, 255)
    assert (np.ptp(found[80, 140:180, :3].astype(int), axis=1) <= 1).any()


def test_a_board_without_a_ground_stays_clear_under_a_press():
    coat = Press(id="p", push_x=Length(9.0))
    made = board(coat)
    assert not rgba(made, transparent=True)[..., 3].any()


def test_beneath_means_pieces_too():
    block = Lettering(id="b", text="■", size=Length(10.0), place=Place(x=300, y=150), style=())
    coat = Press(id="p", span=px(-6, 4), push_x=Length(8.0))
    made = board(coat)
    with_more = msgspec.structs.replace(made, pieces=(made.pieces[0], block, made.pieces[1]))
    np.testing.assert_array_equal(rgba(made), rgba(with_more))


# glass


def test_flat_glass_shows_what_lies_beneath():
    coat = Glass(id="g", bend=Length(0.0), blur=Length(0.0))
    made = board(coat, text="RB")
    assert np.abs(rgba(made).astype(int) - bare(made)).max() <= 1


def test_glass_inverts_blurs_and_lights_the_face_alone():
    coat = Glass(id="g", bend=Length(0.0), blur=Length(0.0), tone=(Invert(),))
    made = board(coat, text="I", size=150)
    found, ground = rgba(made).astype(int), bare(made).astype(int)
    assert np.abs(found[75:85, 157:163, :3] + ground[75:85, 157:163, :3] - 255).max() <= 1
    np.testing.assert_array_equal(found[:, :100], ground[:, :100])
    soft = board(Glass(id="g", bend=Length(0.0), blur=Length(40.0)), text="I", size=150)
    assert np.ptp(rgba(soft)[80, 154:166, 0].astype(int)) < 30
    light = board(
        Glass(id="g", tone=(Exposure(stops=1.0), Blur(radius=Length(3.0)))), text="I", size=150
    )
    assert rgba(light)[80, 160, 0] != ground[80, 160, 0]


@pytest.mark.parametrize("bend", [-14.0, 9.0])
def test_glass_over_a_checkerboard_is_opencv_s_remap(bend):
    """The displacement of a straight rim is known: bend times the moulding's slope, across it."""
    inks = (Ink.parse("#202020"), Ink.parse("#e0e0e0"))
    ground = Ground(
        id="g", paint=Pattern(generator="checks", frame="board", size=Length(24), inks=inks)
    )
    coat = Glass(id="g", span=px(0, 12), moulding=Moulding(profile="chamfer"), rounding=0,
                 bend=Length(bend), blur=Length(0.0))  # fmt: skip
    made = board(coat, ground, "I", 150)
    found, under = rgba(made)[..., :3].astype(np.float32), bare(made)[..., :3].astype(np.float32)
    row = 80
    stem = rgba(msgspec.structs.replace(made, pieces=(msgspec.structs.replace(
        made.pieces[1], style=(Fill(id="f", paint=ColourPaint(colour=Colour(255, 255, 255))),)),)),
        transparent=True)[row, :, 3]  # fmt: skip
    columns = np.flatnonzero(stem == 255)
    left = columns[0] + 3
    xs = np.arange(left, left + 6, dtype=np.float32)
    wanted = cv2.remap(under, (xs + bend)[None], np.full((1, 6), row, np.float32), cv2.INTER_CUBIC)[
        0
    ]
    assert np.abs(found[row, left : left + 6] - wanted).mean() < 12


def test_absurd_pushes_give_a_picture():
    for push in (1e5, -1e5):
        coat = Press(id="p", push_x=Length(push), push_y=Length(push), spread=Length(push))
        assert sound(pixels(board(coat)))
