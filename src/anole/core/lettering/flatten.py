"""Curves to chords: cubic Béziers subdivided until no chord is off by more than a tolerance."""

from __future__ import annotations

import numpy as np
from numba import njit

TOLERANCE = 0.01
"""px at the render scale"""


@njit(nogil=True, cache=True)
def _pieces(c: np.ndarray, tolerance: float) -> int:
    """Chords for one cubic: sqrt(sqrt(3)/18 * |d| ...) bounded by its second differences.

    The error of n equal steps is at most |B''| / (8 n^2), |B''| <= 6 max second difference.
    """
    ax = c[0, 0] - 2 * c[1, 0] + c[2, 0]
    ay = c[0, 1] - 2 * c[1, 1] + c[2, 1]
    bx = c[1, 0] - 2 * c[2, 0] + c[3, 0]
    by = c[1, 1] - 2 * c[2, 1] + c[3, 1]
    bend = max(ax * ax + ay * ay, bx * bx + by * by) ** 0.5
    return min(512, max(1, int(np.ceil((0.75 * bend / tolerance) ** 0.5))))


@njit(nogil=True, cache=True)
def _chords(curves: np.ndarray, tolerance: float) -> np.ndarray:
    total = 0
    for i in range(curves.shape[0]):
        total += _pieces(curves[i], tolerance)
    out = np.empty((total, 4), np.float64)
    at = 0
    for i in range(curves.shape[0]):
        c = curves[i]
        n = _pieces(c, tolerance)
        x, y = c[0, 0], c[0, 1]
        for k in range(1, n + 1):
            t = k / n
            u = 1 - t
            if k == n:
                nx, ny = c[3, 0], c[3, 1]
            else:
                w0, w1, w2, w3 = u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t
                nx = w0 * c[0, 0] + w1 * c[1, 0] + w2 * c[2, 0] + w3 * c[3, 0]
                ny = w0 * c[0, 1] + w1 * c[1, 1] + w2 * c[2, 1] + w3 * c[3, 1]
            if x != nx or y != ny:
                out[at, 0], out[at, 1], out[at, 2], out[at, 3] = x, y, nx, ny
                at += 1
            x, y = nx, ny
    return out[:at]


def flatten(curves: np.ndarray, tolerance: float = TOLERANCE) -> np.ndarray:
    """curves (n, 4, 2) px -> chords (m, 4) float64: x0, y0, x1, y1 in order along each contour."""
    return _chords(np.ascontiguousarray(curves, np.float64), tolerance)
