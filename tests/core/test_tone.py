"""Tone operations against their formulas, and in range for any numbers."""

import math

import msgspec
import numpy as np
import pytest
from coloraide import Color
from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.colour.gamut import into_srgb
from anole.core.model import (
    Bloom,
    Blur,
    Cdl,
    Colour,
    Curves,
    Exposure,
    GradientMap,
    Grey,
    Invert,
    Length,
    Levels,
    Perceptual,
    Posterise,
    Speckle,
    Stop,
    Tint,
)
from anole.core.tone import OPERATIONS, Where, margin, toned
from anole.core.units import Units

UNITS = Units(100.0)
RAMP = (Stop(0, Colour(0, 0, 80)), Stop(1, Colour(255, 220, 0)))
COLOURS = ("#e02010", "#40a060", "#1030d0", "#808080", "#f8f0d0", "#101010")


def planes(*colours):
    made = np.array([Colour.parse(c).floats for c in colours], np.float32).T
    return np.ascontiguousarray(made[:, None, :])


def through(op, *colours):
    made = planes(*colours)
    box = Box(0, 0, len(colours), 1)
    return toned(made, (op,), Where(box, UNITS))[:, 0].T


def test_levels_map_points_and_middle():
    found = through(
        Levels(black=0.2, white=0.6, gamma=2, low=0.1, high=0.9), "#333333", "#999999", "#666666"
    )
    assert found[0, 0] == pytest.approx(0.1, abs=0.012)
    assert found[1, 0] == pytest.approx(0.9, abs=2e-3)
    assert found[2, 0] == pytest.approx(0.1 + 0.8 * 0.5**0.5, abs=3e-3)


def test_a_curve_goes_through_its_points_and_never_swings_over():
    op = Curves(at_0=0.1, at_25=0.1, at_50=0.7, at_75=0.9, at_100=0.9)
    greys = [f"rgb({v} {v} {v})" for v in range(0, 256, 5)]
    found = through(op, *greys)[:, 0]
    assert found[0] == pytest.approx(0.1, abs=1e-3)
    assert (np.diff(found) > -1e-4).all()
    assert found.max() <= 0.9 + 1e-4


def test_cdl_is_slope_offset_power_then_saturation():
    op = Cdl(slope=(1.2, 1, 0.8), offset=(0.05, 0, -0.02), power=(1, 1.5, 1), saturation=0.5)
    r, g, b = np.array(Colour.parse("#6080a0").floats[:3])
    line = np.clip([r * 1.2 + 0.05, g, b * 0.8 - 0.02], 0, 1) ** (1, 1.5, 1)
    luma = line @ (0.2126, 0.7152, 0.0722)
    assert through(op, "#6080a0")[0, :3] == pytest.approx(luma + 0.5 * (line - luma), abs=2e-3)


def test_a_stop_doubles_linear_light():
    found = through(Exposure(stops=1), "#404040")[0, 0]
    wanted = Color("srgb-linear", [2 * Color("#404040").convert("srgb-linear")[0]] * 3).convert(
        "srgb"
    )[0]
    assert found == pytest.approx(wanted, abs=2e-3)


@pytest.mark.parametrize("colour", COLOURS)
def test_hue_chroma_and_lightness_move_in_oklch(colour):
    light, c, h = Color(colour).convert("oklch").coords(nans=False)
    wanted = Color("oklch", [min(light + 0.05, 1), c * 0.5, h + 40])
    found = through(Perceptual(hue=40, chroma=0.5, lightness=0.05), colour)[0, :3]
    exact = into_srgb(np.array(wanted.convert("oklab").coords())[:, None])[:, 0]
    assert found == pytest.approx(exact, abs=6e-3)
    assert Color("srgb", found.tolist()).delta_e(wanted, method="ok") < 0.03


@pytest.mark.parametrize("turn", [20, 68, 133, 200, -44, -100])
@pytest.mark.parametrize(
    "colour", ["#ff2010", "#20ff40", "#1030ff", "#ffe020", "#f040e0", "#20e0f0"]
)
def test_a_hue_that_is_asked_is_given_wherever_srgb_ends(colour, turn):
    light, c, h = Color(colour).convert("oklch").coords(nans=False)
    wanted = Color("oklch", [light, c, h + turn]).fit("srgb", method="oklch-chroma", jnd=0.02)
    found = through(Perceptual(hue=turn), colour)[0, :3]
    exact = into_srgb(
        np.array(Color("oklch", [light, c, h + turn]).convert("oklab").coords())[:, None]
    )
    assert found == pytest.approx(exact[:, 0], abs=6e-3)
    assert Color("srgb", found.tolist()).delta_e(wanted, method="ok") < 0.03
    # off by no more than is just seen
    _, chroma, hue = Color("srgb", found.tolist()).convert("oklch").coords()
    assert 2 * chroma * abs(math.sin(math.radians(hue - h - turn) / 2)) < 0.022


@pytest.mark.parametrize("colour", COLOURS)
def test_grey_keeps_luminance_and_invert_turns_over(colour):
    grey = through(Grey(), colour)[0, :3]
    assert Color("srgb", grey.tolist()).luminance() == pytest.approx(
        Color(colour).luminance(), abs=3e-3
    )
    assert np.ptp(grey) < 1e-4
    assert through(Invert(), colour)[0, :3] == pytest.approx(
        1 - np.array(Color(colour).coords()), abs=1e-3
    )


def test_a_gradient_map_goes_from_the_darkest_to_the_brightest():
    found = through(GradientMap(stops=RAMP), "#000000", "#ffffff")
    assert found[0, :3] == pytest.approx(RAMP[0].colour.floats[:3], abs=2e-3)
    assert found[1, :3] == pytest.approx(RAMP[1].colour.floats[:3], abs=2e-3)


def test_a_tint_keeps_lightness_and_takes_the_hue():
    aim = Color("#c09060").convert("oklch")
    found = through(Tint(colour=Colour.parse("#c09060"), amount=1), "#5070c0")[0, :3]
    made = Color("srgb", found.tolist()).convert("oklch")
    assert made[0] == pytest.approx(Color("#5070c0").convert("oklch")[0], abs=0.02)
    assert made[2] == pytest.approx(aim[2], abs=4)


def test_flats_are_as_many_as_asked():
    greys = [f"rgb({v} {v} {v})" for v in range(256)]
    found = through(Posterise(steps=4), *greys)[:, 0]
    assert np.unique(found.round(4)).tolist() == pytest.approx([0, 1 / 3, 2 / 3, 1], abs=1e-3)


def test_a_blur_is_a_gaussian_and_keeps_colour_where_alpha_ends():
    made = np.zeros((4, 41, 41), np.float32)
    made[:, :, :20] = np.array([1, 0, 0, 1], np.float32)[:, None, None]
    op = Blur(radius=Length(8))
    where = Where(Box(0, 0, 41, 41), UNITS)
    found = toned(made, (op,), where)
    from scipy.stats import norm

    wanted = norm.cdf((19.5 - np.arange(41)) / 4)
    assert found[3, 20] == pytest.approx(wanted, abs=0.01)
    assert found[0, 20, :24] == pytest.approx(1, abs=1e-3)
    assert margin((op,), UNITS) >= 12


def test_bloom_shines_over_its_neighbours():
    made = np.zeros((4, 61, 61), np.float32)
    made[3] = 1
    made[:3, 25:36, 25:36] = 1
    found = toned(
        made,
        (Bloom(radius=Length(16), strength=1, threshold=0.5),),
        Where(Box(0, 0, 61, 61), UNITS),
    )
    assert found[0, 30, 30] == pytest.approx(1)
    assert 0.1 < found[0, 30, 40] < 0.8
    assert found[0, 30, 2] < found[0, 30, 40]


def test_grain_is_fixed_to_the_board():
    made = np.full((4, 30, 40), 0.5, np.float32)
    op = Speckle(amount=0.3, size=Length(2))
    whole = toned(made, (op,), Where(Box(10, 20, 50, 50), UNITS))
    part = toned(made[:, :10, :10], (op,), Where(Box(20, 25, 30, 35), UNITS))
    np.testing.assert_allclose(whole[:, 5:15, 10:20], part, atol=1e-5)
    assert whole[:3].std() > 0.02
    large = toned(
        np.full((4, 60, 80), 0.5, np.float32),
        (op,),
        Where(Box(20, 40, 100, 100), Units(100.0, 96.0, 2.0)),
    )
    assert np.abs(large.reshape(4, 30, 2, 40, 2).mean((2, 4)) - whole).mean() < 0.03


def test_an_operation_that_is_off_does_nothing():
    made = planes(*COLOURS)
    assert toned(made, (Invert(on=False),), Where(Box(0, 0, 6, 1), UNITS)) is made


def _any(kind):
    """The struct with every number anywhere within its hard range."""
    fields = {}
    for field in msgspec.structs.fields(kind):
        if field.name == "stops" and kind is GradientMap:
            fields["stops"] = st.just(RAMP)
        elif isinstance(field.default, float | int) and not isinstance(field.default, bool):
            fields[field.name] = (
                st.floats(-0.5, 3) if kind in (Levels, Curves) else st.floats(0.05, 4)
            )
        elif isinstance(field.default, tuple):
            fields[field.name] = st.tuples(*[st.floats(-1, 5)] * 3)
    return st.builds(kind, **fields)


@settings(max_examples=120, deadline=None)
@given(st.one_of(*(_any(kind) for kind in OPERATIONS)))
def test_any_operation_gives_finite_colours_in_range(op):
    found = through(op, *COLOURS, "#00000000", "#ffffff80")
    assert np.isfinite(found).all()
    if not isinstance(op, Levels | Curves):
        assert found.min() >= -1e-4
        assert found.max() <= 1 + 1e-4
