"""Pictures seen through a displacement: an interpolating cubic, edges reflected."""

from __future__ import annotations

import math

import numpy as np
from numba import njit

from .. import bands
from ..arrays import Plane, Planes
from ..box import Box


@njit(nogil=True, cache=True, inline="always")
def _weights(t: float) -> tuple[float, float, float, float]:
    """Cubic convolution (R. Keys, 1981) with a = -1/2; at 0 it is the px itself."""
    return (
        ((-0.5 * t + 1.0) * t - 0.5) * t,
        (1.5 * t - 2.5) * t * t + 1.0,
        ((-1.5 * t + 2.0) * t + 0.5) * t,
        (0.5 * t - 0.5) * t * t,
    )


@njit(nogil=True, cache=True, inline="always")
def _reflected(n: int, size: int) -> int:
    """An index mirrored at both ends, however far it lies beyond them."""
    period = 2 * size
    n %= period
    return n if n < size else period - 1 - n


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _inner(
    plane: Plane,
    ix: int,
    iy: int,
    a: tuple[float, float, float, float],
    b: tuple[float, float, float, float],
) -> np.float32:
    """Where all 4 x 4 px lie within the plane, which is nearly everywhere."""
    total = 0.0
    for j in range(4):
        row = plane[iy + j - 1]
        line = a[0] * row[ix - 1] + a[1] * row[ix] + a[2] * row[ix + 1] + a[3] * row[ix + 2]
        total += b[j] * line
    return np.float32(min(max(total, 0.0), 1.0))


@njit(nogil=True, cache=True, error_model="numpy")
def _rows(
    planes: Planes, dx: Plane, dy: Plane, left: int, top: int, out: Planes, first: int, last: int
) -> None:
    high, wide = planes.shape[1], planes.shape[2]
    for y in range(first, last):
        for x in range(out.shape[2]):
            u, v = float(x + left) + dx[y, x], float(y + top) + dy[y, x]
            ix, iy = math.floor(u), math.floor(v)
            if u == ix and v == iy:
                jx, jy = _reflected(ix, wide), _reflected(iy, high)
                for p in range(planes.shape[0]):
                    out[p, y, x] = planes[p, jy, jx]
                continue
            across, down = _weights(u - ix), _weights(v - iy)
            if 1 <= ix < wide - 2 and 1 <= iy < high - 2:
                for p in range(planes.shape[0]):
                    out[p, y, x] = _inner(planes[p], ix, iy, across, down)
                continue
            for p in range(planes.shape[0]):
                total = 0.0
                for j in range(4):
                    row = _reflected(iy + j - 1, high)
                    line = 0.0
                    for i in range(4):
                        line += across[i] * planes[p, row, _reflected(ix + i - 1, wide)]
                    total += down[j] * line
                out[p, y, x] = np.float32(min(max(total, 0.0), 1.0))


def displaced(planes: Planes, over: Box, dx: Plane, dy: Plane, box: Box) -> Planes:
    """(4, H, W) float32 over `box`: each px what lies (dx, dy) px from it.

    planes : (4, h, w) float32 in 0..1 over `over`, beyond which they are reflected
    dx, dy : (H, W) float32 px over `box`
    """
    out = np.empty((planes.shape[0], box.height, box.width), np.float32)
    plain = np.ascontiguousarray(planes, np.float32)
    left, top = box.x0 - over.x0, box.y0 - over.y0

    def rows(first: int, last: int) -> None:
        _rows(plain, dx, dy, left, top, out, first, last)

    bands.run(rows, bands.split(box.height))
    return out
