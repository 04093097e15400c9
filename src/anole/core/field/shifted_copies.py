"""A picture laid many times, each time only moved: what is hidden or empty is passed over."""

from __future__ import annotations

import math

import numpy as np

from .. import bands
from ..arrays import Numbers, Plane, Planes, Records
from ..box import Box
from ..kernels import njit

HIDDEN = np.float32(0.002)
"""What a px lets through of copies farther away from which on they are not looked at."""


@njit(nogil=True, cache=True)
def _gaps(alpha: Plane, out: Numbers, first: int, last: int) -> None:
    """How many px on nothing lies in the 2 x 2 px from each on; a row and a column before the first
    count too, so that out is one larger each way."""
    high, wide = alpha.shape
    for y in range(first, last):
        gap = 0
        for x in range(wide, -1, -1):
            there = np.float32(0)
            for v in range(max(y - 1, 0), min(y + 1, high)):
                for u in range(max(x - 1, 0), min(x + 1, wide)):
                    there += alpha[v, u]
            gap = 0 if there > 0 else gap + 1
            out[y, x] = gap


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _at(plane: Plane, y: int, x: int) -> np.float32:
    """A px, clear beyond the plane."""
    if y < 0 or x < 0 or y >= plane.shape[0] or x >= plane.shape[1]:
        return np.float32(0)
    return plane[y, x]


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _sample(plane: Plane, y: int, x: int, a: np.float32, b: np.float32) -> np.float32:
    """Between four px."""
    one = np.float32(1)
    if 0 <= y < plane.shape[0] - 1 and 0 <= x < plane.shape[1] - 1:
        top = plane[y, x] * (one - a) + plane[y, x + 1] * a
        low = plane[y + 1, x] * (one - a) + plane[y + 1, x + 1] * a
        return top * (one - b) + low * b
    top = _at(plane, y, x) * (one - a) + _at(plane, y, x + 1) * a
    low = _at(plane, y + 1, x) * (one - a) + _at(plane, y + 1, x + 1) * a
    return top * (one - b) + low * b


@njit(nogil=True, cache=True, error_model="numpy")
def _next(hidden: Numbers, x: int) -> int:
    """The first px from x on that still lets something through; what was passed is shortened."""
    end = x
    while hidden[end] != end:
        end = hidden[end]
    while hidden[x] != end:
        hidden[x], x = end, hidden[x]
    return end


@njit(nogil=True, cache=True, error_model="numpy")
def _rows(
    planes: Planes,
    gaps: Numbers,
    shifts: Records,
    out: Planes,
    first: int,
    last: int,
) -> None:
    """Copies from the nearest to the farthest, each under those before: with `left` what they leave,
    out += left strength colour and left *= 1 - strength alpha; out's alpha is 1 - left.

    Px that are hidden are skipped by a chain to the next one that is not, clear stretches by `gaps`.

    shifts : (n, 3) from an index of out to one of planes, down and to the right, and the
    strength; nearest first
    """
    wide = out.shape[2]
    hidden, left = np.empty(wide + 1, np.int32), np.empty(wide, np.float32)
    for y in range(first, last):
        left[:] = 1
        for x in range(wide + 1):
            hidden[x] = x
        for k in range(len(shifts)):
            jy, jx = math.floor(shifts[k, 0]), math.floor(shifts[k, 1])
            v, strength = y + jy, np.float32(shifts[k, 2])
            if v < -1 or v >= planes.shape[1]:
                continue
            a, b = np.float32(shifts[k, 1] - jx), np.float32(shifts[k, 0] - jy)
            x = _next(hidden, max(-1 - jx, 0))
            end = min(wide, planes.shape[2] - jx)
            while x < end:
                u = x + jx
                gap = gaps[v + 1, u + 1]
                if gap > 0:
                    x = _next(hidden, min(x + gap, wide))
                    continue
                share = left[x] * strength
                for p in range(3):
                    out[p, y, x] += share * _sample(planes[p], v, u, a, b)
                left[x] *= np.float32(1) - strength * _sample(planes[3], v, u, a, b)
                if left[x] < HIDDEN:
                    hidden[x] = x + 1
                x = _next(hidden, x + 1)
        for x in range(wide):
            out[3, y, x] = np.float32(1) - left[x]


def laid_moved(planes: Planes, over: Box, shifts: Records, box: Box) -> Planes:
    """(4, H, W) premultiplied over `box`: each copy over those farther away.

    planes : (4, h, w) premultiplied over `over`
    shifts : (n, 3) how far each copy lies to the right and down, px, and its strength; nearest first
    """
    out = np.zeros((4, box.height, box.width), np.float32)
    plain = np.ascontiguousarray(planes, np.float32)
    gaps = np.empty((over.height + 1, over.width + 1), np.int32)
    bands.run(lambda a, b: _gaps(plain[3], gaps, a, b), bands.split(over.height + 1))
    ways = np.column_stack(
        [box.y0 - over.y0 - shifts[:, 1], box.x0 - over.x0 - shifts[:, 0], shifts[:, 2]]
    )
    bands.run(lambda a, b: _rows(plain, gaps, ways, out, a, b), bands.split(box.height))
    return out
