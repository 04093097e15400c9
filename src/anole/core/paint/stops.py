"""A gradient's stops as a table of colours (CSS Images 4, 3.5; CSS Color 4, 12)."""

from __future__ import annotations

import functools
import math

import numpy as np

from ..arrays import Colours, Table, Values, Vector
from ..colour.gamut import into_srgb
from ..colour.spaces import SPACES, Space, flat
from ..model import Gradient, Stop

STEPS = 8192
KNOTS = 257
"""Colours computed between two stops; the table runs straight from one to the next."""


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


def _between(t: Values, first: Stop, second: Stop, name: str, path: str) -> Colours:
    hint = min(max(first.hint, 1e-4), 1 - 1e-4)
    share = t ** (math.log(0.5) / math.log(hint))
    if len(t) <= KNOTS:
        return _mixed(share, first, second, name, path)
    knots = np.linspace(0, 1, KNOTS)
    colours = _mixed(knots, first, second, name, path)
    return np.stack([np.interp(share, knots, part) for part in colours])


@functools.lru_cache(256)
def table(
    stops: tuple[Stop, ...], space: str, backward: bool = False, path: str = "shorter"
) -> Table:
    """(4, STEPS) float32, straight alpha, sRGB-encoded, for t = (k + 1/2) / STEPS.

    Stops out of order are moved up to the one before them (CSS Images 4, 3.5.1).
    """
    t = (np.arange(STEPS) + 0.5) / STEPS
    if backward:
        t = 1 - t
    places = np.maximum.accumulate([stop.at for stop in stops])
    out = np.empty((4, STEPS))
    out[:] = np.array(stops[-1].colour.floats)[:, None]
    out[:, t < places[0]] = np.array(stops[0].colour.floats)[:, None]
    for i in range(len(stops) - 1):
        here = (t >= places[i]) & (t < places[i + 1])
        if here.any():
            share = (t[here] - places[i]) / (places[i + 1] - places[i])
            out[:, here] = _between(share, stops[i], stops[i + 1], space, path)
    return np.ascontiguousarray(out, np.float32)


def table_of(gradient: Gradient) -> Table:
    """The gradient's table of colours (4, N), premultiplied, encoded sRGB in 0 to 1."""
    return table(gradient.stops, gradient.space, gradient.reversed, gradient.hue)


@functools.lru_cache(512)
def _smooth(lut_of: tuple, spread: str, taps: int) -> Table:
    lut = table(*lut_of).astype(np.float64)
    if taps < 2:
        return lut.astype(np.float32)
    lut[:3] *= lut[3]
    mode = {"pad": "edge", "reflect": "symmetric", "repeat": "wrap"}[spread]
    wide = np.pad(lut, ((0, 0), (taps // 2 + 1, taps - taps // 2)), mode=mode)  # type: ignore[call-overload]
    sums = np.cumsum(wide, 1)
    mean = (sums[:, taps : taps + STEPS] - sums[:, :STEPS]) / taps
    mean[:3] /= np.maximum(mean[3], 1e-9)
    if spread == "pad":  # what lies beyond the ends is all of one colour
        mean[:, [0, -1]] = table(*lut_of)[:, [0, -1]]
    return np.ascontiguousarray(np.clip(mean, 0, 1), np.float32)


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
