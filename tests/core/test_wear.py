"""Worn shapes: as much goes as is asked for, where it is asked for, and never more than there was."""

from __future__ import annotations

import math

import numpy as np
import pytest
from scipy.ndimage import distance_transform_edt

from anole.core.model import (
    Board,
    Coat,
    Colour,
    ColourPaint,
    Fill,
    Font,
    Ground,
    Length,
    Lettering,
    Place,
    Shadow,
    Stroke,
    Wear,
)
from anole.core.render.export import rgba

SIZE = (400, 240)
BLACK = ColourPaint(colour=Colour(0, 0, 0))
FILL = Fill(id="f", paint=BLACK)
TEXTURES = ("chips", "scratches", "cracks")


def picture(*style: Coat, text: str = "OUL", scale: float = 1.0, **fields: object) -> np.ndarray:
    """(H, W) how dark each px is, 0..1."""
    place = Place(x=200, y=120)
    words = Lettering(id="w", text=text, size=Length(170), place=place, style=style, **fields)
    ground = Ground(id="g", paint=ColourPaint(colour=Colour(255, 255, 255)))
    board = Board(width=SIZE[0], height=SIZE[1], pieces=(ground, words))
    return 1 - rgba(board, scale)[..., 0] / 255


def wear(**fields: object) -> Wear:
    return Wear(id="u", **fields)


@pytest.mark.parametrize("texture", TEXTURES)
@pytest.mark.parametrize("amount", [0.1, 0.3, 0.6])
def test_the_share_that_goes_is_the_amount(texture, amount):
    whole = picture(FILL).sum()
    shares = [
        1 - picture(wear(texture=texture, amount=amount, edge=0, size=Length(14.0), seed=seed), FILL).sum() / whole
        for seed in (1, 2, 3)
    ]  # fmt: skip
    assert abs(np.mean(shares) - amount) < 0.06


@pytest.mark.parametrize("texture", TEXTURES)
def test_nothing_is_added_and_nothing_asked_for_changes_nothing(texture):
    plain = picture(FILL)
    assert (picture(wear(texture=texture), FILL) <= plain + 2 / 255).all()
    np.testing.assert_array_equal(picture(wear(texture=texture, amount=0.0), FILL), plain)


def test_damage_keeps_to_the_rim_and_another_seed_is_other_damage():
    plain = picture(FILL)
    deep = distance_transform_edt(plain > 0.5)
    worn = picture(wear(edge=1.0, amount=0.4, rim=Length(3.0)), FILL)
    gone = plain - worn > 0.5
    assert gone[(deep > 0.5) & (deep < 3)].mean() > 0.25
    assert gone[deep > 12].mean() < 0.02
    other = picture(wear(edge=1.0, amount=0.4, rim=Length(3.0), seed=2), FILL)
    assert np.abs(other - worn).mean() > 0.01


def test_all_coats_see_the_worn_shape():
    """Shadow and stroke follow what is left: a hole in the face is a hole in both."""
    worn = wear(amount=0.4, edge=0.0, size=Length(60.0), detail=1.0)
    left = picture(worn, FILL) > 0.5
    shadow = picture(worn, Shadow(id="s", lift=Length(0.0), opacity=1.0, paint=BLACK)) > 0.5
    assert (left != shadow).mean() < 0.004
    stroked = picture(worn, Stroke(id="s", paint=BLACK), FILL) > 0.5
    reach = distance_transform_edt(~left)
    holes = (picture(FILL) > 0.9) & (reach > 12)
    assert holes.sum() > 100
    assert not stroked[holes].any()


@pytest.mark.parametrize("texture", TEXTURES)
def test_any_scale_is_worn_alike(texture):
    coats = (wear(texture=texture, amount=0.3, detail=5.0), FILL)
    fine = picture(*coats, scale=4.0).reshape(SIZE[1], 4, SIZE[0], 4).mean((1, 3))
    assert np.abs(picture(*coats) - fine).mean() * 255 <= 2


@pytest.mark.parametrize("grow", [6.0, -5.0])
def test_grown_letters_reach_as_far(grow):
    fine = picture(FILL, scale=3.0) > 0.5
    # the library measures to the middles of px
    far = distance_transform_edt(~fine) / 3 - 1 / 6
    deep = distance_transform_edt(fine) / 3 - 1 / 6
    wanted = (
        (far <= grow if grow > 0 else deep >= -grow).reshape(SIZE[1], 3, SIZE[0], 3).mean((1, 3))
    )
    found = picture(wear(amount=0.0, grow=Length(grow)), FILL)
    # corners stay sharp where a distance rounds them
    assert np.abs(found - wanted).sum() < 0.012 * wanted.sum()
    straight = slice(100, 130)
    assert np.abs(found[straight] - wanted[straight]).max() < 0.35


def test_round_corners_take_what_a_circle_leaves_of_a_square():
    """A bar of four corners loses (4 - pi) r^2."""
    radius = 8.0
    bar, rounded = (
        picture(wear(amount=0.0, corners=Length(r)), FILL, text="l").sum() for r in (0.0, radius)
    )
    assert abs(bar - rounded - (4 - math.pi) * radius**2) < 1.5


@pytest.mark.parametrize(
    "coat",
    [
        wear(amount=0.95, size=Length(0.01), detail=8.0),
        wear(grow=Length(-400.0)),
        wear(grow=Length(4000.0), amount=0.9),
        wear(corners=Length(5000.0)),
        wear(soften=Length(500.0), rim=Length(0.0)),
        wear(size=Length(1e6), texture="cracks"),
    ],
)
def test_absurd_wear_gives_a_picture(coat):
    found = picture(Shadow(id="s"), coat, Stroke(id="t"), FILL)
    assert found.shape == (SIZE[1], SIZE[0])


def test_small_and_large_letters_are_worn_alike():
    """As em lengths scale, twice the size worn is the worn picture twice as large."""
    coats = (wear(amount=0.3, size=Length(0.2, "em"), detail=3.0), FILL)
    small = picture(*coats)
    place = Place(x=400, y=240)
    words = Lettering(id="w", text="OUL", size=Length(340), place=place, style=coats)
    ground = Ground(id="g", paint=ColourPaint(colour=Colour(255, 255, 255)))
    large = 1 - rgba(Board(width=800, height=480, pieces=(ground, words)))[..., 0] / 255
    reduced = large.reshape(SIZE[1], 2, SIZE[0], 2).mean((1, 3))
    assert np.abs(small - reduced).mean() * 255 <= 2


@pytest.mark.parametrize("family", ["Great Vibes", "Inter", "Monoton"])
@pytest.mark.parametrize("radius", [4.0, 9.0, 16.0])
def test_what_is_thinner_than_the_radius_keeps_its_place(family, radius):
    font = Font(family=family)
    plain, round_ = (
        picture(wear(amount=0.0, corners=Length(r)), FILL, text="Rag", font=font)
        for r in (0.0, radius)
    )
    assert round_.sum() > 0.7 * plain.sum()
    # nothing comes up where nothing was
    assert (round_ > plain + 0.3).mean() < 0.02
