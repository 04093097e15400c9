"""Light on a surface: a height field's tone, its ramp and its gleam.

With n the surface's normal and l the way to the lamp, s = n.l. A flat surface gets f = sin e;
u = 1/2 there, 0 at the darkest and 1 at the brightest. SVG's feDiffuseLighting gives the same s.
"""

from __future__ import annotations

import math
from typing import Any, NamedTuple

import numpy as np
from numba import njit

from .. import bands
from ..model import Lamp, Stop
from ..paint.stops import STEPS, table

F = np.float32
TONES = 1024
RIDGE = F(0.94)
"""Cosine between neighbouring normals below which a px is looked at more closely."""


class Light(NamedTuple):
    """Numbers of a lamp and a gleam, as the kernels take them."""

    numbers: np.ndarray
    ramp: np.ndarray


def toward(lamp: Lamp) -> tuple[float, float, float]:
    """The way to the lamp; x to the right, y down, z out of the board."""
    b, e = math.radians(lamp.bearing), math.radians(lamp.elevation)
    return math.sin(b) * math.cos(e), -math.cos(b) * math.cos(e), math.sin(e)


def ramp_table(stops: tuple[Stop, ...], lamp: Lamp) -> np.ndarray:
    """(4, TONES + 1) straight colours over u, the upper half tinted by the lamp's colour."""
    lut = table(stops, "oklab")
    u = np.linspace(0, 1, TONES + 1)
    made = lut[:, np.minimum((u * STEPS).astype(int), STEPS - 1)].copy()
    lit = np.clip(2 * u - 1, 0, 1).astype(F)
    for plane, tint in enumerate(lamp.colour.floats[:3]):
        made[plane] *= 1 - lit * F(1 - tint)
    return np.ascontiguousarray(made, F)


def light_of(lamp: Lamp, stops: tuple[Stop, ...], gleam: Any = None) -> Light:
    x, y, z = toward(lamp)
    half = np.array([x, y, z + 1])
    half /= np.linalg.norm(half)
    strength, tight, colour = 0.0, 1.0, (1.0, 1.0, 1.0, 1.0)
    if gleam is not None:
        strength, tight = gleam.strength, gleam.tightness
        colour = gleam.colour.floats
    numbers = np.array([x, y, z, lamp.strength, *half, strength * colour[3], tight, *colour[:3]], F)
    return Light(numbers, ramp_table(stops, lamp))


@njit(nogil=True, cache=True)
def tone(gx: float, gy: float, k: np.ndarray) -> tuple[np.float32, np.float32]:
    """u and the gleam of a surface with slopes gx, gy."""
    one, half = np.float32(1), np.float32(0.5)
    size = one / np.sqrt(one + gx * gx + gy * gy)
    s = min(max((k[2] - gx * k[0] - gy * k[1]) * size, np.float32(0)), one)
    f = k[2]
    u = half * s / f if s < f else half + half * (s - f) / max(one - f, np.float32(1e-4))
    u = min(max(half + k[3] * (u - half), np.float32(0)), one)
    shine = np.float32(0)
    if k[7] > 0:
        m = max((k[6] - gx * k[4] - gy * k[5]) * size, np.float32(0))
        shine = k[7] * max(m ** k[8] - k[6] ** k[8], np.float32(0))
    return u, shine


@njit(nogil=True, cache=True)
def put(u, shine, ramp, k, acc):  # type: ignore[no-untyped-def]
    """Add one look at the surface, premultiplied."""
    at = min(int(u * np.float32(TONES) + np.float32(0.5)), TONES)
    a = ramp[3, at]
    for p in range(3):
        acc[p] += ramp[p, at] * a + k[9 + p] * shine
    acc[3] += min(a + shine, np.float32(1))


@njit(nogil=True, cache=True)
def store(acc, weight, out, y, x):  # type: ignore[no-untyped-def]
    """The mean of `weight` looks, straight alpha."""
    a = acc[3] / weight
    out[3, y, x] = a
    scale = np.float32(1) / max(acc[3], np.float32(1e-6))
    for p in range(3):
        out[p, y, x] = min(acc[p] * scale, np.float32(1))


@njit(nogil=True, cache=True)
def _slopes(h, k, ramp, out, y0, y1):  # type: ignore[no-untyped-def]
    height, width = h.shape
    acc = np.zeros(4, np.float32)
    half = np.float32(0.5)
    for y in range(y0, y1):
        up, low = max(y - 1, 0), min(y + 1, height - 1)
        for x in range(width):
            left, right = max(x - 1, 0), min(x + 1, width - 1)
            gx = (h[y, right] - h[y, left]) * (half if right - left == 2 else np.float32(1))
            gy = (h[low, x] - h[up, x]) * (half if low - up == 2 else np.float32(1))
            acc[:] = 0
            u, shine = tone(gx, gy, k)
            put(u, shine, ramp, k, acc)
            store(acc, np.float32(1), out, y, x)


def lit_heights(heights: np.ndarray, light: Light) -> np.ndarray:
    """(4, H, W) straight colours of a height field in px, by its own differences."""
    out = np.empty((4, *heights.shape), F)
    h = np.ascontiguousarray(heights, F)
    bands.run(lambda a, b: _slopes(h, light.numbers, light.ramp, out, a, b), bands.split(len(h)))
    return out
