"""Streaks: they begin where an edge lets go, run along their bearing, fade and end."""

from __future__ import annotations

import math

import numpy as np
import pytest

from anole.core.box import Box
from anole.core.coats.shading.easing import table
from anole.core.field.coverage import rasterise
from anole.core.field.streaks import Wind, streaks
from anole.core.model import (
    Board,
    Coat,
    Colour,
    ColourPaint,
    Fill,
    Ground,
    Length,
    Lettering,
    Place,
    Shadow,
    Streak,
    Stroke,
)
from anole.core.render.export import rgba

from .shapes import closed, pixels, sound

BOX = Box(0, 0, 240, 240)
LINEAR = table("linear")


def wind(*bearings: float, **fields: float) -> Wind:
    usual = {"reach": 60.0, "onset": 0.2, "uneven": 0.0, "width": 3.0, "seed": 4}
    return Wind(bearings, **(usual | fields))


def turned_bar(turn: float) -> np.ndarray:
    """(1, H, W) coverage of a bar 60 px wide and 30 long about the middle, facing a bearing."""
    a = math.radians(turn)
    along, across = np.array([math.sin(a), -math.cos(a)]), np.array([math.cos(a), math.sin(a)])
    corners = np.array([(-1, -1), (1, -1), (1, 1), (-1, 1)]) * (15, 30)
    return rasterise(closed(120 + corners @ np.stack([along, across])), BOX)[0][None]


def blown(planes: np.ndarray, how: Wind) -> np.ndarray:
    return streaks(np.abs(planes), BOX, how, LINEAR, (0.0, 0.0), BOX)


@pytest.mark.parametrize("bearing", [0.0, 90.0, 45.0, 201.0, 333.0])
def test_it_decays_along_its_bearing_and_on_that_side_alone(bearing):
    found = blown(turned_bar(bearing), wind(bearing))[0]
    a = math.radians(bearing)
    way = np.array([math.sin(a), -math.cos(a)])
    for far in (5, 15, 30, 45, 55):
        for aside in (-20, 0, 20):
            x, y = 120 + way * (15 + far) + np.array([-way[1], way[0]]) * aside
            at = found[int(y), int(x)]
            # its distance from the bar's edge, from the px' own middle
            own = (np.array([int(x), int(y)]) + 0.5 - 120) @ way - 15
            assert abs(at - (1 - own / 60)) < 0.045
    x, y = 120 + way * (15 + 66)
    assert found[int(y), int(x)] == 0
    x, y = 120 - way * 25
    assert found[int(y), int(x)] == 0


def test_of_several_bearings_the_strongest_counts():
    bar = turned_bar(0)
    both = blown(bar, wind(90.0, 110.0))[0]
    single = [
        streaks(bar, BOX, wind(b, seed=4 + 101 * n), LINEAR, (0.0, 0.0), BOX)[0]
        for n, b in enumerate((90.0, 110.0))
    ]
    np.testing.assert_allclose(both, np.maximum(*single), atol=1e-6)


def test_an_edge_weaker_than_the_onset_lets_nothing_go():
    faint = turned_bar(90) * np.float32(0.3)
    assert blown(faint, wind(90.0, onset=0.2)).max() > 0.25
    assert blown(faint, wind(90.0, onset=0.4)).max() == 0


def test_uneven_lines_are_shorter_at_most_and_the_same_for_a_seed():
    bar = turned_bar(90)
    even, uneven = (blown(bar, wind(90.0, uneven=u))[0] for u in (0.0, 0.9))
    assert (uneven <= even + 1e-6).all()
    ends = (uneven[95:145] > 0).sum(1)
    assert ends.min() < 0.5 * ends.max()
    np.testing.assert_array_equal(uneven, blown(bar, wind(90.0, uneven=0.9))[0])
    assert np.abs(uneven - blown(bar, wind(90.0, uneven=0.9, seed=5))[0]).max() > 0.2


# on a board

RED, BLUE = (ColourPaint(colour=Colour(*c)) for c in ((220, 40, 30), (60, 90, 200)))


def on_white(*style: Coat) -> Board:
    place = Place(x=150, y=100)
    words = Lettering(id="w", text="IE", size=Length(110), place=place, style=style)
    ground = Ground(id="g", paint=ColourPaint(colour=Colour(255, 255, 255)))
    return Board(width=320, height=200, pieces=(ground, words))


def picture(*style: Coat, scale: float = 1.0) -> np.ndarray:
    return rgba(on_white(*style), scale)[..., :3].astype(float)


def east(**fields: object) -> Streak:
    return Streak(id="s", bearing=90.0, reach=Length(70.0), uneven=0.0, **fields)


def test_they_lie_behind_the_letters_and_start_at_their_strokes():
    face, stroke = Fill(id="f", paint=RED), Stroke(id="t", paint=BLUE)
    plain, found = picture(stroke, face), picture(east(), stroke, face)
    letters = (np.abs(plain - 255).min(-1) > 40) & (plain.sum(-1) < 500)
    # a px of the outer edge is partly what lies beneath
    np.testing.assert_allclose(found[letters], plain[letters], atol=12)
    assert np.abs(found - plain)[:, 200:].max() > 5


def test_streaks_of_the_picture_have_its_colours_without_its_shadow():
    face, stroke = Fill(id="f", paint=RED), Stroke(id="t", paint=BLUE)
    coat = east(of="picture", falloff="linear")
    found = picture(Shadow(id="q"), coat, stroke, face)
    plain = picture(Shadow(id="q"), stroke, face)
    right = np.nonzero((np.abs(plain - (60, 90, 200)).max(-1) < 20).any(0))[0].max()
    assert np.abs(found[100, right + 6] - (60, 90, 200)).max() < 60
    np.testing.assert_allclose(
        picture(coat, stroke, face)[100, right + 6], found[100, right + 6], atol=60
    )


@pytest.mark.parametrize("of", ["silhouette", "picture"])
def test_any_scale_is_the_same(of):
    coats = (Streak(id="s", of=of, count=3.0, paint=BLUE), Fill(id="f", paint=RED))
    fine = picture(*coats, scale=4.0).reshape(200, 4, 320, 4, 3).mean((1, 3))
    assert np.abs(picture(*coats) - fine).mean() <= 2


@pytest.mark.parametrize(
    "fields",
    [
        {"reach": Length(0.0)},
        {"reach": Length(1e5), "count": 6.0},
        {"width": Length(0.1), "uneven": 1.0, "onset": 0.0},
        {"onset": 1.0, "fan": 180.0, "count": 3.0},
    ],
)
@pytest.mark.parametrize("of", ["silhouette", "picture"])
def test_absurd_winds_give_a_picture(of, fields):
    assert sound(pixels(on_white(Streak(id="s", of=of, **fields), Fill(id="f", paint=RED))))
