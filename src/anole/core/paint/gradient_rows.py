"""Rows of a gradient: where every px lies on it, and its entry in the table of colours."""

from __future__ import annotations

from typing import Any

import numpy as np

from ..arrays import Numbers, Plane, Planes, Real, Table
from ..kernels import njit
from .stops import REFLECT, REPEAT, STEPS

LINEAR, RADIAL, POLYGON, CONIC = range(4)
T0, TX, TY = range(3)
"""Columns of a line's geometry: t = T0 + TX x + TY y."""
CX, CY, PER_X, PER_Y, SIDES, FIRST = range(6)
"""Of a round one's: centre, 1 / radii, sides of a polygon, t at the centre."""
START, PER_TURN = 2, 3
"""Of a conic one's instead of the radii: where it starts, and t for a turn."""
WAYS = 8
"""Where the ways across a polygon's sides begin, x and y by turns."""


@njit(nogil=True, cache=True)
def _turn(x: np.float32, y: np.float32) -> np.float32:
    """Angle of (x, y) clockwise from up as a share of a turn, 0..1; within 4e-7.

    Polynomial of atan on 0..1 by W. Randolph Franklin's range reduction, coefficients minimax.
    """
    ax, ay = abs(x), abs(y)
    far = max(ax, ay, np.float32(1e-20))
    a = min(ax, ay) / far
    s = a * a
    r = np.float32(-0.01172120) * s + np.float32(0.05265332)
    r = r * s - np.float32(0.11643287)
    r = r * s + np.float32(0.19354346)
    r = r * s - np.float32(0.33262347)
    r = (r * s + np.float32(0.99997726)) * a * np.float32(0.15915494)
    turn = r if ax < ay else np.float32(0.25) - r
    turn = np.float32(0.5) - turn if y > 0 else turn
    return turn if x >= 0 else np.float32(1) - turn


@njit(nogil=True, cache=True)
def _t_at(shape: int, g: Plane, x: np.float32, y: np.float32) -> np.float32:
    """t at (x, y) px; g : one row of geometry, in the columns named above."""
    if shape == LINEAR:
        return g[T0] + g[TX] * x + g[TY] * y
    dx, dy = x - g[CX], y - g[CY]
    if shape == RADIAL:
        dx, dy = dx * g[PER_X], dy * g[PER_Y]
        return np.sqrt(dx * dx + dy * dy) - g[FIRST]
    if shape == POLYGON:
        # distance to the nearest side of a polygon whose corners lie on the circle
        dx, dy = dx * g[PER_X], dy * g[PER_Y]
        t = np.float32(0)
        for k in range(int(g[SIDES])):
            t = max(t, dx * g[WAYS + 2 * k] + dy * g[WAYS + 1 + 2 * k])
        return t - g[FIRST]
    turn = _turn(dx, dy) - g[START]
    return (turn - np.floor(turn)) * g[PER_TURN] - g[FIRST]


def fold(t: Any, spread: int) -> Any:
    """Where t, of any dtype and shape, lies on 0..1 once it has gone beyond (SVG 2, spreadMethod);
    PAD leaves it to be held within."""
    if spread == REFLECT:
        return abs(t - np.float32(2) * np.floor(t * np.float32(0.5) + np.float32(0.5)))
    if spread == REPEAT:
        return t - np.floor(t)
    return t


folded_number = njit(nogil=True, cache=True)(fold)
"""The same for a single number in kernels."""


@njit(nogil=True, cache=True)
def _entry(t: np.float32) -> int:
    return int(min(max(t * np.float32(STEPS), np.float32(0)), np.float32(STEPS - 1)))


@njit(nogil=True, cache=True)
def _polygon_row(g: Plane, y: int, row: Plane) -> None:
    """As _t_at for a polygon, side by side."""
    row[:] = 0
    for k in range(int(g[SIDES])):
        step = g[PER_X] * g[WAYS + 2 * k]
        start = (np.float32(0.5) - g[CX]) * step
        start += (y - g[CY]) * g[PER_Y] * g[WAYS + 1 + 2 * k]
        for x in range(row.size):
            row[x] = max(row[x], start + step * np.float32(x))


@njit(nogil=True, cache=True)
def _entries(shape: int, g: Plane, y: int, spread: int, index: Numbers, row: Plane) -> None:
    """The table entry of every px of a row; one loop a kind, so that each vectorises: t grows along the
    line, with the distance in radii, with that in the polygon's norm, or with the turn.
    """
    half = np.float32(0.5)
    if shape == LINEAR:
        start = g[T0] + g[TY] * y + g[TX] * half
        for x in range(index.size):
            index[x] = _entry(folded_number(start + g[TX] * np.float32(x), spread))
    elif shape == RADIAL:
        dy = (y - g[CY]) * g[PER_Y]
        for x in range(index.size):
            dx = (np.float32(x) + half - g[CX]) * g[PER_X]
            index[x] = _entry(folded_number(np.sqrt(dx * dx + dy * dy) - g[FIRST], spread))
    elif shape == POLYGON:
        _polygon_row(g, y, row)
        for x in range(index.size):
            index[x] = _entry(folded_number(row[x] - g[FIRST], spread))
    else:
        dy = y - g[CY]
        for x in range(index.size):
            turn = _turn(np.float32(x) + half - g[CX], dy) - g[START]
            row[x] = (turn - np.floor(turn)) * g[PER_TURN] - g[FIRST]
        for x in range(index.size):
            index[x] = _entry(folded_number(row[x], spread))


@njit(nogil=True, cache=True)
def _levels(g: Plane, y: int, reach: Plane, level: Plane) -> None:
    """Which table is smooth enough at each px of a row: the nearer to the centre, the smoother.

    reach : squared px from the centre within which each level is needed, falling
    """
    k, dy = 0, y - g[CY]
    for x in range(level.size):
        dx = np.float32(x) + np.float32(0.5) - g[CX]
        far = dx * dx + dy * dy
        while k + 1 < reach.size and far < reach[k + 1]:
            k += 1
        while k > 0 and far >= reach[k]:
            k -= 1
        level[x] = k


@njit(nogil=True, cache=True)
def rasterise_rows(
    luts: Planes,
    geometry: Plane,
    owner: Numbers,
    shape: int,
    spread: int,
    reach: Plane,
    out: Planes,
    y0: int,
    y1: int,
) -> None:
    """luts (1, 4, STEPS) or (levels, STEPS, 4); geometry (groups, n); owner (H, W), or (1, 1) for one group."""
    width, grouped = out.shape[2], owner.shape[1] > 1
    index, level = np.empty(width, np.int32), np.zeros(width, np.int32)
    row = np.empty(width, np.float32)
    half = np.float32(0.5)
    for y in range(y0, y1):
        fy = np.float32(y) + half
        if grouped:
            for x in range(width):
                g = geometry[owner[y, x]]
                index[x] = _entry(folded_number(_t_at(shape, g, np.float32(x) + half, fy), spread))
        else:
            _entries(shape, geometry[0], fy, spread, index, row)
            if reach.size > 1:
                _levels(geometry[0], fy, reach, level)
        if reach.size > 1:
            for x in range(width):
                colour = luts[level[x], index[x]]
                for plane in range(4):
                    out[plane, y, x] = colour[plane]
        else:
            for plane in range(4):
                line_, colours = out[plane, y], luts[0, plane]
                for x in range(width):
                    line_[x] = colours[index[x]]


@njit(nogil=True, cache=True)
def along_rows(
    lut: Table, field: Plane, outer: Real, share: Real, spread: int, out: Planes, y0: int, y1: int
) -> None:
    """Rows y0 to y1 of a gradient along distances `field` (H, W) in px, into `out` (4, H, W), by
    table `lut` (4, N)."""
    for y in range(y0, y1):
        for x in range(out.shape[2]):
            index = _entry(folded_number((field[y, x] - outer) * share, spread))
            for plane in range(4):
                out[plane, y, x] = lut[plane, index]
