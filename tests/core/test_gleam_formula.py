"""Highlights against max(0, n.m)^tightness less a flat's own, at any tightness."""

from __future__ import annotations

import math

import numpy as np
import pytest

from anole.core.coats.shading.lighting import light_of, lit_heights, toward
from anole.core.model import Colour, ColourPaint, Gleam, Lamp, Length, Moulding, Relief, Stop

from .shapes import centres, context, disc, source, span

CLEAR = (Stop(0.0, Colour(0, 0, 0, 0)), Stop(1.0, Colour(0, 0, 0, 0)))
LAMP = Lamp(bearing=320, elevation=42)
TIGHT = [1, 5, 30, 120, 500]


def formula(slope_x, slope_y, tight, strength=1.0):
    """The gleam of a surface with these slopes, in double precision; 0..1 of cover."""
    x, y, z = toward(LAMP)
    half = np.array([x, y, z + 1]) / np.linalg.norm([x, y, z + 1])
    size = np.sqrt(1 + slope_x**2 + slope_y**2)
    m = np.clip((half[2] - slope_x * half[0] - slope_y * half[1]) / size, 0, 1)
    return np.clip(strength * np.maximum(m**tight - half[2] ** tight, 0), 0, 1)


def white(tight, strength=1.0):
    return Gleam(
        strength=strength, tightness=tight, paint=ColourPaint(colour=Colour(255, 255, 255))
    )


@pytest.mark.parametrize("tight", TIGHT)
def test_a_lit_height_gleams_by_the_formula(tight):
    y, x = np.mgrid[0:160, 0:160] / 20.0
    heights = (12 * np.sin(x) * np.cos(y * 0.7)).astype(np.float32)
    found = lit_heights(heights, light_of(LAMP, CLEAR, white(tight)))[3]
    slope_x, slope_y = np.zeros_like(x), np.zeros_like(y)
    slope_x[:, 1:-1] = (heights[:, 2:] - heights[:, :-2]) / 2
    slope_y[1:-1] = (heights[2:] - heights[:-2]) / 2
    true = formula(slope_x, slope_y, tight)
    assert np.abs(found - true)[1:-1, 1:-1].max() <= 1 / 255


@pytest.mark.parametrize("tight", TIGHT)
@pytest.mark.parametrize("profile", ["chamfer", "round-over"])
def test_a_relief_gleams_by_the_formula_all_round(profile, tight):
    """On a disc the slope is known everywhere; away from the ridge and the ends of the span."""
    middle, radius, deep, rise = 100.3, 80.0, 60.0, 50.0
    where = context(disc(middle, middle, radius), 200, bearing=320, elevation=42)
    coat = Relief(
        id="r",
        span=span("0px", f"{deep}px"),
        height=Length(rise),
        ramp=CLEAR,
        moulding=Moulding(profile=profile),
        gleam=white(tight),
    )
    box = where.around(0)
    found = source(coat, where, box)[3]
    x, y = centres(box)
    far = np.hypot(x - middle, y - middle)
    p = (radius - far) / deep
    inside = (p > 0.15) & (p < 0.85)
    # sampled as the relief does it: the mean across a px of three looks
    total = np.zeros_like(far)
    for off in (-1 / 3, 0, 1 / 3):
        q = np.clip(p + off / deep, 1e-3, 1)
        steep = np.ones_like(q) if profile == "chamfer" else (1 - q) / np.sqrt(1 - (1 - q) ** 2)
        g = rise / deep * steep
        total += formula(-g * (x - middle) / far, -g * (y - middle) / far, tight) / 3
    assert math.isfinite(float(found.max()))
    # a moulding's heights are a table, smoothed by a few of its 2048 steps
    most = 1.5 if profile == "chamfer" else 3
    assert np.abs(found - total)[inside].max() <= most / 255
