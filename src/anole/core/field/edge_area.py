"""The share of a pixel that lies deeper than a distance, from the outline itself.

Where the line runs straight through a pixel, its area beside a half plane; where it bends or
another edge is about as near, the pixel is looked at in many places, each with the nearest of the
chords that its neighbours know.
"""

from __future__ import annotations

import numpy as np

from ..arrays import Indices, Numbers, Plane, Real, Records
from ..kernels import njit
from .closest import DX, DY, PER_SQUARE, X0, Y0
from .half_plane import area

FLAT = np.float32(0.12)
"""px by which the distances round about may leave the plane that a pixel's own normal says."""
SIDE = 5
"""Places looked at across such a pixel."""


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _foot(c: Records, k: int, px: Real, py: Real) -> tuple[Real, Real, bool]:
    """The way from the nearest point of chord k to a point, and whether that lies beside the chord."""
    zero, one = np.float32(0), np.float32(1)
    wx, wy = px - c[k, X0], py - c[k, Y0]
    t = (wx * c[k, DX] + wy * c[k, DY]) * c[k, PER_SQUARE]
    held = min(max(t, zero), one)
    return wx - held * c[k, DX], wy - held * c[k, DY], held == t


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _slopes(d: Plane, near: Numbers, c: Records, y: int, x: int) -> tuple[Real, Real]:
    """Which way the distance of a pixel grows."""
    half = np.float32(0.5)
    k = near[y, x]
    ex, ey, _ = _foot(c, k, np.float32(x) + half, np.float32(y) + half)
    far = np.sqrt(ex * ex + ey * ey)
    if far > np.float32(0.02):
        size = np.float32(1) / far if d[y, x] > 0 else np.float32(-1) / far
        return ex * size, ey * size
    size = np.sqrt(c[k, PER_SQUARE])
    return -c[k, DY] * size, c[k, DX] * size


@njit(nogil=True, cache=True, error_model="numpy")
def _bent(d: Plane, y: int, x: int, gx: Real, gy: Real) -> bool:
    """Whether the distances round about are not those of one plane."""
    height, width = d.shape
    here, most = d[y, x], np.float32(0)
    if 0 < y < height - 1 and 0 < x < width - 1:
        for j in range(-1, 2):
            base = here + gy * np.float32(j)
            v, u = np.uint32(y + j), np.uint32(x)
            most = max(most, abs(d[v, u - np.uint32(1)] - base + gx), abs(d[v, u] - base))
            most = max(most, abs(d[v, u + np.uint32(1)] - base - gx))
    return bool(most > FLAT)


@njit(nogil=True, cache=True, error_model="numpy")
def candidates(near: Numbers, y: int, x: int, found: Numbers) -> int:
    """The chords that a pixel and its neighbours are nearest to; returns how many."""
    height, width = near.shape
    count = 0
    for v in range(max(y - 1, 0), min(y + 2, height)):
        for u in range(max(x - 1, 0), min(x + 2, width)):
            k, new = near[v, u], near[v, u] >= 0
            for m in range(count):
                new = new and found[m] != k
            if new:
                found[count] = k
                count += 1
    return count


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def ascending(found: Numbers, count: int) -> None:
    """Put the first `count` numbers in order: of chords that are as near as each other the first is taken
    then, whatever px told of them."""
    for n in range(1, count):
        k = found[n]
        m = n - 1
        while m >= 0 and found[m] > k:
            found[m + 1] = found[m]
            m -= 1
        found[m + 1] = k


@njit(nogil=True, cache=True, error_model="numpy")
def _looked(d: Plane, near: Numbers, c: Plane, y: int, x: int, at: Real, found: Numbers) -> Real:
    """The mean over many places of a pixel."""
    half, one, zero, side = np.float32(0.5), np.float32(1), np.float32(0), np.float32(SIDE)
    count = candidates(near, y, x, found)
    total = zero
    for j in range(SIDE):
        py = np.float32(y) + (np.float32(j) + half) / side
        for i in range(SIDE):
            px = np.float32(x) + (np.float32(i) + half) / side
            best, sign = np.float32(1e12), one
            for m in range(count):
                k = found[m]
                ex, ey, beside = _foot(c, k, px, py)
                square = ex * ex + ey * ey
                if square < best:
                    best = square
                    # beyond a chord's end its line says nothing of the side
                    sign = c[k, DX] * ey - c[k, DY] * ex if beside else d[y, x]
            value = np.sqrt(best) if sign > 0 else -np.sqrt(best)
            total += min(max((value - at) * side + half, zero), one)
    return total / (side * side)


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def deeper(d: Plane, near: Numbers, c: Records, y: int, x: int, at: Real, found: Indices) -> Real:
    """d, near, c : of a Nearest; found : room for nine numbers of chords."""
    if near[y, x] < 0:
        return np.float32(d[y, x] > at)
    gx, gy = _slopes(d, near, c, y, x)
    if _bent(d, y, x, gx, gy):
        return _looked(d, near, c, y, x, at, found)
    return area(d[y, x] - at, gx, gy, np.float32(1))
