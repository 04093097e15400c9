"""Pictures as pieces: their px where they must be, cut by their frame, and coats round them."""

from __future__ import annotations

import io

import cv2
import msgspec
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image

from anole.core import assets
from anole.core.edit.pictures import add_picture, add_picture_piece
from anole.core.model import (
    Asset,
    Board,
    Colour,
    ColourPaint,
    Corners,
    Fill,
    Ground,
    Invert,
    Length,
    Picture,
    Place,
    Pose,
    Position,
    Span,
    Stroke,
)
from anole.core.pieces.placing.picture_frame import frame_of
from anole.core.render.export import rgba

from .shapes import pixels

GREY = Ground(id="g", paint=ColourPaint(colour=Colour(128, 128, 128)))
RNG = np.random.default_rng(5)
WIDE, HIGH = 60, 40
NOISE = RNG.integers(0, 256, (HIGH, WIDE, 3), np.uint8)


def carried(array: np.ndarray, name: str = "p.png") -> tuple[Board, str]:
    room = io.BytesIO()
    Image.fromarray(array).save(room, "PNG")
    board, sha, _ = add_picture(Board(width=120, height=80, pieces=(GREY,)), room.getvalue(), name)
    return board, sha


def with_picture(array: np.ndarray, style=(), **fields) -> Board:
    board, sha = carried(array)
    base = {"width": Length(float(WIDE)), "height": Length(float(HIGH)), "place": Place(x=60, y=40)}
    piece = Picture(id="p", asset=sha, style=style, **{**base, **fields})
    return msgspec.structs.replace(board, pieces=(GREY, piece))


def smooth(wide: int = 240, high: int = 160) -> np.ndarray:
    y, x = np.mgrid[:high, :wide] / (high, wide)[0]
    return np.stack([255 * y, 120 * x + 60, 200 - 150 * y], -1).clip(0, 255).astype(np.uint8)


def test_upright_at_its_own_size_every_px_is_the_picture_s():
    found = rgba(with_picture(NOISE))
    np.testing.assert_array_equal(found[20:60, 30:90, :3], NOISE)
    assert (found[:20, :, :3] == 128).all() and (found[:, 90:, :3] == 128).all()


@pytest.mark.parametrize("turns", [1, 2, 3])
def test_turned_by_right_angles_it_is_numpy_s_turn(turns):
    found = rgba(with_picture(NOISE, place=Place(x=60, y=40, rotation=90.0 * turns)))
    wanted = np.rot90(NOISE, -turns)
    high, wide = wanted.shape[:2]
    part = found[40 - high // 2 : 40 + high // 2, 60 - wide // 2 : 60 + wide // 2, :3]
    assert np.abs(part.astype(int) - wanted).max() <= 1


def test_mirrored_it_is_numpy_s_mirror():
    found = rgba(with_picture(NOISE, place=Place(x=60, y=40, scale_x=-1.0)))
    assert np.abs(found[20:60, 30:90, :3].astype(int) - NOISE[:, ::-1]).max() <= 1


@pytest.mark.parametrize("size", [(240, 160), (100, 300), (17, 9)])
@pytest.mark.parametrize("frame", [(60, 40), (40, 60), (100, 10)])
@pytest.mark.parametrize("fit", ["cover", "contain", "stretch"])
def test_the_fit_says_where_the_whole_picture_lies(fit, frame, size):
    piece = Picture(id="p", asset="", width=Length(frame[0]), height=Length(frame[1]), fit=fit)
    found = frame_of(piece, 96.0, size)
    em = frame[1]
    x0, y0, x1, y1 = (v * em for v in found.content)
    ratio = (x1 - x0) / (y1 - y0)
    if fit == "stretch":
        assert (x1 - x0, y1 - y0) == pytest.approx(frame)
    else:
        assert ratio == pytest.approx(size[0] / size[1])
        sides = (x1 - x0) / frame[0], (y1 - y0) / frame[1]
        assert (min if fit == "cover" else max)(sides) == pytest.approx(1)
    seen = [v * em for v in found.seen]
    assert seen[2] - seen[0] <= frame[0] + 1e-9 and seen[3] - seen[1] <= frame[1] + 1e-9


def test_zoom_and_shift_show_another_part_and_stay_in_the_frame():
    found = rgba(with_picture(NOISE, zoom=2.0, shift_x=0.5, shift_y=0.5))
    # shifted by half the frame, the upper left quarter of the picture fills it
    wanted = cv2.resize(NOISE[:20, :30], (WIDE, HIGH), interpolation=cv2.INTER_CUBIC)
    inner = found[24:56, 34:86, :3].astype(int)
    assert np.abs(inner - wanted[4:36, 4:56]).mean() < 8
    assert (found[:, :30, :3] == 128).all() and (found[60:, :, :3] == 128).all()


@pytest.mark.parametrize(
    "fields",
    [
        {"place": Place(x=60, y=40, rotation=23.0)},
        {"corners": Corners(top_left=(0.2, 0.1), bottom_right=(-0.1, 0.2))},
        {"pose": Pose(turn_y=40, turn_x=-20)},
        {"fit": "contain", "width": Length(90.0)},
    ],
)
def test_it_is_the_same_at_every_scale(fields):
    made = with_picture(smooth(), **fields)
    one, four = pixels(made), pixels(made, 4.0)
    reduced = four.reshape(4, 80, 4, 120, 4).mean((2, 4))
    assert np.abs(reduced - one).mean() < 2 / 255
    assert np.abs(reduced - one).max() < 14 / 255


def test_a_reduced_picture_is_the_mean_of_its_px():
    for times in (2, 8, 11):
        large = smooth(WIDE * times, HIGH * times)
        # lines far finer than a px, which must not come out as others
        large[::2] = large[::2] // 2
        found = rgba(with_picture(large))[22:58, 32:88, :3].astype(float)
        wanted = large.reshape(HIGH, times, WIDE, times, 3).mean((1, 3))[2:38, 2:58]
        assert np.abs(found - wanted).max() < 8, times
        # nothing is shifted, darker or lighter
        assert np.abs((found - wanted).mean()) < 0.5, times


def disc_picture(side: int = 400) -> np.ndarray:
    """A disc with smooth edges in one colour, clear round it; colours go on under the clear part."""
    y, x = np.mgrid[:side, :side] + 0.5
    far = np.hypot(x - side / 2, y - side / 2)
    alpha = np.clip(side * 0.4 - far + 0.5, 0, 1)
    picture = np.empty((side, side, 4), np.uint8)
    picture[..., :3] = (240, 60, 20)
    picture[..., 3] = np.round(alpha * 255)
    return picture


def test_what_is_clear_is_no_part_of_it_and_strokes_follow_the_rest():
    side = Length(70.0)
    edge = Span(Position(-4.0), Position(0.0))
    rim = Stroke(id="s", span=edge, paint=ColourPaint(colour=Colour(0, 0, 255)))
    found = rgba(with_picture(disc_picture(), (rim,), width=side, height=side))[..., :3].astype(int)
    y, x = np.mgrid[:80, :120] + 0.5
    far = np.hypot(x - 60, y - 40)
    assert np.abs(found[far < 26] - (240, 60, 20)).max() <= 2
    assert np.abs(found[(far > 29.5) & (far < 30.5)] - (0, 0, 255)).max() <= 24
    assert (found[far > 33.5] == 128).all()
    # the disc covers its own area
    bare = with_picture(disc_picture(), width=side, height=side)
    alpha = rgba(bare, transparent=True)[..., 3] / 255
    assert alpha.sum() == pytest.approx(np.pi * 28**2, rel=0.005)


def test_a_stroke_of_an_opaque_picture_lies_along_its_sides():
    edge = Span(Position(-5.0), Position(0.0))
    rim = Stroke(id="s", span=edge, paint=ColourPaint(colour=Colour(0, 0, 255)), join="mitre")
    found = rgba(with_picture(NOISE, (rim,)))
    np.testing.assert_array_equal(found[20:60, 30:90, :3], NOISE)
    blue = (found[..., :3] == (0, 0, 255)).all(-1)
    wanted = np.zeros((80, 120), bool)
    wanted[15:65, 25:95] = True
    wanted[20:60, 30:90] = False
    np.testing.assert_array_equal(blue, wanted)


def test_coats_of_the_face_lie_over_it_and_tone_changes_its_colours():
    veil = Fill(id="f", opacity=0.5, paint=ColourPaint(colour=Colour(255, 255, 255)))
    found = rgba(with_picture(NOISE, (veil,)))[20:60, 30:90, :3].astype(int)
    assert np.abs(found - (NOISE.astype(int) + 255) / 2).max() <= 1
    inverted = rgba(with_picture(NOISE, tone=(Invert(),)))[20:60, 30:90, :3].astype(int)
    assert np.abs(inverted - (255 - NOISE.astype(int))).max() <= 1


def test_one_without_a_file_paints_nothing_and_says_so():
    bare = Picture(id="p", asset="")
    lost = Picture(id="p", asset="0" * 64)
    for piece in (bare, lost):
        made = Board(width=120, height=80, pieces=(GREY, piece))
        assert (rgba(made)[..., :3] == 128).all()
    named = msgspec.structs.replace(
        Board(width=120, height=80), assets=(Asset(sha="0" * 64, name="gone.png"),), pieces=(lost,)
    )
    assert rgba(named)[..., 3].max() == 0
    assert not assets.has("0" * 64)


@pytest.mark.parametrize("size", [(30, 20), (4000, 100), (100, 4000)])
def test_a_new_one_stands_in_the_middle_no_larger_than_it_is(size):
    board, sha = carried(np.zeros((size[1], size[0], 3), np.uint8), "scene one.png")
    board, fresh = add_picture_piece(board, sha)
    piece = board.piece(fresh)
    assert piece.name == "scene one"
    assert (piece.place.x, piece.place.y) == (60, 40)
    wide, high = piece.width.value, piece.height.value
    assert wide <= min(size[0], 72.01) and high <= min(size[1], 48.01)
    assert wide / high == pytest.approx(size[0] / size[1], rel=0.02) or min(wide, high) == 1


CORNER = st.tuples(st.floats(-20, 20), st.floats(-20, 20))


@settings(max_examples=8, deadline=None)
@given(
    st.builds(Corners, top_left=CORNER, bottom_right=CORNER) | st.none(),
    st.builds(Pose, turn_x=st.floats(-85, 85), turn_y=st.floats(-85, 85)) | st.none(),
    st.floats(1, 32_000),
    st.floats(0.01, 100),
    st.sampled_from([True, False]),
)
def test_whatever_its_form_it_is_a_picture_in_bounds(corners, pose, width, zoom, clear):
    source = disc_picture(40) if clear else NOISE
    rim = Stroke(id="s")
    made = with_picture(source, (rim,), corners=corners, pose=pose, width=Length(width), zoom=zoom)
    found = pixels(made)
    assert np.isfinite(found).all()
    assert found.min() >= -1e-4 and found.max() <= 1 + 1e-4


def test_a_clear_picture_far_larger_than_the_board_is_looked_at_less_finely():
    side = Length(30_000.0)
    made = with_picture(disc_picture(), width=side, height=side)
    found = rgba(made)[..., :3].astype(int)
    assert np.abs(found - (240, 60, 20)).max() <= 2
