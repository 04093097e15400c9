"""Signed distance by handing on the nearest chord of the outline.

Pixels within SEED px of a chord find their exact nearest chord; sweeps in four directions
(after P.-E. Danielsson, "Euclidean distance mapping", 1980) hand chords on to the rest. What
is handed on is the chord, not a point, so the distance and the normal are exact on straight
runs however far away.
"""

from __future__ import annotations

from functools import partial
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from .. import bands
from ..arrays import Chords, Mask, Numbers, Plane, Real, Records
from ..box import Box
from ..kernels import njit

SEED = 1.5
GRAIN = 4096.0
"""Parts of a px that chords begin and end at: all numbers of a px are then the same in 32 bits,
wherever the box begins, and so is which of two chords is the nearer."""
X0, Y0, DX, DY, PER_SQUARE = range(5)
"""Columns of chords as kernels take them: start, way, and 1 / length^2."""
FAR = np.float32(1e12)
ZERO, HALF, ONE = np.float32(0), np.float32(0.5), np.float32(1)


@njit(nogil=True, cache=True, inline="always")
def _squared(c: Records, k: int, px: Real, py: Real) -> Real:
    """Squared distance from a point to chord k: columns of c as named above."""
    wx, wy = px - c[k, X0], py - c[k, Y0]
    t = (wx * c[k, DX] + wy * c[k, DY]) * c[k, PER_SQUARE]
    t = ZERO if t < ZERO else t
    t = ONE if t > ONE else t
    ex, ey = wx - t * c[k, DX], wy - t * c[k, DY]
    return ex * ex + ey * ey


@njit(nogil=True, cache=True)
def _seed(c: Plane, near: Numbers, square: Plane, first: int, end: int) -> None:
    """Every px of rows first..end within SEED px of a chord learns its squared distance to it, and
    which it is.

    Of each row only the part of the chord counts that lies within SEED above or below it: its places
    t = (y -+ SEED - y0) / dy, widened by SEED to both sides.
    """
    width = near.shape[1]
    reach = np.float32(SEED)
    for k in range(c.shape[0]):
        x0, y0, dx, dy = c[k, X0], c[k, Y0], c[k, DX], c[k, DY]
        top, low = min(y0, y0 + dy) - reach, max(y0, y0 + dy) + reach
        for y in range(max(first, int(np.floor(top))), min(end, int(np.ceil(low)) + 1)):
            py = y + HALF
            ta, tb = np.float32(0), np.float32(1)
            if abs(dy) > np.float32(1e-6):
                ta, tb = (py - reach - y0) / dy, (py + reach - y0) / dy
                ta, tb = min(ta, tb), max(ta, tb)
                ta, tb = max(ta, np.float32(0)), min(tb, np.float32(1))
                if ta > tb:
                    continue
            xa, xb = x0 + ta * dx, x0 + tb * dx
            left = max(0, int(np.floor(min(xa, xb) - reach)))
            for x in range(left, min(width, int(np.ceil(max(xa, xb) + reach)) + 1)):
                d = _squared(c, k, x + HALF, py)
                if d < square[y, x]:
                    square[y, x] = d
                    near[y, x] = k


@njit(nogil=True, cache=True)
def _from_row(c: Plane, near: Numbers, square: Plane, y: int, before: int) -> None:
    """Offer each pixel of row y the chords of its three neighbours in the row before."""
    width = near.shape[1]
    row, best, other = near[y], square[y], near[before]
    py = np.float32(y) + HALF
    for x in range(width):
        least, k = best[x], row[x]
        px = np.float32(x) + HALF
        for at in range(max(0, x - 1), min(width, x + 2)):
            j = other[np.uint32(at)]
            if j != k and j >= 0:
                d = _squared(c, j, px, py)
                if d < least:
                    least, k = d, j
        best[x] = least
        row[x] = k


@njit(nogil=True, cache=True)
def _along_row(c: Plane, row: Numbers, best: Plane, y: int, back: bool) -> None:
    """Hand the chord of each pixel on to the next in its row."""
    width = row.shape[0]
    py = np.float32(y) + HALF
    k = row[width - 1] if back else row[0]
    for n in range(1, width):
        x = width - 1 - n if back else n
        j = row[x]
        if j != k and k >= 0:
            d = _squared(c, k, np.float32(x) + HALF, py)
            if d < best[x]:
                best[x] = d
                row[x] = k
            else:
                k = j
        else:
            k = j


@njit(nogil=True, cache=True)
def _sweep(c: Plane, near: Numbers, square: Plane, down: bool) -> None:
    height = near.shape[0]
    for n in range(height):
        y = n if down else height - 1 - n
        if n > 0:
            _from_row(c, near, square, y, y - 1 if down else y + 1)
        _along_row(c, near[y], square[y], y, False)
        _along_row(c, near[y], square[y], y, True)


@njit(nogil=True, cache=True)
def _signed(
    near: Numbers, square: Plane, risen: Numbers, above: Plane, inside: Mask, y0: int, y1: int
) -> None:
    """The nearer chord of what was handed down and what was handed up, and the signed distance."""
    for y in range(y0, y1):
        for x in range(square.shape[1]):
            if above[y, x] < square[y, x]:
                square[y, x], near[y, x] = above[y, x], risen[y, x]
            d = np.sqrt(square[y, x])
            square[y, x] = d if inside[y, x] else -d


def _measures(chords: Chords, box: Box) -> Plane:
    fine = np.round(chords * GRAIN) / GRAIN
    start = fine[:, :2] - (box.x0, box.y0)
    along = fine[:, 2:] - fine[:, :2]
    # what is shorter than that still says on which side of it a place lies
    still = ~along.any(1)
    along[still] = (chords[:, 2:] - chords[:, :2])[still]
    length2 = np.maximum((along**2).sum(1, keepdims=True), 1e-12)
    return np.ascontiguousarray(np.hstack([start, along, 1 / length2]), np.float32)


class Nearest(NamedTuple):
    """What every pixel of a box knows of an outline.

    distance : (H, W) float32, px, + inside
    near : (H, W) int32, the number of the nearest chord; -1 where there is no outline at all
    chords : (m, 5) float32: x0, y0, dx, dy, 1 / length^2 of each, px from the box's corner
    """

    distance: Plane
    near: Numbers
    chords: NDArray[np.float32]


def nearest(chords: Chords, inside: Mask, box: Box) -> Nearest:
    """Signed distance of every pixel centre to an outline, and what it is nearest to.

    chords : (m, 4) float64, px; inside : (H, W) bool
    """
    c = _measures(chords, box)
    near = np.full((box.height, box.width), -1, np.int32)
    square = np.full((box.height, box.width), FAR, np.float32)
    rows = bands.split(box.height)
    bands.run(lambda a, b: _seed(c, near, square, a, b), rows)
    # a px's nearest chord is above it or below it: either sweep finds its own without the other
    risen, above = near.copy(), square.copy()
    down, up = partial(_sweep, c, near, square, True), partial(_sweep, c, risen, above, False)
    bands.each([down, up], box.height)
    bands.run(lambda a, b: _signed(near, square, risen, above, inside, a, b), rows)
    return Nearest(square, near, c)
