"""A gradient's stops as a table of colours (CSS Images 4, 3.5; CSS Color 4, 12)."""

from __future__ import annotations

import functools
import itertools
import math

import numpy as np

from ..arrays import Colours, Table, Values, Vector
from ..colour.gamut import into_srgb
from ..colour.spaces import SPACES, Space, flat
from ..kernels import njit
from ..model import Gradient, Stop

STEPS = 8192
KNOTS = 257
"""Colours computed between two stops; the table runs straight from one to the next."""
PAD, REFLECT, REPEAT = range(3)
SPREADS = {"pad": PAD, "reflect": REFLECT, "repeat": REPEAT}


def hue_end(first: float, second: float, path: str) -> float:
    """The second hue, turned so that a straight way from the first takes the path."""
    by = second - first
    if path == "shorter":
        by = (by + 180) % 360 - 180
        by = 180.0 if by == -180 and second > first else by
    elif path == "longer":
        if 0 < by < 180:
            by -= 360
        elif -180 < by <= 0:
            by += 360
    elif path == "increasing":
        by += 360 if by < 0 else 0
    else:
        by -= 360 if by > 0 else 0
    return first + by


def _ends(first: Stop, second: Stop, space: Space, path: str) -> tuple[Vector, Vector]:
    """Both colours in the space; a colour without a hue takes the other's."""
    a, b = (space.into(np.array(stop.colour.floats[:3])) for stop in (first, second))
    if space.hue is not None and space.strength is not None:
        plain_a, plain_b = a[space.strength] <= space.grey, b[space.strength] <= space.grey
        if plain_a:
            a[space.hue] = b[space.hue]
        elif plain_b:
            b[space.hue] = a[space.hue]
        b[space.hue] = hue_end(
            a[space.hue], b[space.hue], "shorter" if plain_a or plain_b else path
        )
    return a, b


def _mixed(share: Values, first: Stop, second: Stop, name: str, path: str) -> Colours:
    """Colours at shares of the way between two stops: premultiplied, all but a hue."""
    space = SPACES[name]
    a, b = _ends(first, second, space, path)
    alpha_a, alpha_b = first.colour.floats[3], second.colour.floats[3]
    alpha = alpha_a + (alpha_b - alpha_a) * share
    colour = a[:, None] * alpha_a + (b * alpha_b - a * alpha_a)[:, None] * share
    colour = np.where(alpha > 1e-9, colour / np.maximum(alpha, 1e-9), (a + (b - a) / 2)[:, None])
    if space.hue is not None:
        colour[space.hue] = a[space.hue] + (b[space.hue] - a[space.hue]) * share
    if name in ("oklab", "oklch"):
        straight = into_srgb(flat(colour) if name == "oklch" else colour)
    else:
        straight = np.clip(space.out(colour), 0, 1)
    return np.vstack([straight, alpha])


@njit(nogil=True, cache=True, error_model="numpy")
def _spread(
    places: Values, exponents: Values, knots: Colours, ends: Colours, backward: bool, out: Table
) -> None:
    """out (4, STEPS): before the first of the places (n,) and from the last on one of the two `ends`
    (2, 4), between two of them the colours knots (n - 1, 4, KNOTS) at share ** exponent of the way."""
    count, last, step = out.shape[1], len(places) - 1, knots.shape[2] - 1
    for k in range(count):
        t = (k + 0.5) / count
        if backward:
            t = 1.0 - t
        if t < places[0] or t >= places[last]:
            end = 0 if t < places[0] else 1
            for p in range(4):
                out[p, k] = ends[end, p]
            continue
        i = 0
        while t >= places[i + 1]:
            i += 1
        share = (t - places[i]) / (places[i + 1] - places[i])
        if exponents[i] != 1.0:
            share = share ** exponents[i]
        at = min(share, 1.0) * step
        j = min(int(at), step - 1)
        beyond = at - j
        for p in range(4):
            out[p, k] = knots[i, p, j] + (knots[i, p, j + 1] - knots[i, p, j]) * beyond


@functools.lru_cache(256)
def table(
    stops: tuple[Stop, ...], space: str, backward: bool = False, path: str = "shorter"
) -> Table:
    """(4, STEPS) float32, straight alpha, sRGB-encoded, for t = (k + 1/2) / STEPS.

    Stops out of order are moved up to the one before them (CSS Images 4, 3.5.1).
    """
    places = np.maximum.accumulate([float(stop.at) for stop in stops])
    hints = np.array([min(max(stop.hint, 1e-4), 1 - 1e-4) for stop in stops[:-1]])
    share = np.linspace(0, 1, KNOTS)
    knots = np.zeros((len(stops) - 1, 4, KNOTS))
    for i, (first, second) in enumerate(itertools.pairwise(stops)):
        if places[i + 1] > places[i]:
            knots[i] = _mixed(share, first, second, space, path)
    ends = np.array([stops[0].colour.floats, stops[-1].colour.floats])
    out = np.empty((4, STEPS), np.float32)
    _spread(places, math.log(0.5) / np.log(hints), knots, ends, backward, out)
    return out


def table_of(gradient: Gradient) -> Table:
    """The gradient's table of colours (4, N), premultiplied, encoded sRGB in 0 to 1."""
    return table(gradient.stops, gradient.space, gradient.reversed, gradient.hue)


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _within(n: int, count: int, spread: int) -> int:
    """Where a table that goes on beyond its ends is read."""
    if spread == PAD:
        return min(max(n, 0), count - 1)
    if spread == REPEAT:
        return n % count
    turned = n % (2 * count)
    return min(turned, 2 * count - 1 - turned)


@njit(nogil=True, cache=True, error_model="numpy")
def _averaged(lut: Table, spread: int, taps: int, out: Table) -> None:
    """out (4, N) straight: entry k the premultiplied mean of the `taps` entries from k - taps // 2 on,
    by a running sum."""
    count, before = lut.shape[1], taps // 2
    sums = np.zeros(4)
    for k in range(-taps, count):
        if k > 0:
            n = _within(k - 1 - before, count, spread)
            for p in range(3):
                sums[p] -= lut[p, n] * lut[3, n]
            sums[3] -= lut[3, n]
        if k != 0:
            n = _within((k if k > 0 else k + 1) + taps - 1 - before, count, spread)
            for p in range(3):
                sums[p] += lut[p, n] * lut[3, n]
            sums[3] += lut[3, n]
        if k >= 0:
            alpha = max(sums[3], 1e-9 * taps)
            for p in range(3):
                out[p, k] = min(max(sums[p] / alpha, 0.0), 1.0)
            out[3, k] = min(max(sums[3] / taps, 0.0), 1.0)


@functools.lru_cache(512)
def _smooth(lut_of: tuple, spread: str, taps: int) -> Table:
    lut = table(*lut_of)
    if taps < 2:
        return lut
    mean = np.empty_like(lut)
    _averaged(lut, SPREADS[spread], taps, mean)
    if spread == "pad":  # what lies beyond the ends is all of one colour
        mean[:, [0, -1]] = lut[:, [0, -1]]
    return mean


def _key(gradient: Gradient) -> tuple:
    return (gradient.stops, gradient.space, gradient.reversed, gradient.hue)


def smooth_table(gradient: Gradient, taps: int, spread: str | None = None) -> Table:
    """The table averaged over what one pixel sees, so that hard stops have smooth edges."""
    return _smooth(_key(gradient), spread or gradient.spread, min(max(taps, 1), STEPS // 2))


@functools.lru_cache(32)
def _series(lut_of: tuple, spread: str, levels: int) -> Table:
    tables = [_smooth(lut_of, spread, 2**n).T for n in range(levels)]
    return np.ascontiguousarray(np.stack(tables))


def smooth_series(gradient: Gradient, levels: int, spread: str | None = None) -> Table:
    """(levels, STEPS, 4): tables averaged over 1, 2, 4, ... entries."""
    return _series(_key(gradient), spread or gradient.spread, levels)
