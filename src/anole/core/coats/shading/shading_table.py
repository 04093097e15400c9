"""How a px of a relief looks, tabulated over its distance and the turn of its normal to the lamp.

A gleam may be narrower than the entries of any such table: it is added px by px, from the slopes.
"""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ... import bands
from ...arrays import Colours, Plane, Planes, Real, Table
from ...kernels import njit
from .lighting import Light, LightNumbers, colour_at, shine_at, tone_at

LEAST_SAMPLES, MOST_SAMPLES, FINE = 3, 12, 24.0
"""Samples across a px: as many as give a span FINE of them, within bounds."""
PER_PX, MOST = 32, 1 << 16
"""Entries of the slopes for each px of distance, and altogether."""
ROWS_PX, LEAST_ROWS, MOST_ROWS, TURNS = 8, 64, 640, 129
"""Rows of the table for each px of distance, their bounds, and entries from the darkest turn of a
normal to the brightest."""
SHORT = np.float32(1e-3)
"""By how much a place between entries stays below the last of them."""


def slopes(
    heights: Plane, span: tuple[float, float], rise: float, wide: float
) -> tuple[Colours, float, float]:
    """Slope g of the surface over the distance, averaged over `wide` px: rows of 1 / |(g, 1)|,
    g / |(g, 1)| and g, (n, 3) float32; the distance of the first, and rows for each px."""
    outer, reach = span[0], max(span[1] - span[0], 1e-3)
    count = int(min(max((reach + 2) * PER_PX, 64), MOST))
    d = np.linspace(outer - 1, outer + reach + 1, count)
    # what lies outside the span is cut away by coverage: its flat must not be mixed in
    held = np.maximum(d, outer + wide / 2)
    places = np.linspace(0, 1, len(heights))
    up = np.interp((held + wide / 2 - outer) / reach, places, heights)
    up -= np.interp((held - wide / 2 - outer) / reach, places, heights)
    g = up * rise / wide
    size = 1 / np.sqrt(1 + g * g)
    rows = np.stack([size, g * size, g], 1).astype(np.float32)
    return np.ascontiguousarray(rows), outer - 1, (count - 1) / (reach + 2)


@njit(nogil=True, cache=True, error_model="numpy")
def entry(d: Real, first: Real, per_px: Real, count: int) -> int:
    """Row of a table for the distance `d` px: `per_px` rows a px from `first` on, held in 0 to count - 1."""
    at = (d - first) * per_px + np.float32(0.5)
    return int(min(max(at, np.float32(0)), np.float32(count - 1)))


@njit(nogil=True, cache=True, error_model="numpy")
def _tabulate(
    slope: Plane,
    first: Real,
    per_px: Real,
    start: Real,
    step: Real,
    reach: Real,
    k: LightNumbers,
    ramp: Table,
    samples: int,
    out: Planes,
    y0: int,
    y1: int,
) -> None:
    """out (rows, TURNS, 4) premultiplied: row i at distance start + i step, column j at the turn
    c = reach (2 j / (TURNS - 1) - 1) of the normal toward the lamp."""
    one, wide = np.float32(1), np.float32(1) / np.float32(samples)
    off = -wide * np.float32(0.5) * np.float32(samples - 1)
    share = one / np.float32(samples)
    out[y0:y1] = 0
    for i in range(y0, y1):
        for tap in range(samples):
            d = start + np.float32(i) * step + off + np.float32(tap) * wide
            e = entry(d, first, per_px, len(slope))
            size, g = slope[e, 0], slope[e, 1]
            for j in range(TURNS):
                c = reach * (np.float32(2 * j) / np.float32(TURNS - 1) - one)
                u = tone_at(k.lz * size - g * c, k)
                colour = colour_at(u, np.float32(0), k, ramp)
                for p in range(4):
                    out[i, j, p] += colour[p] * share


class ShadingTable(NamedTuple):
    """colours : (rows TURNS, 4) premultiplied, row after row, the gleam left out
    first, per_px : distance of the first row, rows for each px; reach : the greatest turn
    """

    colours: Planes
    first: np.float32
    per_px: np.float32
    reach: np.float32


class HighlightTable(NamedTuple):
    """slope, first, per_px : as of slopes(); samples : how many across a px
    lean : of the half vector against the way to the lamp, and its part out of the board
    shine : the gleam, as of a Light; tint : its colour
    """

    slope: Table
    first: np.float32
    per_px: np.float32
    samples: int
    lean: tuple[np.float32, np.float32]
    shine: Table
    tint: tuple[np.float32, np.float32, np.float32]


def shading_tables(
    heights: Plane, span: tuple[float, float], rise: float, light: Light
) -> tuple[ShadingTable, HighlightTable]:
    """Colours and highlights over distance and turn, for heights (N,) along `span` px, `rise` px high."""
    reach = max(span[1] - span[0], 1e-3)
    samples = int(min(max(FINE / reach, LEAST_SAMPLES), MOST_SAMPLES))
    slope, first, per_px = slopes(heights, span, rise, 1 / samples)
    rows = int(min(max((reach + 3) * ROWS_PX, LEAST_ROWS), MOST_ROWS))
    step = (reach + 3) / (rows - 1)
    turn = max(float(np.hypot(light.numbers.lx, light.numbers.ly)), 1e-4)
    out = np.empty((rows, TURNS, 4), np.float32)
    numbers = (np.float32(v) for v in (first, per_px, span[0] - 1.5, step, turn))
    values = tuple(numbers)
    bands.run(
        lambda a, b: _tabulate(slope, *values, light.numbers, light.ramp, samples, out, a, b),
        bands.split(rows),
    )
    k = light.numbers
    lean = k.hx / k.lx if abs(k.lx) > abs(k.ly) else k.hy / k.ly
    shading = ShadingTable(out.reshape(-1, 4), values[2], np.float32(1 / step), values[4])
    return shading, HighlightTable(
        slope,
        values[0],
        values[1],
        samples,
        (np.float32(lean), k.hz),
        light.shine,
        (k.red, k.green, k.blue),
    )


@njit(nogil=True, cache=True, error_model="numpy")
def gleam(d: Real, c: Real, highlights: HighlightTable, count: int) -> Real:
    """The gleam of a px at distance d whose normal turns by c toward the lamp: the mean of
    `count` samples across it."""
    one, share = np.float32(1), np.float32(1) / np.float32(count)
    last = len(highlights.slope) - 1
    total = np.float32(0)
    for tap in range(count):
        off = (np.float32(tap) + np.float32(0.5)) * share - np.float32(0.5)
        at = (d + off - highlights.first) * highlights.per_px
        at = min(max(at, np.float32(0)), np.float32(last) - SHORT)
        n = int(at)
        beyond = at - np.float32(n)
        g = highlights.slope[n, 2] + (highlights.slope[n + 1, 2] - highlights.slope[n, 2]) * beyond
        size = one / np.sqrt(one + g * g)
        total += shine_at(
            (highlights.lean[1] - g * c * highlights.lean[0]) * size, highlights.shine
        )
    return total * share


@njit(nogil=True, cache=True, error_model="numpy")
def add_highlight(
    colour: tuple[Real, Real, Real, Real], light: Real, tint: tuple[Real, Real, Real]
) -> tuple[Real, Real, Real, Real]:
    """A premultiplied colour with a gleam added: what it lacks of cover the gleam brings."""
    r, g, b, a = colour
    a += min(light, np.float32(1) - a)
    return r + tint[0] * light, g + tint[1] * light, b + tint[2] * light, a


@njit(nogil=True, cache=True, error_model="numpy")
def turn_at(c: Real, reach: Real) -> Real:
    """Where a turn stands among the TURNS entries of a row, short of the last."""
    at = (c / reach + np.float32(1)) * np.float32((TURNS - 1) / 2)
    return min(max(at, np.float32(0)), np.float32(TURNS - 1) - SHORT)


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _of_four(
    table: Planes, p: np.uint32, q: np.uint32, part: np.uint32, right: Real, down: Real
) -> Real:
    """One part of a colour between the entries p, p + 1 above and q, q + 1 beneath."""
    one = np.uint32(1)
    upper = table[p, part] + (table[p + one, part] - table[p, part]) * right
    lower = table[q, part] + (table[q + one, part] - table[q, part]) * right
    return upper + (lower - upper) * down


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def sample_shading(
    d: Real, turn: Real, beyond: Real, shading: ShadingTable
) -> tuple[Real, Real, Real, Real]:
    """Premultiplied, between four entries: those at turn and the next, of the rows round d.

    Of one row alone a px on the border of two would look as rounding has it.
    """
    table, rows = shading.colours, np.float32(shading.colours.shape[0] // TURNS - 1)
    at = min(max((d - shading.first) * shading.per_px, np.float32(0)), rows - SHORT)
    row = np.uint32(at)
    low = at - np.float32(row)
    p = row * np.uint32(TURNS) + np.uint32(turn)
    q = p + np.uint32(TURNS)
    return (
        _of_four(table, p, q, np.uint32(0), beyond, low),
        _of_four(table, p, q, np.uint32(1), beyond, low),
        _of_four(table, p, q, np.uint32(2), beyond, low),
        _of_four(table, p, q, np.uint32(3), beyond, low),
    )
