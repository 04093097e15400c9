"""A gleam of any paint is the gleam of a colour where the paint has that colour."""

import msgspec
import numpy as np
import pytest

from anole.core.coats.shading.highlight import added, is_painted
from anole.core.model import (
    Colour,
    ColourPaint,
    Fill,
    Gleam,
    Gradient,
    Length,
    Pattern,
    Relief,
    Stop,
)

from .shapes import board, paint, pixels, span

WARM = Colour(255, 160, 60)
DULL = (Stop(0.0, Colour(20, 20, 30)), Stop(1.0, Colour(120, 120, 130)))


def gilded(gleam_paint, rounding=0.0, ramp=DULL):
    gleam = Gleam(strength=1.2, tightness=5, paint=gleam_paint)
    return pixels(
        board(
            Fill(id="f", paint=paint("#404040")),
            Relief(
                id="r",
                span=span("0px", "core"),
                height=Length(6),
                rounding=rounding,
                ramp=ramp,
                gleam=gleam,
            ),
        )
    )


def even(colour):
    return Gradient(stops=(Stop(0.0, colour), Stop(1.0, colour)))


@pytest.mark.parametrize("rounding", [0.0, 0.6])
def test_a_gradient_of_one_colour_gleams_like_the_colour(rounding):
    one, other = gilded(ColourPaint(colour=WARM), rounding), gilded(even(WARM), rounding)
    assert np.abs(one - other).mean() < 1e-3
    assert np.percentile(np.abs(one - other), 99.9) < 0.03


def test_it_also_gleams_on_a_clear_ramp():
    clear = tuple(msgspec.structs.replace(stop, colour=Colour(0, 0, 0, 0)) for stop in DULL)
    one = gilded(ColourPaint(colour=WARM), ramp=clear)
    other = gilded(even(WARM), ramp=clear)
    assert np.abs(one - other).max() < 0.03
    assert np.abs(one - gilded(ColourPaint(colour=Colour(0, 0, 0)), ramp=clear)).max() > 0.1


def test_each_place_gleams_in_its_own_colour():
    two = Gradient(
        angle=90, space="srgb", stops=(Stop(0.0, Colour(255, 0, 0)), Stop(1.0, Colour(0, 0, 255)))
    )
    without = gilded(ColourPaint(colour=Colour(0, 0, 0)))
    more = np.clip(gilded(two) - without, 0, 1)
    left, right = more[:, :, :130].sum((1, 2)), more[:, :, -130:].sum((1, 2))
    assert left[0] > 3 * left[2] > 0
    assert right[2] > 3 * right[0] > 0
    assert more[1].mean() < 0.1 * more[0].mean()


def test_light_adds_and_brings_the_cover_that_is_missing():
    surface = np.array([0.2, 0.2, 0.2, 0.5], np.float32).reshape(4, 1, 1)
    white = np.ones((4, 1, 1), np.float32)
    found = added(surface, white, np.full((1, 1), 0.3, np.float32))
    assert found[3, 0, 0] == pytest.approx(0.8)
    assert found[0, 0, 0] == pytest.approx((0.2 * 0.5 + 0.3) / 0.8)
    np.testing.assert_allclose(added(surface, white, np.zeros((1, 1), np.float32)), surface)


def test_which_gleams_take_the_longer_way():
    assert not is_painted(Gleam().paint)
    assert is_painted(Pattern())
    assert is_painted(ColourPaint(speckle=0.5))
