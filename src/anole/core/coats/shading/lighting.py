"""Light on a surface: a height field's tone, its ramp and its gleam.

With n the surface's normal and l the way to the lamp, s = n.l. A flat surface gets f = sin e;
u = 1/2 there, 0 at the darkest and 1 at the brightest. SVG's feDiffuseLighting gives the same s.
"""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np

from ... import bands
from ...arrays import Plane, Planes, Real, Table
from ...kernels import njit
from ...model import Colour, ColourPaint, Gleam, Lamp, Stop
from ...paint.stops import STEPS, table

F = np.float32
WHITE = Colour(255, 255, 255)
TONES = 1024


class LightNumbers(NamedTuple):
    """Numbers of a lamp and a highlight for kernels, float32.

    lx, ly, lz : the unit way to the lamp; strength : of the lamp
    hx, hy, hz : the half vector between that and the eye
    red, green, blue : the highlight's colour, 0..1
    below, above : the slope of the tone over the cosine, under and over that of flat ground
    """

    lx: np.float32
    ly: np.float32
    lz: np.float32
    strength: np.float32
    hx: np.float32
    hy: np.float32
    hz: np.float32
    red: np.float32
    green: np.float32
    blue: np.float32
    below: np.float32
    above: np.float32


class Light(NamedTuple):
    """A lamp, a ramp and a highlight, as the kernels take them.

    ramp : (TONES + 1, 4) premultiplied colours over u
    shine : (TONES + 1,) the highlight over the root of 1 less the cosine to the half vector; empty
        without one
    """

    numbers: LightNumbers
    ramp: Table
    shine: Table


def toward(lamp: Lamp) -> tuple[float, float, float]:
    """The way to the lamp; x to the right, y down, z out of the board."""
    b, e = math.radians(lamp.bearing), math.radians(lamp.elevation)
    return math.sin(b) * math.cos(e), -math.cos(b) * math.cos(e), math.sin(e)


def ramp_table(stops: tuple[Stop, ...], lamp: Lamp) -> Table:
    """(4, TONES + 1) straight colours over u, the upper half tinted by the lamp's colour."""
    lut = table(stops, "oklab")
    u = np.linspace(0, 1, TONES + 1)
    made = lut[:, np.minimum((u * STEPS).astype(int), STEPS - 1)].copy()
    lit = np.clip(2 * u - 1, 0, 1).astype(F)
    for plane, tint in enumerate(lamp.colour.floats[:3]):
        made[plane] *= 1 - lit * F(1 - tint)
    return np.ascontiguousarray(made, F)


def light_of(lamp: Lamp, stops: tuple[Stop, ...], gleam: Gleam | None = None) -> Light:
    """The lamp, the ramp of a relief and its highlight as numbers for kernels, directions of unit length."""
    x, y, z = toward(lamp)
    half = np.array([x, y, z + 1])
    half /= np.linalg.norm(half)
    strength, tight, colour = 0.0, 1.0, (1.0, 1.0, 1.0, 1.0)
    if gleam is not None:
        strength, tight = gleam.strength, gleam.tightness
        # a paint of many colours is added afterwards
        colour = gleam.paint.colour.floats if isinstance(gleam.paint, ColourPaint) else WHITE.floats
    values = (
        x,
        y,
        z,
        lamp.strength,
        *half,
        *colour[:3],
        0.5 / max(z, 1e-4),
        0.5 / max(1 - z, 1e-4),
    )
    numbers = LightNumbers(*(np.float32(value) for value in values))
    lut = ramp_table(stops, lamp)
    lut[:3] *= lut[3]
    return Light(numbers, np.ascontiguousarray(lut.T), _shine(strength * colour[3], tight, half[2]))


def _shine(strength: float, tight: float, flat: float) -> Plane:
    """max(0, m^tightness less a flat's own), times the strength.

    Over the root of 1 - m, about the angle to the half vector, any power is a smooth bell.
    """
    if strength <= 0:
        return np.zeros(0, F)
    m = 1 - np.linspace(0, 1, TONES + 1) ** 2
    return (strength * np.maximum(m**tight - flat**tight, 0)).astype(F)


@njit(nogil=True, cache=True, error_model="numpy")
def tone_at(s: Real, k: LightNumbers) -> Real:
    """u of a cosine s between the surface's normal and the way to the lamp."""
    half, flat = np.float32(0.5), k.lz
    s = min(max(s, np.float32(0)), np.float32(1))
    u = s * k.below if s < flat else half + (s - flat) * k.above
    return min(max(half + k.strength * (u - half), np.float32(0)), np.float32(1))


@njit(nogil=True, cache=True, error_model="numpy")
def shine_at(m: Real, shine: Table) -> Real:
    """The gleam of a cosine m between the normal and the half vector."""
    if shine.size == 0:
        return np.float32(0)
    one = np.float32(1)
    at = np.sqrt(one - min(max(m, np.float32(0)), one)) * np.float32(TONES)
    n = min(int(at), TONES - 1)
    return shine[n] + (shine[n + 1] - shine[n]) * (at - np.float32(n))


@njit(nogil=True, cache=True, error_model="numpy")
def tone(gx: Real, gy: Real, k: LightNumbers, shine: Table) -> tuple[Real, Real]:
    """u and the gleam of a surface with slopes gx, gy."""
    one = np.float32(1)
    size = one / np.sqrt(one + gx * gx + gy * gy)
    s = (k.lz - gx * k.lx - gy * k.ly) * size
    return tone_at(s, k), shine_at((k.hz - gx * k.hx - gy * k.hy) * size, shine)


@njit(nogil=True, cache=True, error_model="numpy")
def colour_at(u: Real, light: Real, k: LightNumbers, ramp: Table) -> tuple[Real, Real, Real, Real]:
    """Premultiplied colour of a tone and its gleam."""
    at = min(int(u * np.float32(TONES) + np.float32(0.5)), TONES)
    a = ramp[at, 3]
    return (
        ramp[at, 0] + k.red * light,
        ramp[at, 1] + k.green * light,
        ramp[at, 2] + k.blue * light,
        a + min(light, np.float32(1) - a),
    )


@njit(nogil=True, cache=True, error_model="numpy")
def store(r: Real, g: Real, b: Real, a: Real, weight: Real, out: Planes, y: int, x: int) -> None:
    """The mean of `weight` looks, straight alpha."""
    one = np.float32(1)
    scale = one / max(a, np.float32(1e-6))
    out[0, y, x] = min(r * scale, one)
    out[1, y, x] = min(g * scale, one)
    out[2, y, x] = min(b * scale, one)
    out[3, y, x] = a / weight


@njit(nogil=True, cache=True, error_model="numpy")
def _slopes(
    h: Plane, k: LightNumbers, ramp: Table, shine: Table, out: Planes, y0: int, y1: int
) -> None:
    height, width = h.shape
    half, one = np.float32(0.5), np.float32(1)
    for y in range(y0, y1):
        up, low = max(y - 1, 0), min(y + 1, height - 1)
        for x in range(width):
            left, right = max(x - 1, 0), min(x + 1, width - 1)
            gx = (h[y, right] - h[y, left]) * (half if right - left == 2 else one)
            gy = (h[low, x] - h[up, x]) * (half if low - up == 2 else one)
            u, light = tone(gx, gy, k, shine)
            r, g, b, a = colour_at(u, light, k, ramp)
            store(r, g, b, a, one, out, y, x)


def lit_heights(heights: Plane, light: Light) -> Planes:
    """(4, H, W) straight colours of a height field in px, by its own differences."""
    out = np.empty((4, *heights.shape), F)
    h = np.ascontiguousarray(heights, F)
    bands.run(
        lambda a, b: _slopes(h, light.numbers, light.ramp, light.shine, out, a, b),
        bands.split(len(h)),
    )
    return out
