"""Pools, rims and washes against formulas of their own."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from anole.core.edit import parts
from anole.core.edit.boards import crop_board, resize_board
from anole.core.edit.pieces import add_fresh, change_piece
from anole.core.edit.spots import next_spot
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Exposure,
    Fill,
    Gradient,
    Grey,
    Ground,
    Invert,
    ModelError,
    Pool,
    Rim,
    Spot,
    Stop,
    Wash,
)
from anole.core.render.export import rgba

from .shapes import board, pixels

WIDTH, HEIGHT = 120, 80
BLACK = Ground(id="g", paint=ColourPaint(colour=Colour(0, 0, 0)))
WHITE = ColourPaint(colour=Colour(255, 255, 255))
spots = st.builds(
    Spot,
    x=st.floats(-20, 140),
    y=st.floats(-20, 100),
    radius=st.floats(1, 90),
    hardness=st.floats(0, 0.98),
    strength=st.floats(0, 1),
)


def white_on_black(*parts: Spot, rim: Rim | None = None, scale: float = 1.0) -> np.ndarray:
    """(H, W) 0..1: the coverage, as it is painted in white on black."""
    pool = Pool(id="p", paint=WHITE, spots=parts, rim=rim)
    return pixels(Board(width=WIDTH, height=HEIGHT, pieces=(BLACK, pool)), scale)[0]


def fading(t: np.ndarray) -> np.ndarray:
    """A cubic from 1 at 0 to 0 at 1, level at both: 1 - 3t² + 2t³."""
    t = np.clip(t, 0, 1)
    return 1 - 3 * t**2 + 2 * t**3


@given(st.lists(spots, max_size=5))
def test_spots_let_through_what_each_lets_through(many):
    y, x = np.mgrid[:HEIGHT, :WIDTH] + 0.5
    clear = np.ones((HEIGHT, WIDTH))
    for spot in many:
        far = np.hypot(x - spot.x, y - spot.y) / spot.radius
        cover = fading((far - spot.hardness) / (1 - spot.hardness))
        clear *= 1 - spot.strength * cover
    np.testing.assert_allclose(white_on_black(*many), 1 - clear, atol=2e-5)


def test_a_hard_spot_is_full_as_far_as_it_is_hard_and_gone_at_its_radius():
    found = white_on_black(Spot(x=60, y=40, radius=30, hardness=0.5, strength=0.8))
    assert found[40, 60] == pytest.approx(0.8, abs=1e-4)
    assert found[40, 60 + 13] == pytest.approx(0.8, abs=1e-4)
    assert found[40, 60 + 30] == 0
    assert (np.diff(found[40, 60:91]) <= 1e-6).all()


@pytest.mark.parametrize(
    "rim", [Rim(), Rim(roundness=0), Rim(roundness=1, reach=1), Rim(reach=0.05)]
)
def test_a_rim_is_darkest_in_the_corners_and_the_same_on_all_sides(rim):
    found = white_on_black(rim=rim)
    np.testing.assert_allclose(found, found[::-1], atol=1e-6)
    np.testing.assert_allclose(found, found[:, ::-1], atol=1e-6)
    assert found[0, 0] == pytest.approx(found.max())
    assert found.max() == pytest.approx(rim.strength, abs=0.02)
    assert found[HEIGHT // 2, WIDTH // 2] == pytest.approx(0, abs=1e-3)
    assert (np.diff(found[HEIGHT // 2, WIDTH // 2 :]) >= -1e-6).all()


def test_it_is_the_same_at_every_scale():
    parts = (Spot(x=50, y=30, radius=40, hardness=0.3), Spot(x=90, y=60, radius=14))
    one, four = white_on_black(*parts, rim=Rim()), white_on_black(*parts, rim=Rim(), scale=4.0)
    reduced = four.reshape(HEIGHT, 4, WIDTH, 4).mean((1, 3))
    assert np.abs(reduced - one).mean() < 2 / 255
    assert np.abs(reduced - one).max() < 8 / 255


def lively() -> Board:
    made = board(Fill(id="f", paint=ColourPaint(colour=Colour(240, 120, 40))), text="HOWL")
    ground = Ground(
        id="ground",
        paint=Gradient(stops=(Stop(0, Colour(20, 60, 120)), Stop(1, Colour(200, 220, 90)))),
    )
    return msgspec.structs.replace(made, pieces=(ground, *made.pieces[1:]))


def washed(made: Board, *tone, **fields) -> Board:
    return msgspec.structs.replace(made, pieces=(*made.pieces, Wash(id="w", tone=tone, **fields)))


def test_a_wash_changes_every_colour_beneath_as_its_tones_say():
    plain = pixels(lively())
    inverted = pixels(washed(lively(), Invert()))
    np.testing.assert_allclose(inverted[:3], 1 - plain[:3], atol=2e-3)
    grey = pixels(washed(lively(), Grey()))
    assert np.abs(grey[0] - grey[1]).max() < 1e-3
    assert np.abs(grey[1] - grey[2]).max() < 1e-3
    assert pixels(washed(lively(), Exposure(stops=1.0)))[:3].mean() > plain[:3].mean() * 1.1
    both = pixels(washed(lively(), Invert(), Invert()))
    np.testing.assert_allclose(both, plain, atol=2e-3)


def test_opacity_goes_back_part_of_the_way_and_no_tone_changes_nothing():
    plain, full = pixels(lively()), pixels(washed(lively(), Invert()))
    half = pixels(washed(lively(), Invert(), opacity=0.25))
    np.testing.assert_allclose(half, plain + 0.25 * (full - plain), atol=2e-3)
    for tone in ((), (msgspec.structs.replace(Invert(), on=False),)):
        np.testing.assert_array_equal(pixels(washed(lively(), *tone)), plain)


def test_only_what_lies_beneath_is_washed():
    made = washed(lively(), Invert())
    under = msgspec.structs.replace(made, pieces=(made.pieces[0], made.pieces[2], made.pieces[1]))
    ground_alone = msgspec.structs.replace(made, pieces=(made.pieces[0], made.pieces[2]))
    words = rgba(msgspec.structs.replace(made, pieces=(made.pieces[1],)), transparent=True)
    inside = words[..., 3] == 255
    outside = words[..., 3] == 0
    found, washed_ground = rgba(under), rgba(ground_alone)
    assert np.abs(found[outside].astype(int) - washed_ground[outside]).max() <= 1
    assert np.abs(found[inside].astype(int) - words[inside]).max() <= 1


def test_clear_parts_stay_clear():
    made = washed(lively(), Invert())
    found = rgba(made, transparent=True)
    plain = rgba(lively(), transparent=True)
    assert (found[..., 3] == plain[..., 3]).all()
    assert (found[..., 3] == 0).any()


def test_new_ones_stand_where_they_belong():
    made = lively()
    made, pool = add_fresh(made, "pool")
    made, rim = add_fresh(made, "rim")
    made, wash = add_fresh(made, "wash")
    assert [p.id for p in made.pieces] == ["ground", pool, "words", rim, wash]
    assert made.piece(pool).spots[0].x == made.width / 2


def test_spots_are_added_changed_and_removed():
    made, pool = add_fresh(lively(), "pool")
    spot = next_spot(made, made.piece(pool).spots)
    spot = msgspec.structs.replace(spot, x=10, y=20)
    made, number = parts.add_part(made, pool, "spots", spot)
    assert (number, made.piece(pool).spots[1].x) == (1, 10)
    assert made.piece(pool).spots[1].radius == made.piece(pool).spots[0].radius
    made = parts.change_part(made, pool, "spots", 1, radius=7, hardness=0.5)
    assert (made.piece(pool).spots[1].radius, made.piece(pool).spots[1].hardness) == (7, 0.5)
    with pytest.raises(ModelError):
        parts.change_part(made, pool, "spots", 1, hardness=1.0)
    with pytest.raises(KeyError):
        parts.change_part(made, pool, "spots", 5, radius=7)
    with pytest.raises(KeyError):
        parts.add_part(made, "words", "spots", Spot())
    assert len(parts.remove_part(made, pool, "spots", 0).piece(pool).spots) == 1


def test_they_go_with_the_board_when_it_is_cropped_or_grows():
    made, pool = add_fresh(lively(), "pool")
    spot = made.piece(pool).spots[0]
    wider = resize_board(made, made.width + 100, made.height + 40)
    assert (wider.piece(pool).spots[0].x, wider.piece(pool).spots[0].y) == (
        spot.x + 50,
        spot.y + 20,
    )
    cut = crop_board(made, 30, 10, 200, 150)
    assert (cut.piece(pool).spots[0].x, cut.piece(pool).spots[0].y) == (spot.x - 30, spot.y - 10)


def test_a_pool_seen_far_away_costs_nothing():
    far = Spot(x=90_000, y=0, radius=10)
    made = Board(width=WIDTH, height=HEIGHT, pieces=(BLACK, Pool(id="p", spots=(far,))))
    assert pixels(made)[:3].max() == 0
    made = change_piece(made, "p", spots=())
    assert pixels(made)[:3].max() == 0
