"""Pictures seen through a displacement: an interpolating cubic, edges reflected."""

from __future__ import annotations

import math

import numpy as np

from .. import bands
from ..arrays import Plane, Planes, Real
from ..box import Box
from ..kernels import njit


@njit(nogil=True, cache=True, inline="always", error_model="numpy")
def cubic_weights(t: Real) -> tuple[Real, Real, Real, Real]:
    """Cubic convolution (R. Keys, 1981) with a = -1/2; at 0 it is the px itself."""
    half, one, two = np.float32(0.5), np.float32(1), np.float32(2)
    one_and, two_and = np.float32(1.5), np.float32(2.5)
    return (
        ((-half * t + one) * t - half) * t,
        (one_and * t - two_and) * t * t + one,
        ((-one_and * t + two) * t + half) * t,
        (half * t - half) * t * t,
    )


@njit(nogil=True, cache=True, inline="always")
def _reflected(n: int, size: int) -> int:
    """An index mirrored at both ends, however far it lies beyond them."""
    period = 2 * size
    n %= period
    return n if n < size else period - 1 - n


Weights = tuple[Real, Real, Real, Real]


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _near_border(planes: Planes, p: int, ix: int, iy: int, a: Weights, b: Weights) -> Real:
    """Where some of the 4 x 4 px lie beyond the planes."""
    high, wide = planes.shape[1], planes.shape[2]
    total = np.float32(0)
    for j in range(4):
        row = planes[p, _reflected(iy + j - 1, high)]
        line = np.float32(0)
        for i in range(4):
            line += a[i] * row[_reflected(ix + i - 1, wide)]
        total += b[j] * line
    return total


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _inner(plane: Plane, ix: int, iy: int, a: Weights, b: Weights) -> Real:
    """Where all 4 x 4 px lie within the plane, which is nearly everywhere."""
    x, y = np.uint32(ix - 1), np.uint32(iy - 1)
    total = np.float32(0)
    for j in range(np.uint32(4)):
        row = plane[y + j]
        total += b[j] * (a[0] * row[x] + a[1] * row[x + 1] + a[2] * row[x + 2] + a[3] * row[x + 3])
    return total


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _clear(alpha: Plane, ix: int, iy: int) -> bool:
    """Whether nothing is there in the four px round a place."""
    x, y = np.uint32(ix), np.uint32(iy)
    top, low = alpha[y], alpha[y + 1]
    return top[x] + top[x + 1] + low[x] + low[x + 1] == 0


@njit(nogil=True, cache=True, error_model="numpy")
def _run(plane: Plane, ix: int, iy: int, a: Weights, b: Weights, out: Plane) -> None:
    """A run of px that are all moved alike, from the px (ix, iy) on: many at a time."""
    zero, one, count = np.float32(0), np.float32(1), np.uint32(out.shape[0])
    left, right = ix - 1, ix + out.shape[0] + 2
    r0, r1 = plane[iy - 1, left:right], plane[iy, left:right]
    r2, r3 = plane[iy + 1, left:right], plane[iy + 2, left:right]
    for n in range(count):
        i, j, k = n + np.uint32(1), n + np.uint32(2), n + np.uint32(3)
        total = b[0] * (a[0] * r0[n] + a[1] * r0[i] + a[2] * r0[j] + a[3] * r0[k])
        total += b[1] * (a[0] * r1[n] + a[1] * r1[i] + a[2] * r1[j] + a[3] * r1[k])
        total += b[2] * (a[0] * r2[n] + a[1] * r2[i] + a[2] * r2[j] + a[3] * r2[k])
        total += b[3] * (a[0] * r3[n] + a[1] * r3[i] + a[2] * r3[j] + a[3] * r3[k])
        out[n] = min(max(total, zero), one)


@njit(nogil=True, cache=True, error_model="numpy")
def _rows(
    planes: Planes, dx: Plane, dy: Plane, left: int, top: int, out: Planes, first: int, last: int
) -> None:
    """out at x, y from planes at x + dx, y + dy, cubic (Keys, a = -1/2) over 4 x 4 px, held in 0..1.

    Neighbours that move alike are a run: one pair of weights does for them all.
    """
    high, wide, count = planes.shape[1], planes.shape[2], planes.shape[0]
    zero, one = np.float32(0), np.float32(1)
    for y in range(first, last):
        x = 0
        while x < out.shape[2]:
            end = x + 1
            while end < out.shape[2] and dx[y, end] == dx[y, x] and dy[y, end] == dy[y, x]:
                end += 1
            jx, jy = math.floor(dx[y, x]), math.floor(dy[y, x])
            u, v = dx[y, x] - np.float32(jx), dy[y, x] - np.float32(jy)
            ix, iy = x + left + jx, y + top + jy
            a, b = cubic_weights(u), cubic_weights(v)
            exact = u == zero and v == zero
            inner = 1 <= iy < high - 2 and 1 <= ix < wide - 2
            # a run ends where it comes to the planes' border or leaves it
            if inner:
                end = min(end, x + wide - 2 - ix)
            elif ix < 1:
                end = min(end, x + 1 - ix)
            if inner and end == x + 1:
                if count == 4 and _clear(planes[3], ix, iy):
                    # what lies farther counts less than nothing there
                    for p in range(count):
                        out[p, y, x] = zero
                    x = end
                    continue
                for p in range(count):
                    out[p, y, x] = min(max(_inner(planes[p], ix, iy, a, b), zero), one)
                x = end
                continue
            for p in range(count):
                if inner and exact:
                    for n in range(end - x):
                        out[p, y, x + n] = planes[p, iy, ix + n]
                    continue
                if inner:
                    _run(planes[p], ix, iy, a, b, out[p, y, x:end])
                    continue
                for n in range(end - x):
                    # with the weights of no move at all it is the px itself, to the bit
                    value = _near_border(planes, p, ix + n, iy, a, b)
                    out[p, y, x + n] = min(max(value, zero), one)
            x = end


def displaced(
    planes: Planes, over: Box, dx: Plane, dy: Plane, box: Box, out: Planes | None = None
) -> Planes:
    """(n, H, W) float32 over `box`: each px what lies (dx, dy) px from it.

    planes : (n, h, w) float32 in 0..1 over `over`; of four the last is alpha, and they are
        premultiplied, beyond which they are reflected
    dx, dy : (H, W) float32 px over `box`
    """
    if out is None:
        out = np.empty((planes.shape[0], box.height, box.width), np.float32)
    plain = np.ascontiguousarray(planes, np.float32)
    into, left, top = out, box.x0 - over.x0, box.y0 - over.y0

    def rows(first: int, last: int) -> None:
        _rows(plain, dx, dy, left, top, into, first, last)

    bands.run(rows, bands.split(box.height))
    return out
