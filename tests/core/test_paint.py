"""Gradients and the rounding to 8 bit."""

import numpy as np
import pytest
from coloraide import Color
from hypothesis import given
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.colour.spaces import from_oklab, to_oklab
from anole.core.compose import dither
from anole.core.model import Colour, Gradient, Stop
from anole.core.paint.gradient import rasterise
from anole.core.paint.stops import STEPS, table

RED, BLUE = Colour.parse("#e02010"), Colour.parse("#1030d0")
FRAME = (0.0, 0.0, 100.0, 50.0)
BOX = Box(0, 0, 100, 50)


def two(**more):
    return Gradient(stops=(Stop(0, RED), Stop(1, BLUE)), **more)


@pytest.mark.parametrize("space", ["srgb", "srgb-linear", "oklab"])
@pytest.mark.parametrize("share", [0.25, 0.5, 0.8])
def test_mixing_against_another_library(space, share):
    mixed = Color("#e02010").mix("#1030d0", share, space=space).convert("srgb")
    found = table(two().stops, space)[:3, int(share * STEPS)]
    np.testing.assert_allclose(found, np.clip(mixed.coords(), 0, 1), atol=2e-3)


def test_a_hint_is_where_halfway_lies():
    hinted = (Stop(0, Colour(0, 0, 0), 0.2), Stop(1, Colour(255, 255, 255)))
    row = table(hinted, "srgb")[0]
    assert row[int(0.2 * STEPS)] == pytest.approx(0.5, abs=1e-3)
    # CSS Images 4, 3.5.3: the share is P^(log(.5)/log(H))
    power = np.log(0.5) / np.log(0.2)
    assert row[int(0.6 * STEPS)] == pytest.approx(0.6**power, abs=1e-3)


def test_alpha_is_mixed_premultiplied():
    stops = (Stop(0, Colour(255, 0, 0, 0)), Stop(1, Colour(0, 0, 255)))
    middle = table(stops, "srgb")[:, STEPS // 2]
    np.testing.assert_allclose(middle, [0, 0, 1, 0.5], atol=2e-3)


@pytest.mark.parametrize(
    ("angle", "first", "last"),
    [(180, (0, 50), (49, 50)), (90, (25, 0), (25, 99)), (0, (49, 50), (0, 50))],
)
def test_angles_are_those_of_css(angle, first, last):
    planes = np.broadcast_to(rasterise(two(angle=angle, space="srgb"), FRAME, BOX), (4, 50, 100))
    np.testing.assert_allclose(planes[:3, *first], RED.floats[:3], atol=0.02)
    np.testing.assert_allclose(planes[:3, *last], BLUE.floats[:3], atol=0.02)


def test_a_diagonal_reaches_its_ends_in_the_corners():
    planes = rasterise(two(angle=135, space="srgb"), FRAME, BOX)
    np.testing.assert_allclose(planes[:3, 0, 0], RED.floats[:3], atol=0.02)
    np.testing.assert_allclose(planes[:3, 49, 99], BLUE.floats[:3], atol=0.02)


def test_spreads():
    def row(spread):
        return rasterise(two(angle=90, scale=0.25, spread=spread, space="srgb"), FRAME, BOX)[0, 0]

    pad, reflect, repeat = row("pad"), row("reflect"), row("repeat")
    np.testing.assert_allclose(pad[30:], BLUE.floats[0], atol=0.02)
    np.testing.assert_allclose(repeat[1:24], repeat[26:49], atol=1e-3)
    np.testing.assert_allclose(reflect[:25], reflect[25:50][::-1], atol=1e-3)


def test_a_hard_stop_has_a_smooth_edge():
    stops = (
        Stop(0, Colour(0, 0, 0)),
        Stop(0.5, Colour(0, 0, 0)),
        Stop(0.5, Colour(255, 255, 255)),
        Stop(1, Colour(255, 255, 255)),
    )
    planes = rasterise(Gradient(stops=stops, angle=100, space="srgb"), FRAME, BOX)[0]
    between = (planes > 0.02) & (planes < 0.98)
    assert between.sum(1).min() >= 1
    assert between.sum(1).max() <= 3


@given(st.lists(st.floats(0, 1), min_size=3, max_size=3))
def test_oklab_goes_back(rgb):
    colour = np.array(rgb)
    np.testing.assert_allclose(from_oklab(to_oklab(colour)), colour, atol=1e-6)


def packed(planes, straight=True):
    out = np.zeros(planes.shape[1:], np.uint32)
    window = (0, 0, planes.shape[2], planes.shape[1])
    dither.pack(np.ascontiguousarray(planes), window, dither.thresholds(), (0, 0), straight, out)
    return out.view(np.uint8).reshape(*planes.shape[1:], 4)


def test_values_exact_to_8_bit_stay_exact():
    ramp = (np.arange(256) / 255).astype(np.float32)
    planes = np.ones((4, 64, 256), np.float32)
    planes[:3] = ramp
    assert (packed(planes)[..., 0] == np.arange(256)).all()


def test_a_slow_ramp_keeps_its_mean_and_has_no_bands():
    planes = np.ones((4, 64, 4000), np.float32)
    planes[:3] = np.linspace(100.2 / 255, 104.8 / 255, 4000)
    found = packed(planes)[..., 0].astype(float)
    blocks = found.reshape(64, -1, 40).mean((0, 2))
    true = (planes[0, 0] * 255).reshape(-1, 40).mean(1)
    assert np.abs(blocks - true).max() < 0.06


def test_byte_orders_and_alpha():
    planes = np.zeros((4, 2, 2), np.float32)
    planes[:] = np.array([0.4, 0.2, 0.1, 0.5], np.float32)[:, None, None]
    straight, premultiplied = packed(planes)[0, 0], packed(planes, False)[0, 0]
    np.testing.assert_allclose(straight, [204, 102, 51, 127.5], atol=1)
    np.testing.assert_allclose(premultiplied, [25.5, 51, 102, 127.5], atol=1)
