"""The share of a pixel on one side of the line where a distance has some value."""

from __future__ import annotations

import numpy as np
from numba import njit

from ..arrays import Plane, Real

SIDE = 4
"""Places looked at across a pixel where edges meet."""


@njit(nogil=True, cache=True, error_model="numpy")
def slopes(d: Plane, y: int, x: int) -> tuple[Real, Real]:
    """Central differences; one-sided at the borders."""
    height, width = d.shape
    up, low, left, right = (
        max(y - 1, 0),
        min(y + 1, height - 1),
        max(x - 1, 0),
        min(x + 1, width - 1),
    )
    gx = (d[y, right] - d[y, left]) / np.float32(max(right - left, 1))
    gy = (d[low, x] - d[up, x]) / np.float32(max(low - up, 1))
    return gx, gy


@njit(nogil=True, cache=True, error_model="numpy")
def area(s: Real, gx: Real, gy: Real, square: Real) -> Real:
    """Area of a unit square on the positive side of a line.

    s : signed distance of its middle to the line; gx, gy : which way the side lies, of any length
    whose square is `square`
    """
    half, one, two = np.float32(0.5), np.float32(1), np.float32(2)
    size = one / np.sqrt(square)
    a, b = abs(gx) * size, abs(gy) * size
    most, least = max(a, b), min(a, b)
    reach, far = half * (most + least), abs(s)
    if far >= reach:
        rest = np.float32(0)
    elif far <= half * (most - least):
        rest = half - far / most
    else:
        rest = (reach - far) * (reach - far) / (two * most * least)
    return one - rest if s > 0 else rest


@njit(nogil=True, cache=True, error_model="numpy")
def _plane(d: Plane, y: int, x: int, j: int, i: int) -> tuple[Real, Real, Real]:
    """Value and slopes of the distance at a pixel as its neighbour's side of a crease goes on."""
    height, width = d.shape
    y1, x1, y2, x2 = y + j, x + i, y + 2 * j, x + 2 * i
    if not (0 <= y2 < height and 0 <= x2 < width):
        gx, gy = slopes(d, y, x)
        return d[y, x], gx, gy
    step = d[y1, x1] - d[y2, x2]
    gx, gy = slopes(d, y1, x1)
    if i:
        gx = -step * np.float32(i)
    else:
        gy = -step * np.float32(j)
    return d[y1, x1] + step, gx, gy


@njit(nogil=True, cache=True, error_model="numpy")
def crease(d: Plane, y: int, x: int, at: Real) -> Real:
    """Share of a pixel deeper than `at` where two edges are about equally near.

    Each neighbour goes on as the plane it lies on. The greatest of them holds where the distance
    is bent upward (a slit between two strokes), the least where it is bent downward (a ridge).
    """
    height, width = d.shape
    left, right, up, low = (
        max(x - 1, 0),
        min(x + 1, width - 1),
        max(y - 1, 0),
        min(y + 1, height - 1),
    )
    upward = d[y, left] + d[y, right] + d[up, x] + d[low, x] > np.float32(4) * d[y, x]
    (a, ax, ay), (b, bx, by) = _plane(d, y, x, 0, -1), _plane(d, y, x, 0, 1)
    (p, px, py), (q, qx, qy) = _plane(d, y, x, -1, 0), _plane(d, y, x, 1, 0)
    total, zero, half, one = np.float32(0), np.float32(0), np.float32(0.5), np.float32(1)
    side = np.float32(SIDE)
    for j in range(SIDE):
        v = (np.float32(j) + half) / side - half
        for i in range(SIDE):
            u = (np.float32(i) + half) / side - half
            k, m = a + ax * u + ay * v, b + bx * u + by * v
            n, o = p + px * u + py * v, q + qx * u + qy * v
            value = max(k, m, n, o) if upward else min(k, m, n, o)
            total += min(max((value - at) * side + half, zero), one)
    return total / (side * side)
