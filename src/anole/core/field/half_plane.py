"""The share of a pixel on one side of the line where a distance has some value."""

from __future__ import annotations

import numpy as np

from ..arrays import Plane, Real
from ..kernels import njit

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
    across, down = abs(gx) * size, abs(gy) * size
    most, least = max(across, down), min(across, down)
    reach, far = half * (most + least), abs(s)
    if far >= reach:
        rest = np.float32(0)
    elif far <= half * (most - least):
        rest = half - far / most
    else:
        rest = (reach - far) * (reach - far) / (two * most * least)
    return one - rest if s > 0 else rest


@njit(nogil=True, cache=True, error_model="numpy")
def _plane(d: Plane, y: int, x: int, down: int, across: int) -> tuple[Real, Real, Real]:
    """Value and slopes of the distance at a pixel as its neighbour's side of a crease goes on.

    down, across : one step to the neighbour, one of them 0
    """
    height, width = d.shape
    near_y, near_x, far_y, far_x = y + down, x + across, y + 2 * down, x + 2 * across
    if not (0 <= far_y < height and 0 <= far_x < width):
        gx, gy = slopes(d, y, x)
        return d[y, x], gx, gy
    step = d[near_y, near_x] - d[far_y, far_x]
    gx, gy = slopes(d, near_y, near_x)
    if across:
        gx = -step * np.float32(across)
    else:
        gy = -step * np.float32(down)
    return d[near_y, near_x] + step, gx, gy


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
    # the planes of the four neighbours: value and slopes at the middle of this pixel
    west, west_x, west_y = _plane(d, y, x, 0, -1)
    east, east_x, east_y = _plane(d, y, x, 0, 1)
    north, north_x, north_y = _plane(d, y, x, -1, 0)
    south, south_x, south_y = _plane(d, y, x, 1, 0)
    total, zero, half, one = np.float32(0), np.float32(0), np.float32(0.5), np.float32(1)
    side = np.float32(SIDE)
    for row in range(SIDE):
        v = (np.float32(row) + half) / side - half
        for column in range(SIDE):
            u = (np.float32(column) + half) / side - half
            from_west, from_east = west + west_x * u + west_y * v, east + east_x * u + east_y * v
            from_north = north + north_x * u + north_y * v
            from_south = south + south_x * u + south_y * v
            if upward:
                value = max(from_west, from_east, from_north, from_south)
            else:
                value = min(from_west, from_east, from_north, from_south)
            # how much of this sample, a SIDEth of a pixel wide, is deeper
            total += min(max((value - at) * side + half, zero), one)
    return total / (side * side)
