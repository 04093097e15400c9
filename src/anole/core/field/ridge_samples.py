"""Pixels on ridges, in mitres and at corners, looked at in several places: where the normals of
neighbours part, one distance and one normal do not stand for a pixel.

They come from the outline alone, so whoever lights a shape again finds them here.
"""

from __future__ import annotations

from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from .. import bands
from ..arrays import Indices, Mask, Numbers, Plane, Planes, Real, Row
from ..kernels import njit
from .closest import Nearest
from .edge_area import ascending, candidates
from .normals import facing

RIDGE = np.float32(0.88)
"""Cosine between neighbouring normals below which a px is looked at more closely."""
ALIKE, TINY = np.float32(1e-4), np.float32(1e-6)
"""Share of a square distance, and px^2, by which chords count as equally far."""
PLACES = 9
"""Three by three places in such a px."""


class RidgeSamples(NamedTuple):
    """first : (H + 1,) int64, where each row's px begin; column : (n,) int32, ascending in a row
    distance, nx, ny : (n, PLACES) float32, px and unit normals"""

    first: NDArray[np.int32]
    column: NDArray[np.int32]
    distance: Row
    nx: Row
    ny: Row


@njit(nogil=True, cache=True, error_model="numpy")
def _ridges(d: Plane, n: Planes, y: int, outer: Real, ridge: Mask) -> None:
    """For each px of row y whether a neighbour's normal parts from its own; not at the borders, and
    not beyond `outer`."""
    ridge[:] = False
    width = n.shape[2]
    if y < 1 or y >= n.shape[1] - 1:
        return
    ax, ay, ux, uy, lx, ly = n[0, y], n[1, y], n[0, y - 1], n[1, y - 1], n[0, y + 1], n[1, y + 1]
    for x in range(1, width - 1):
        nx, ny = ax[x], ay[x]
        least = min(
            nx * ax[x - 1] + ny * ay[x - 1],
            nx * ax[x + 1] + ny * ay[x + 1],
            nx * ux[x] + ny * uy[x],
            nx * lx[x] + ny * ly[x],
        )
        ridge[x] = least < RIDGE and d[y, x] >= outer


@njit(nogil=True, cache=True, error_model="numpy")
def _counts(d: Plane, n: Planes, outer: Real, count: Indices, y0: int, y1: int) -> None:
    ridge = np.zeros(d.shape[1], np.bool_)
    for y in range(y0, y1):
        _ridges(d, n, y, outer, ridge)
        count[y + 1] = ridge.sum()


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _nearest_of(own: Row, count: int, px: Real, py: Real) -> tuple[int, Real, Real, Real, Real]:
    """The nearest of some chords to a point: which, its square, the way there, and how far along. Of
    chords as far away as each other the first: rounding would choose otherwise in another box.

    own : (9, 5) float32, the chords' x0, y0, dx, dy, 1 / length^2
    """
    best, which = np.float32(1e12), 0
    vx, vy, along = np.float32(0), np.float32(0), np.float32(0)
    zero, one = np.float32(0), np.float32(1)
    u0, u1, u2, u3, u4 = np.uint32(0), np.uint32(1), np.uint32(2), np.uint32(3), np.uint32(4)
    for m in range(count):
        dx, dy = own[m, u2], own[m, u3]
        wx, wy = px - own[m, u0], py - own[m, u1]
        t = (wx * dx + wy * dy) * own[m, u4]
        held = min(max(t, zero), one)
        ex, ey = wx - held * dx, wy - held * dy
        square = ex * ex + ey * ey
        if square < best - (best * ALIKE + TINY):
            best, which, vx, vy, along = square, m, ex, ey, t
    return which, best, vx, vy, along


@njit(nogil=True, cache=True, error_model="numpy")
def _look(
    d: Plane,
    near: Numbers,
    c: Plane,
    joint: Plane,
    y: int,
    x: int,
    found: Numbers,
    own: Plane,
    far_out: Plane,
    nx_out: Plane,
    ny_out: Plane,
) -> None:
    """The places of a px, each at the nearest of the chords that the px round about know.

    found, own : room for nine numbers of chords, and for the chords
    """
    third, half, zero, one = np.float32(1 / 3), np.float32(0.5), np.float32(0), np.float32(1)
    count = candidates(near, y, x, found)
    if count == 0:
        # no chord is near enough to be known here: there is no other place to look at
        far_out[:], nx_out[:], ny_out[:] = d[y, x], zero, zero
        return
    ascending(found, count)
    for m in range(count):
        for part in range(5):
            own[m, part] = c[found[m], part]
    for place in range(np.uint32(PLACES)):
        px = np.float32(x) + (np.float32(place % np.uint32(3)) + half) * third
        py = np.float32(y) + (np.float32(place // np.uint32(3)) + half) * third
        m, square, vx, vy, along = _nearest_of(own, count, px, py)
        inside = d[y, x] > 0
        if zero < along < one:
            inside = own[m, 2] * vy - own[m, 3] * vx > 0
        far = np.sqrt(square) if inside else -np.sqrt(square)
        length = one / np.sqrt(own[m, 4])
        nx, ny = facing(joint, found[m], along * length, length, vx, vy, far)
        far_out[place], nx_out[place], ny_out[place] = far, nx, ny


@njit(nogil=True, cache=True, error_model="numpy")
def _fill(
    d: Plane,
    near: Numbers,
    c: Plane,
    joint: Plane,
    n: Planes,
    outer: Real,
    first: Indices,
    column: Numbers,
    far: Plane,
    nx: Plane,
    ny: Plane,
    y0: int,
    y1: int,
) -> None:
    ridge, found = np.zeros(d.shape[1], np.bool_), np.empty(9, np.int32)
    own = np.empty((9, 5), np.float32)
    for y in range(y0, y1):
        at = first[y]
        if at == first[y + 1]:
            continue
        _ridges(d, n, y, outer, ridge)
        for x in range(d.shape[1]):
            if ridge[x]:
                column[at] = x
                _look(d, near, c, joint, y, x, found, own, far[at], nx[at], ny[at])
                at += 1


def ridge_samples(nearest: Nearest, joint: Plane, normals: Planes, outer: float) -> RidgeSamples:
    """Of all px on ridges whose distance is at least `outer`, px; joint : as of normals.joints()."""
    d: Plane = nearest.distance
    rows, limit = d.shape[0], np.float32(outer)
    first = np.zeros(rows + 1, np.int64)
    bands.run(lambda a, b: _counts(d, normals, limit, first, a, b), bands.split(rows))
    np.cumsum(first, out=first)
    count = int(first[-1])
    column = np.empty(count, np.int32)
    far, nx, ny = (np.empty((count, PLACES), np.float32) for _ in range(3))
    bands.run(
        lambda a, b: _fill(*nearest, joint, normals, limit, first, column, far, nx, ny, a, b),
        bands.split(rows),
    )
    return RidgeSamples(first, column, far, nx, ny)
