"""The line where a smooth plane crosses a level, as loose chords (marching squares),
wound so that what lies above the level counts as positive."""

from __future__ import annotations

import numpy as np

from ..arrays import Chords, Plane, Points, Real, Records
from ..box import Box
from ..kernels import njit

MOST_AT_ONCE = 1 << 16
"""Chords that there is room for at first; where there are more the plane is gone through again."""


@njit(nogil=True, cache=True)
def _backward(
    a: Real, b: Real, c: Real, d: Real, n: int, k: int, ends: Points, x: Real, y: Real
) -> bool:
    """Whether what lies above the level is not on the positive side of a chord of a cell."""
    ex, ey = x + 1.0, y + 0.0
    value = b
    if n == 4:
        if k == 2:
            ex, ey, value = x + 0.0, y + 1.0, d
    else:
        # the corner that is farthest from the level surely lies beside the chord
        if abs(a) > abs(value):
            ex, ey, value = x + 0.0, y + 0.0, a
        if abs(c) > abs(value):
            ex, ey, value = x + 1.0, y + 1.0, c
        if abs(d) > abs(value):
            ex, ey, value = x + 0.0, y + 1.0, d
    dx, dy = ends[k + 1, 0] - ends[k, 0], ends[k + 1, 1] - ends[k, 1]
    return (dx * (ey - ends[k, 1]) - dy * (ex - ends[k, 0]) > 0) != (value > 0)


@njit(nogil=True, cache=True)
def _crossings(plane: Plane, level: float, out: Records) -> int:
    """Marching squares: where the four centres a b c d of a cell, clockwise from the top left, differ in
    sign, the line of the level runs between their sides, crossed at v / (v - w) from one centre to the
    next; a saddle gives two chords. Returns how many there are, more than `out` has rows when it is full.
    """
    count = 0
    height, width = plane.shape
    ends = np.empty((4, 2))
    for y in range(height - 1):
        for x in range(width - 1):
            a, b = plane[y, x] - level, plane[y, x + 1] - level
            d, c = plane[y + 1, x] - level, plane[y + 1, x + 1] - level
            if (a > 0) == (b > 0) and (b > 0) == (c > 0) and (c > 0) == (d > 0):
                continue
            n = 0
            if (a > 0) != (b > 0):
                ends[n, 0], ends[n, 1] = x + a / (a - b), y
                n += 1
            if (b > 0) != (c > 0):
                ends[n, 0], ends[n, 1] = x + 1, y + b / (b - c)
                n += 1
            if (c > 0) != (d > 0):
                ends[n, 0], ends[n, 1] = x + d / (d - c), y + 1
                n += 1
            if (d > 0) != (a > 0):
                ends[n, 0], ends[n, 1] = x, y + a / (a - d)
                n += 1
            for k in range(0, n, 2):
                if _backward(a, b, c, d, n, k, ends, x, y):
                    for at in range(2):
                        ends[k, at], ends[k + 1, at] = ends[k + 1, at], ends[k, at]
                if count < out.shape[0]:
                    out[count, 0], out[count, 1] = ends[k, 0] + 0.5, ends[k, 1] + 0.5
                    out[count, 2], out[count, 3] = ends[k + 1, 0] + 0.5, ends[k + 1, 1] + 0.5
                count += 1
    return count


def contour(plane: Plane, level: float, box: Box) -> Chords:
    """Chords (m, 4) float64 px of the line plane == level, linear between pixel centres.

    plane : (H, W) float32 over `box`
    """
    room = np.empty((MOST_AT_ONCE, 4))
    count = _crossings(plane, level, room)
    if count > len(room):
        room = np.empty((count, 4))
        _crossings(plane, level, room)
    return room[:count] + (box.x0, box.y0, box.x0, box.y0)
