"""A moulding carved along the edge and lit, px by px from exact distances and normals.

Where the normals of neighbouring px part (on a ridge or in a mitre) the px is looked at in sixteen
places: each neighbour stands for the piece of outline it belongs to, and the nearest of them holds.
Elsewhere three looks across the slope keep narrow mouldings smooth.
"""

from __future__ import annotations

import numpy as np
from numba import njit

from .. import bands
from ..box import Box
from .lighting import RIDGE, Light, put, store, tone

LEAST_LOOKS, MOST_LOOKS, FINE = 3, 12, 24.0
"""Looks across a px: as many as give a span FINE of them, within bounds."""


@njit(nogil=True, cache=True)
def _height(d, outer, reach, heights):  # type: ignore[no-untyped-def]
    p = (d - outer) / reach
    at = min(max(p, np.float32(0)), np.float32(1)) * np.float32(heights.shape[0] - 1)
    k = min(int(at), heights.shape[0] - 2)
    return heights[k] + (heights[k + 1] - heights[k]) * (at - np.float32(k))


@njit(nogil=True, cache=True)
def _slope(d, wide, outer, reach, rise, heights):  # type: ignore[no-untyped-def]
    """Of the height over the distance, averaged over `wide` px."""
    half = wide * np.float32(0.5)
    # what lies outside the span is cut away by coverage: its flat must not be mixed in
    d = max(d, outer + half)
    up = _height(d + half, outer, reach, heights) - _height(d - half, outer, reach, heights)
    return rise * up / wide


@njit(nogil=True, cache=True)
def _is_ridge(n, y, x):  # type: ignore[no-untyped-def]
    nx, ny = n[0, y, x], n[1, y, x]
    for j, i in ((y, x - 1), (y, x + 1), (y - 1, x), (y + 1, x)):
        if nx * n[0, j, i] + ny * n[1, j, i] < RIDGE:
            return True
    return False


@njit(nogil=True, cache=True)
def _closely(d, n, y, x, outer, reach, rise, heights, k, ramp, acc):  # type: ignore[no-untyped-def]
    """Sixteen looks: of the nine pieces of outline round about, the nearest holds in each."""
    quarter, wide = np.float32(0.25), np.float32(0.25)
    inside = d[y, x] > 0
    for sy in range(4):
        fy = (np.float32(sy) + np.float32(0.5)) * quarter - np.float32(0.5)
        for sx in range(4):
            fx = (np.float32(sx) + np.float32(0.5)) * quarter - np.float32(0.5)
            best, bx, by = np.float32(1e9), np.float32(0), np.float32(0)
            for j in range(-1, 2):
                for i in range(-1, 2):
                    nx, ny = n[0, y + j, x + i], n[1, y + j, x + i]
                    e = d[y + j, x + i] + nx * (fx - np.float32(i)) + ny * (fy - np.float32(j))
                    e = e if inside else -e
                    if e < best:
                        best, bx, by = e, nx, ny
            at = best if inside else -best
            g = _slope(at, wide, outer, reach, rise, heights)
            u, shine = tone(g * bx, g * by, k)
            put(u, shine, ramp, k, acc)


@njit(nogil=True, cache=True)
def _carve(d, n, top, left, outer, reach, rise, heights, k, ramp, looks, out, y0, y1):  # type: ignore[no-untyped-def]
    """top, left : where out's corner lies in the fields d and n."""
    acc = np.zeros(4, np.float32)
    flat_u, flat_shine = tone(np.float32(0), np.float32(0), k)
    wide = np.float32(1) / np.float32(looks)
    one = np.float32(1)
    middle = np.float32(0.5) * np.float32(looks - 1)
    inner, last = outer + reach, np.float32(d.shape[0])
    for y in range(y0, y1):
        fy = y + top
        for x in range(out.shape[2]):
            fx = x + left
            here = d[fy, fx]
            acc[:] = 0
            if here < outer - one - one:
                out[0, y, x] = out[1, y, x] = out[2, y, x] = out[3, y, x] = 0
                continue
            if here > inner + one and reach > 0:
                put(flat_u, flat_shine, ramp, k, acc)
                store(acc, one, out, y, x)
                continue
            border = fy < 1 or fx < 1 or fy >= last - 1 or fx >= d.shape[1] - 1
            if not border and _is_ridge(n, fy, fx):
                _closely(d, n, fy, fx, outer, reach, rise, heights, k, ramp, acc)
                store(acc, np.float32(16), out, y, x)
                continue
            for look in range(looks):
                at = here + (np.float32(look) - middle) * wide
                g = _slope(at, wide, outer, reach, rise, heights)
                u, shine = tone(g * n[0, fy, fx], g * n[1, fy, fx], k)
                put(u, shine, ramp, k, acc)
            store(acc, np.float32(looks), out, y, x)


def carved(
    d: np.ndarray, n: np.ndarray, over: Box, box: Box, span: tuple[float, float], rise: float,
    heights: np.ndarray, light: Light,
) -> np.ndarray:  # fmt: skip
    """(4, H, W) straight colours over `box`.

    d, n : signed distance and normals over `over`, px; span : outer and inner end, px
    rise : height in px of a moulding's 1; heights : its table
    """
    outer, reach = np.float32(span[0]), np.float32(max(span[1] - span[0], 1e-3))
    out = np.empty((4, box.height, box.width), np.float32)
    looks = int(min(max(FINE / float(reach), LEAST_LOOKS), MOST_LOOKS))
    top, left = box.y0 - over.y0, box.x0 - over.x0
    bands.run(
        lambda a, b: _carve(d, n, top, left, outer, reach, np.float32(rise), heights,
                            light.numbers, light.ramp, looks, out, a, b),
        bands.split(box.height),
    )  # fmt: skip
    return out
