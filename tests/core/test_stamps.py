"""Stamps: marks where they must be, as large and as strong as they say; the same chance again."""

from __future__ import annotations

import io

import cv2
import msgspec
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image

from anole.core.box import Box
from anole.core.edit import stamps as ops
from anole.core.edit.arranging import moved
from anole.core.edit.clusters import clip, make_cluster
from anole.core.edit.pictures import add_picture
from anole.core.edit.pieces import add_fresh
from anole.core.field.coverage import rasterise
from anole.core.lettering.bent import positive
from anole.core.lettering.flatten import flatten
from anole.core.marks import laying
from anole.core.marks.scattering import draws, places
from anole.core.marks.shapes import DRAWN, curves, largest
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Fill,
    Ground,
    Length,
    Lettering,
    Mark,
    Place,
    Position,
    Scatter,
    Span,
    Stamps,
    Stroke,
)
from anole.core.model.pieces.stamps import MARKS
from anole.core.render.export import rgba

from .test_svg import svg

BLACK = Ground(id="g", paint=ColourPaint(colour=Colour(0, 0, 0)))


def stamped(board: Board | None = None, **fields) -> Board:
    base = board or Board(width=240, height=160, pieces=(BLACK,))
    return msgspec.structs.replace(base, pieces=(*base.pieces, Stamps(id="s", **fields)))


def stamp(x: float, y: float, size: float, turn: float = 0.0, strength: float = 1.0) -> np.ndarray:
    angle = np.radians(turn)
    return np.array([[x, y, size, np.cos(angle), np.sin(angle), strength]])


def exact(name: str, one: np.ndarray, box: Box) -> np.ndarray:
    return rasterise(positive(flatten(laying.placed(curves(name), one[0]), 0.005)), box)[0]


def test_the_model_names_the_marks_that_are_drawn():
    assert list(DRAWN) == MARKS
    assert len(DRAWN) >= 16


@pytest.mark.parametrize("name", DRAWN)
def test_marks_are_about_their_size_and_in_their_middle(name):
    box = curves(name)[:, 0]
    assert 0.42 < largest(name) < 0.62
    assert np.abs(box.min(0) + box.max(0)).max() < 0.45
    assert np.ptp(box, axis=0).max() > 0.75


@pytest.mark.parametrize("name", DRAWN)
@pytest.mark.parametrize(("size", "turn"), [(14, 0), (40, 25), (90, -70), (200, 10), (500, 33)])
def test_tables_cover_what_the_outline_covers(name, size, turn):
    """The exact area of each px from another rasteriser of the same outline."""
    side = int(size * 1.3) + 4
    box = Box(0, 0, side, side)
    one = stamp(side / 2 + 0.3, side / 2 - 0.2, size, turn)
    found = laying.coverage(name, curves(name), one, 0.0, box)
    wanted = exact(name, one, box)
    off = np.abs(found - wanted)
    edge = ((wanted > 0.004) & (wanted < 0.996)).sum()
    assert off.sum() < 0.085 * edge + 1
    assert off.max() < 0.62
    assert found.sum() == pytest.approx(wanted.sum(), rel=0.08, abs=4)


def test_strength_is_how_much_shows_and_overlaps_let_through_what_both_do():
    box = Box(0, 0, 60, 60)
    two = np.concatenate([stamp(30, 30, 40, 0, 0.5), stamp(30, 30, 40, 0, 0.4)])
    found = laying.coverage("dot", curves("dot"), two, 0.0, box)
    assert found[30, 30] == pytest.approx(1 - 0.5 * 0.6, abs=1e-5)


def test_a_soft_dot_falls_off_evenly_over_its_edge():
    """Full within, gone without, halfway on the outline; by the cubic step between."""
    box = Box(0, 0, 240, 240)
    found = laying.coverage("dot", curves("dot"), stamp(120, 120, 200), 0.5, box)
    row = found[120, 120:]
    far = np.arange(120) + 0.5
    depth = 0.49 * 200 - far
    t = np.clip(depth / 50 + 0.5, 0, 1)
    np.testing.assert_allclose(row, t * t * (3 - 2 * t), atol=0.01)


@pytest.mark.parametrize("scale", [0.5, 2.0])
def test_any_scale_is_the_same_picture(scale):
    board = stamped(mark="wheel", scatter=Scatter(count=30, size_from=20, size_to=60, seed=3))
    fine = rgba(board, 4.0)[..., :3].astype(float)
    step = round(4 / scale)
    high, wide = (side // step * step for side in fine.shape[:2])
    wanted = fine[:high, :wide].reshape(high // step, step, wide // step, step, 3).mean((1, 3))
    found = rgba(board, scale)[..., :3].astype(float)
    assert np.abs(found - wanted).mean() < 2


def test_more_of_them_leave_those_there_as_they_are():
    few, many = draws(20, 7), draws(300, 7)
    np.testing.assert_array_equal(few, many[:20])
    assert (draws(20, 8) != few).any()


@settings(max_examples=30, deadline=None)
@given(st.integers(0, 9999), st.integers(1, 500))
def test_places_lie_within_their_frame_and_where_the_map_lets_them(seed, count):
    weights = np.zeros((8, 10), np.float32)
    weights[2:5, 3:7] = 1
    at = places(draws(count, seed), weights, (100, 50, 200, 130))
    assert ((at >= (130, 70)) & (at <= (170, 100))).all()
    whole = places(draws(count, seed), None, (0, 0, 30, 20))
    assert ((whole >= 0) & (whole <= (30, 20))).all()


def test_chance_is_spread_evenly():
    at = places(draws(4000, 1), None, (0, 0, 4, 4))
    counts = np.histogram2d(*at.T, bins=4)[0]
    assert counts.min() > 180 and counts.max() < 330


WORDS = Lettering(
    id="w",
    text="OH",
    size=Length(110.0),
    place=Place(x=120, y=80),
    style=(Fill(id="f", paint=ColourPaint(colour=Colour(0, 0, 0))),),
)


@pytest.mark.parametrize("area", ["within", "around", "frame"])
def test_an_area_is_kept_to(area):
    base = Board(width=240, height=160, pieces=(BLACK, WORDS))
    scatter = Scatter(count=300, area=area, of="w", reach=12, size_from=2, size_to=2, seed=2)
    lit = rgba(stamped(base, mark="dot", scatter=scatter))[..., 0] > 90
    shown = msgspec.structs.replace(
        WORDS, style=(Fill(id="f", paint=ColourPaint(colour=Colour(255, 255, 255))),)
    )
    letters = rgba(msgspec.structs.replace(base, pieces=(BLACK, shown)))[..., 0] > 127
    assert lit.sum() > 100
    if area == "within":
        assert cv2.dilate(letters.astype(np.uint8), np.ones((5, 5)))[lit].all()
    elif area == "around":
        near = cv2.distanceTransform((~letters).astype(np.uint8), cv2.DIST_L2, 5)
        assert near[lit].max() < 16
        assert (near[lit] > 0).mean() > 0.9
    else:
        assert not lit[16:-16, 16:-16].any()


def test_scattered_within_a_piece_they_follow_it():
    base = Board(width=240, height=160, pieces=(BLACK, WORDS))
    scatter = Scatter(count=80, area="within", of="w", size_from=3, size_to=5)
    board = stamped(base, mark="dot", scatter=scatter)
    there = moved(board, {"w": (20.0, 0.0)})
    a, b = (rgba(one)[..., 0].astype(int) for one in (board, there))
    assert np.abs(a[:, 20:200] - b[:, 40:220]).mean() < 0.6
    gone = msgspec.structs.replace(board, pieces=(BLACK, board.pieces[2]))
    assert not rgba(gone)[..., 0].any()


def test_moved_turned_and_grown_as_one():
    marks = (Mark(x=80, y=80, size=40), Mark(x=160, y=60, size=20, turn=30))
    board = stamped(mark="spur star", marks=marks, home=(120, 80), place=Place(x=120, y=80))
    there = moved(board, {"s": (12.0, -5.0)})
    assert [(m.x, m.y) for m in there.piece("s").marks] == [(92, 75), (172, 55)]
    turned = msgspec.structs.replace(board.piece("s"), place=Place(x=120, y=80, rotation=180))
    both = (
        rgba(one)[..., 0].astype(int)
        for one in (msgspec.structs.replace(board, pieces=(BLACK, turned)), board)
    )
    found, wanted = both
    assert np.abs(found - wanted[::-1, ::-1]).mean() < 0.4


def test_an_svg_of_one_s_own_is_stamped_as_silhouette_and_in_its_colours():
    board, sha, _ = add_picture(
        Board(width=240, height=160, pieces=(BLACK,)),
        svg('<rect x="10" y="10" width="80" height="80" fill="#20c040"/>'),
        "a.svg",
    )
    mark = (Mark(x=120, y=80, size=100),)
    plain = rgba(stamped(board, asset=sha, own=False, marks=mark))
    assert tuple(plain[80, 120, :3]) == (255, 255, 255)
    assert plain[80, 72, 0] == 0
    own = rgba(stamped(board, asset=sha, marks=mark))
    assert tuple(own[80, 120, :3]) == (0x20, 0xC0, 0x40)
    dim = rgba(stamped(board, asset=sha, marks=(Mark(x=120, y=80, size=100, strength=0.5),)))
    np.testing.assert_allclose(dim[80, 120, :3], (16, 96, 32), atol=1)


def test_a_picture_of_one_s_own_is_numpy_s_picture():
    noise = np.random.default_rng(3).integers(0, 256, (32, 32, 3), np.uint8)
    room = io.BytesIO()
    Image.fromarray(noise).save(room, "PNG")
    board, sha, _ = add_picture(
        Board(width=240, height=160, pieces=(BLACK,)), room.getvalue(), "n.png"
    )
    found = rgba(stamped(board, asset=sha, marks=(Mark(x=120, y=80, size=32),)))
    assert np.abs(found[64:96, 104:136, :3].astype(int) - noise).max() <= 1


def test_coats_follow_all_marks_as_one():
    marks = (Mark(x=100, y=80, size=60), Mark(x=135, y=80, size=60))
    white = ColourPaint(colour=Colour(255, 255, 255))
    red = Stroke(
        id="k",
        span=Span(Position(0.0, "px"), Position(-5.0, "px")),
        paint=ColourPaint(colour=Colour(255, 0, 0)),
    )
    found = rgba(stamped(mark="dot", marks=marks, paint=white, style=(red,)))[..., :3].astype(int)
    bare = rgba(stamped(mark="dot", marks=marks, paint=white))[..., :3].astype(int)
    full = (bare == 255).all(-1)
    assert np.abs(found[full] - 255).max() <= 1
    assert tuple(found[80, 100 - 32]) == (255, 0, 0)
    assert not ((found[..., 0] > 200) & (found[..., 1] < 60))[70:90, 105:130].any()


def test_they_are_clipped_and_clustered_as_any_piece():
    base = Board(width=240, height=160, pieces=(BLACK, WORDS))
    board = stamped(base, mark="dot", marks=(Mark(x=120, y=80, size=150),))
    seen = rgba(clip(board, ["s"], "w"))[..., 0] > 127
    letters = rgba(
        msgspec.structs.replace(base, pieces=(BLACK, msgspec.structs.replace(
            WORDS, style=(Fill(id="f", paint=ColourPaint(colour=Colour(255, 255, 255))),))))
    )[..., 0] > 127  # fmt: skip
    assert not (seen & ~letters).any() and seen.sum() > 500
    made, _ = make_cluster(board, ["w", "s"])
    np.testing.assert_array_equal(rgba(made), rgba(board))


def test_added_and_reshuffled():
    board, name = add_fresh(Board(width=300, height=200), "scatter")
    again = ops.reshuffle(board, name)
    assert again.piece(name).scatter.seed == 1
    assert (rgba(again) != rgba(board)).any()
    with pytest.raises(KeyError):
        ops.reshuffle(*add_fresh(board, "stamps"))
    assert ops.next_mark(board, ()).size == 24


def test_absurd_marks_give_a_picture():
    for marks in (
        (Mark(x=1e6, y=-1e6, size=32_000),),
        (Mark(x=0, y=0, size=0.5),),
        (Mark(x=120, y=80, size=32_000, turn=3600),),
    ):
        found = rgba(stamped(mark="fern crystal", marks=marks))
        assert found.shape == (160, 240, 4)
