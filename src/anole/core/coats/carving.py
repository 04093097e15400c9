"""A moulding carved along the edge and lit, px by px from exact distances and normals.

How a px looks depends on two numbers alone: its distance, and how far its normal turns to the lamp
(the half vector of the gleam leans the same way). So all looks are tabulated over these two, each
the mean of several across the slope, and a px is one look-up between four entries.
Where the normals of neighbouring px part (on a ridge or in a mitre) the px is looked at in sixteen
places: each neighbour stands for the piece of outline it belongs to, and the nearest of them holds.
"""

from __future__ import annotations

from typing import NamedTuple

import numpy as np
from numba import njit

from .. import bands
from ..box import Box
from .lighting import RIDGE, Light, colour_at, shine_at, store, tone, tone_at

LEAST_LOOKS, MOST_LOOKS, FINE = 3, 12, 24.0
"""Looks across a px: as many as give a span FINE of them, within bounds."""
PER_PX, MOST = 32, 1 << 16
"""Entries of the slopes for each px of distance, and altogether."""
SAME = np.float32(0.9998)
"""Cosine of normals that belong to one straight piece of outline."""
LOOKED_PX, LEAST_ROWS, MOST_ROWS, TURNS = 8, 64, 640, 129
"""Rows of the looks for each px of distance, their bounds, and entries from the darkest turn of a
normal to the brightest."""


def slopes(
    heights: np.ndarray, span: tuple[float, float], rise: float, wide: float
) -> tuple[np.ndarray, float, float]:
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
def entry(d, first, per_px, count):  # type: ignore[no-untyped-def]
    at = (d - first) * per_px + np.float32(0.5)
    return int(min(max(at, np.float32(0)), np.float32(count - 1)))


@njit(nogil=True, cache=True, error_model="numpy")
def _ridges(n, y, ridge):  # type: ignore[no-untyped-def]
    """For each px of row y whether a neighbour's normal parts from its own; not at the borders."""
    ridge[:] = False
    width = n.shape[2]
    if y < 1 or y >= n.shape[1] - 1:
        return
    ax, ay, ux, uy, lx, ly = n[0, y], n[1, y], n[0, y - 1], n[1, y - 1], n[0, y + 1], n[1, y + 1]
    for x in range(1, width - 1):
        nx, ny = ax[x], ay[x]
        least = min(
            nx * ax[x - 1] + ny * ay[x - 1],
            nx * ax[x + 1] + ny * ay[x + 1],
            nx * ux[x] + ny * uy[x],
            nx * lx[x] + ny * ly[x],
        )
        ridge[x] = least < RIDGE


@njit(nogil=True, cache=True, error_model="numpy")
def _tabulate(slope, first, per_px, start, step, reach, k, ramp, shine, looks, out, y0, y1):  # type: ignore[no-untyped-def]
    """out (rows, TURNS, 4) premultiplied: row i at distance start + i step, column j at the turn
    c = reach (2 j / (TURNS - 1) - 1) of the normal toward the lamp."""
    one, wide = np.float32(1), np.float32(1) / np.float32(looks)
    lean = k[4] / k[0] if abs(k[0]) > abs(k[1]) else k[5] / k[1]
    off = -wide * np.float32(0.5) * np.float32(looks - 1)
    share = one / np.float32(looks)
    out[y0:y1] = 0
    for i in range(y0, y1):
        for look in range(looks):
            d = start + np.float32(i) * step + off + np.float32(look) * wide
            e = entry(d, first, per_px, len(slope))
            size, g = slope[e, 0], slope[e, 1]
            for j in range(TURNS):
                c = reach * (np.float32(2 * j) / np.float32(TURNS - 1) - one)
                u = tone_at(k[2] * size - g * c, k)
                colour = colour_at(u, shine_at(k[6] * size - g * c * lean, shine), k, ramp)
                for p in range(4):
                    out[i, j, p] += colour[p] * share


class Looks(NamedTuple):
    """colours (rows TURNS, 4) premultiplied, row after row, the distance of the first row, rows for each px, and
    the greatest turn."""

    colours: np.ndarray
    first: np.float32
    per_px: np.float32
    reach: np.float32


def looks_of(heights: np.ndarray, span: tuple[float, float], rise: float, light: Light) -> Looks:
    reach = max(span[1] - span[0], 1e-3)
    looks = int(min(max(FINE / reach, LEAST_LOOKS), MOST_LOOKS))
    slope, first, per_px = slopes(heights, span, rise, 1 / looks)
    rows = int(min(max((reach + 3) * LOOKED_PX, LEAST_ROWS), MOST_ROWS))
    step = (reach + 3) / (rows - 1)
    turn = max(float(np.hypot(light.numbers[0], light.numbers[1])), 1e-4)
    out = np.empty((rows, TURNS, 4), np.float32)
    numbers = (np.float32(v) for v in (first, per_px, span[0] - 1.5, step, turn))
    values = tuple(numbers)
    bands.run(
        lambda a, b: _tabulate(
            slope, *values, light.numbers, light.ramp, light.shine, looks, out, a, b
        ),
        bands.split(rows),
    )
    return Looks(out.reshape(-1, 4), values[2], np.float32(1 / step), values[4])


@njit(nogil=True, cache=True, error_model="numpy")
def _look(d, c, table, first, per_px, reach):  # type: ignore[no-untyped-def]
    """The look at distance d and turn c, between four entries of a flat table (rows TURNS, 4)."""
    zero, one = np.float32(0), np.float32(1)
    rows = np.float32(table.shape[0] // TURNS - 1)
    y = min(max((d - first) * per_px, zero), rows - np.float32(1e-3))
    x = (c / reach + one) * np.float32((TURNS - 1) / 2)
    x = min(max(x, zero), np.float32(TURNS - 1) - np.float32(1e-3))
    i, j = np.uint32(y), np.uint32(x)
    fy, fx = y - np.float32(i), x - np.float32(j)
    wd, wc, wb = fy * fx, fy * (one - fx), (one - fy) * fx
    wa = one - wd - wc - wb
    # unsigned places: a signed one might count from the end, and would be asked each time
    p = i * np.uint32(TURNS) + j
    q, s = p + np.uint32(1), p + np.uint32(TURNS)
    t = s + np.uint32(1)
    u0, u1, u2, u3 = np.uint32(0), np.uint32(1), np.uint32(2), np.uint32(3)
    r = table[p, u0] * wa + table[q, u0] * wb + table[s, u0] * wc + table[t, u0] * wd
    g = table[p, u1] * wa + table[q, u1] * wb + table[s, u1] * wc + table[t, u1] * wd
    b = table[p, u2] * wa + table[q, u2] * wb + table[s, u2] * wc + table[t, u2] * wd
    a = table[p, u3] * wa + table[q, u3] * wb + table[s, u3] * wc + table[t, u3] * wd
    return r, g, b, a


@njit(nogil=True, cache=True, error_model="numpy")
def _closely(d, n, y, x, k, table, first, per_px, reach, near):  # type: ignore[no-untyped-def]
    """Sixteen looks: of the nine pieces of outline round about, the nearest holds in each.

    near : (9, 4) room for the pieces that differ: distance at the px's middle, slopes, turn
    """
    quarter, half, zero = np.float32(0.25), np.float32(0.5), np.float32(0)
    sign = np.float32(1) if d[y, x] > 0 else np.float32(-1)
    count = 0
    for j in range(-1, 2):
        for i in range(-1, 2):
            nx, ny = n[0, y + j, x + i], n[1, y + j, x + i]
            e = d[y + j, x + i] - nx * np.float32(i) - ny * np.float32(j)
            new = True
            for m in range(count):
                same = nx * near[m, 1] + ny * near[m, 2] > SAME
                if same and abs(e - sign * near[m, 0]) < np.float32(0.05):
                    new = False
            if new:
                near[count, 0], near[count, 1], near[count, 2] = e * sign, nx, ny
                near[count, 3] = nx * k[0] + ny * k[1]
                count += 1
    r = g = b = a = zero
    for sy in range(4):
        fy = ((np.float32(sy) + half) * quarter - half) * sign
        for sx in range(4):
            fx = ((np.float32(sx) + half) * quarter - half) * sign
            best, turn = np.float32(1e9), zero
            for m in range(count):
                e = near[m, 0] + near[m, 1] * fx + near[m, 2] * fy
                if e < best:
                    best, turn = e, near[m, 3]
            one = _look(best * sign, turn, table, first, per_px, reach)
            r, g, b, a = r + one[0], g + one[1], b + one[2], a + one[3]
    return r, g, b, a


@njit(nogil=True, cache=True, error_model="numpy")
def _carve(d, n, top, left, outer, k, table, first, per_px, reach, out, y0, y1):  # type: ignore[no-untyped-def]
    """top, left : where out's corner lies in the fields d and n."""
    one, zero, tiny = np.float32(1), np.float32(0), np.float32(1e-6)
    lx, ly, width = k[0], k[1], out.shape[2]
    ridge, near = np.zeros(d.shape[1], np.bool_), np.zeros((9, 4), np.float32)
    for y in range(y0, y1):
        fy = y + top
        _ridges(n, fy, ridge)
        line, nx, ny = d[fy, left:], n[0, fy, left:], n[1, fy, left:]
        red, green, blue, alpha, close = out[0, y], out[1, y], out[2, y], out[3, y], ridge[left:]
        for at in range(width):
            x = np.uint32(at)
            if line[x] < outer:
                red[x] = green[x] = blue[x] = alpha[x] = zero
            elif close[x]:
                r, g, b, a = _closely(d, n, fy, at + left, k, table, first, per_px, reach, near)
                store(r, g, b, a, np.float32(16), out, y, at)
            else:
                turn = nx[x] * lx + ny[x] * ly
                r, g, b, a = _look(line[x], turn, table, first, per_px, reach)
                scale = one / max(a, tiny)
                red[x], green[x] = min(r * scale, one), min(g * scale, one)
                blue[x], alpha[x] = min(b * scale, one), a


def carved(
    d: np.ndarray, n: np.ndarray, over: Box, box: Box, span: tuple[float, float], rise: float,
    heights: np.ndarray, light: Light,
) -> np.ndarray:  # fmt: skip
    """(4, H, W) straight colours over `box`.

    d, n : signed distance and normals over `over`, px; span : outer and inner end, px
    rise : height in px of a moulding's 1; heights : its table
    """
    out = np.empty((4, box.height, box.width), np.float32)
    looks, outer = looks_of(heights, span, rise, light), np.float32(span[0] - 2)
    top, left = box.y0 - over.y0, box.x0 - over.x0
    bands.run(
        lambda a, b: _carve(d, n, top, left, outer, light.numbers, *looks, out, a, b),
        bands.split(box.height),
    )
    return out


@njit(nogil=True, cache=True, error_model="numpy")
def _swell(d, outer, slope, first, per_px, k, ramp, shine, out, y0, y1):  # type: ignore[no-untyped-def]
    """d is one px wider than out on every side."""
    half, one, zero, tiny = np.float32(0.5), np.float32(1), np.float32(0), np.float32(1e-6)
    for y in range(y0, y1):
        up, line, low = d[y], d[y + 1], d[y + 2]
        red, green, blue, alpha = out[0, y], out[1, y], out[2, y], out[3, y]
        for at in range(out.shape[2]):
            x = np.uint32(at)
            here = line[x + np.uint32(1)]
            if here < outer:
                red[x] = green[x] = blue[x] = alpha[x] = zero
                continue
            g = slope[entry(here, first, per_px, len(slope)), 2] * half
            gx = (line[x + np.uint32(2)] - line[x]) * g
            gy = (low[x + np.uint32(1)] - up[x + np.uint32(1)]) * g
            u, light = tone(gx, gy, k, shine)
            r, g, b, a = colour_at(u, light, k, ramp)
            scale = one / max(a, tiny)
            red[x], green[x] = min(r * scale, one), min(g * scale, one)
            blue[x], alpha[x] = min(b * scale, one), a


def swollen(
    d: np.ndarray, over: Box, box: Box, span: tuple[float, float], rise: float,
    heights: np.ndarray, light: Light,
) -> np.ndarray:  # fmt: skip
    """As carved(), from a smoothed distance and its own differences."""
    out = np.empty((4, box.height, box.width), np.float32)
    rows, columns = box.grown(1).meet(over).slices_in(over)
    wide = d[rows, columns]
    short = box.grown(1)
    sides = ((max(over.y0 - short.y0, 0), max(short.y1 - over.y1, 0)),
             (max(over.x0 - short.x0, 0), max(short.x1 - over.x1, 0)))  # fmt: skip
    wide = np.pad(wide, sides, mode="edge")
    slope, first, per_px = slopes(heights, span, rise, 1.0)
    values = tuple(np.float32(v) for v in (first, per_px))
    # a smoothed distance spreads beyond the edge: what is cut away by coverage may stay clear
    outer = np.float32(span[0] - 3 - 0.5 * (span[1] - span[0]))
    bands.run(
        lambda a, b: _swell(
            wide, outer, slope, *values, light.numbers, light.ramp, light.shine, out, a, b
        ),
        bands.split(box.height),
    )
    return out
