"""Copies and reflections: each px where it must be."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest
from scipy.ndimage import shift

from anole.core.box import Box
from anole.core.field.shifted_copies import laid_moved
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Copies,
    Fill,
    Gradient,
    Ground,
    Length,
    Lettering,
    Mirror,
    Place,
    Relief,
    Shadow,
    Stop,
    Stroke,
)
from anole.core.render.export import rgba

FACE = Gradient(
    angle=60, frame="piece", stops=(Stop(0, Colour(250, 60, 20)), Stop(1, Colour(20, 90, 240)))
)
LIT = (Stroke(id="k"), Fill(id="f", paint=FACE), Relief(id="r"))
PLUM = ColourPaint(colour=Colour(90, 20, 60))


def board(*style, text: str = "FLOP", y: float = 70.0, **fields) -> Board:
    words = Lettering(
        id="w", text=text, size=Length(90.0), place=Place(x=150, y=y), style=style, **fields
    )
    return Board(width=320, height=200, pieces=(words,))


def alone(made: Board) -> np.ndarray:
    return rgba(made, transparent=True).astype(int)


def px(x: float, y: float, **fields) -> Copies:
    return Copies(id="c", to_x=Length(x), to_y=Length(y), paint=PLUM, **fields)


# copies


@pytest.mark.parametrize("way", [(24.0, 0.0), (0.0, 18.0), (-15.0, 30.0)])
def test_one_copy_of_the_picture_is_the_picture_moved(way):
    found = alone(board(px(*way, count=1, of="picture"), *LIT))
    plain = alone(board(*LIT))
    x, y = int(way[0]), int(way[1])
    moved = np.roll(plain, (y, x), (0, 1))
    away = (plain[..., 3] == 0) & (moved[..., 3] > 0)
    assert away.sum() > 500
    assert np.abs(found[away] - moved[away]).max() <= 2
    full = plain[..., 3] == 255
    assert np.abs(found[full] - plain[full]).max() <= 1


def test_copies_of_the_silhouette_are_its_coverage_moved_in_the_paint():
    found = alone(board(px(20.0, 0.0, count=2)))
    plain = alone(board(Fill(id="f", paint=PLUM)))
    near, far = (np.roll(plain[..., 3], by, 1) / 255 for by in (10, 20))
    wanted = 255 * (1 - (1 - near) * (1 - far))
    assert np.abs(found[..., 3] - wanted).max() <= 2
    assert tuple(found[..., :3][found[..., 3] == 255][0]) == (90, 20, 60)


def test_the_nearest_lies_over_those_farther_away_and_they_fade():
    made = px(60.0, 0.0, count=2, of="picture", near=1.0, far=0.4)
    found = alone(board(made, *LIT, text="I"))
    plain = alone(board(*LIT, text="I"))
    first, last = (np.roll(plain, by, 1) for by in (30, 60))
    own = plain[..., 3] > 0
    only_last = (last[..., 3] == 255) & (first[..., 3] == 0) & ~own
    assert only_last.sum() > 100
    assert np.abs(found[only_last][:, 3] - 0.4 * 255).max() <= 2
    whole = (first[..., 3] == 255) & ~own
    assert np.abs(found[whole] - first[whole]).max() <= 2


def test_a_bow_bends_the_way_and_the_last_is_turned_and_grown():
    straight, bowed = (
        alone(board(px(80.0, 0.0, count=2, bow=b), text="."))[..., 3] for b in (0.0, 0.5)
    )
    ys = [np.average(np.arange(200), weights=a.sum(1)) for a in (straight, bowed)]
    assert abs(ys[1] - ys[0]) > 5
    turned = alone(board(px(0.0, 0.0, count=1, turn=90.0), text="I"))[..., 3]
    upright = alone(board(px(0.0, 0.0, count=1), text="I"))[..., 3]
    sides = [np.ptp(np.argwhere(a > 128), axis=0) for a in (turned, upright)]
    assert abs(sides[0][0] - sides[1][1]) <= 2 and abs(sides[0][1] - sides[1][0]) <= 2
    grown = alone(board(px(0.0, 0.0, count=1, grow=1.5), text="I"))[..., 3].sum()
    assert grown == pytest.approx(2.25 * upright.sum(), rel=0.02)


def test_copies_leave_shadows_and_other_copies_out():
    shadow = Shadow(id="s", silhouette="letters")
    with_, without = (
        alone(board(*extra, px(0.0, 60.0, count=1, of="picture"), *LIT))
        for extra in ((), (px(5.0, 0.0, count=1),))
    )
    below = slice(140, 200)
    np.testing.assert_array_equal(with_[below], without[below])
    lifted = alone(board(px(0.0, 70.0, count=1, of="picture"), shadow, *LIT))
    plain = alone(board(px(0.0, 70.0, count=1, of="picture"), *LIT))
    assert np.abs(lifted[160:] - plain[160:]).max() <= 1


def test_absurd_paths_give_a_picture():
    for coat in (
        px(1e5, -1e5, count=200),
        px(0.0, 0.0, count=1),
        px(50.0, 50.0, count=3, grow=0.05),
    ):
        assert alone(board(coat, *LIT)).shape == (200, 320, 4)
        picture = msgspec.structs.replace(coat, of="picture", count=min(coat.count, 5.0))
        assert alone(board(picture, *LIT)).shape == (200, 320, 4)


# reflections


def mirror(**fields) -> Mirror:
    base = {"foot": "outline", "gap": Length(0.0), "reach": 2.0, "opacity": 1.0}
    return Mirror(id="m", **{**base, **fields})


def test_a_mirrored_px_sits_where_it_must():
    plain = alone(board(*LIT))
    found = alone(board(*LIT, mirror()))
    fill = alone(board(Fill(id="f", paint=PLUM)))[..., 3]
    from anole.core.pieces.registry import coated_kind

    piece = board(*LIT).pieces[0]
    foot = coated_kind(piece).ink(piece, 96)[3]
    shift = round(2 * foot)
    rows = np.arange(round(foot) + 4, min(round(foot) + 40, 200))
    wanted = plain[shift - 1 - rows]
    part = found[rows]
    # the foot lies within half a px, and the reflection fades along two heights of the letters
    high = np.ptp(np.flatnonzero(fill.any(1)))
    share = 1 - (rows + 0.5 - foot) / (2 * high)
    solid = (
        (wanted[..., 3] == 255)
        & (np.roll(wanted[..., 3], 1, 0) == 255)
        & (np.roll(wanted[..., 3], -1, 0) == 255)
    )
    assert solid.sum() > 500
    alpha = np.broadcast_to(255 * share[:, None], solid.shape)
    assert np.abs(part[..., 3][solid] - alpha[solid]).max() <= 8
    off = np.abs(part[..., :3][solid] - wanted[..., :3][solid])
    assert np.median(off) <= 6


def test_a_gap_moves_it_down_and_a_lean_aside():
    plain = alone(board(*LIT, mirror()))
    lower = alone(board(*LIT, mirror(gap=Length(10.0))))
    foot = np.flatnonzero(alone(board(*LIT))[..., 3].any(1))[-1] + 3
    a, b = plain[foot : foot + 30, :, 3], lower[foot + 10 : foot + 40, :, 3]
    assert np.abs(a - b).max() <= 6
    leaning = alone(board(*LIT, mirror(lean=45.0)))[..., 3]
    far = foot + 30
    middle = [np.average(np.arange(320), weights=one[far]) for one in (leaning, plain[..., 3])]
    assert abs(abs(middle[0] - middle[1]) - 33) < 6


def test_it_stands_on_the_last_baseline_whatever_hangs_below():
    plain = alone(board(Fill(id="f", paint=PLUM), text="Hg"))[..., 3]
    stem = np.flatnonzero(plain.any(0))[0] + 8
    bottom, lowest = np.flatnonzero(plain[:, stem])[-1], np.flatnonzero(plain.any(1))[-1]
    assert lowest > bottom + 8
    on_line, on_lowest = (
        alone(board(Fill(id="f", paint=PLUM), mirror(foot=foot), text="Hg"))[:, stem, 3]
        for foot in ("baseline", "outline")
    )
    assert on_line[bottom + 3 : bottom + 12].min() > 150
    assert on_lowest[bottom + 3 : lowest].max() == 0


def test_shadows_are_not_mirrored_and_blur_softens():
    bare = alone(board(*LIT, mirror(), y=60))
    shadowed = alone(board(Shadow(id="s"), *LIT, mirror(), y=60))
    assert np.abs(bare[150:] - shadowed[150:]).max() <= 1
    soft = alone(board(*LIT, mirror(blur=Length(12.0)), y=60))
    edges = [np.abs(np.diff(one[130, :, 3])).max() for one in (bare, soft)]
    assert edges[1] < edges[0] / 2


def test_copies_are_mirrored_too():
    both = alone(board(px(40.0, 0.0, count=1, of="picture"), *LIT, mirror(), y=60))
    one = alone(board(*LIT, mirror(), y=60))
    assert (both[120:, :, 3] > 20).sum() > (one[120:, :, 3] > 20).sum() * 1.1


def test_on_a_board_the_ground_shows_through():
    ground = Ground(id="g", paint=ColourPaint(colour=Colour(10, 20, 30)))
    made = board(*LIT, mirror())
    found = rgba(msgspec.structs.replace(made, pieces=(ground, *made.pieces)))
    assert tuple(found[0, 0, :3]) == (10, 20, 30)
    assert (found[..., 3] == 255).all()


def test_copies_that_are_only_moved_are_those_of_another_library():
    """Random pictures with gaps, each laid over those farther away by the formula of over."""
    rng = np.random.default_rng(5)
    planes = rng.random((4, 30, 41)).astype(np.float32)
    planes[3] *= (rng.random((30, 41)) < 0.5) & (np.arange(41) % 13 < 9)
    planes[3, 8:20] = np.where(planes[3, 8:20] > 0, 1, 0)
    planes[:3] *= planes[3]
    shifts = np.column_stack([rng.uniform(-15, 25, (12, 2)), rng.uniform(0.3, 1, 12)])
    over, box = Box(5, 7, 46, 37), Box(0, 0, 80, 70)
    wanted = np.zeros((4, 70, 80))
    for dx, dy, strength in shifts[::-1]:
        whole = np.zeros((4, 70, 80))
        whole[:, over.y0 : over.y1, over.x0 : over.x1] = planes
        moved = np.stack([shift(p, (dy, dx), order=1, prefilter=False) for p in whole]) * strength
        wanted = moved + wanted * (1 - moved[3])
    np.testing.assert_allclose(laid_moved(planes, over, shifts, box), wanted, atol=0.004)
