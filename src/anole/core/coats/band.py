"""A(o) - A(i): the anti-aliased region between two distances."""

from __future__ import annotations

import numpy as np

from .. import bands
from ..arrays import Indices, Mask, Numbers, Plane, Real, Records
from ..field.closest import Nearest
from ..field.edge_area import deeper
from ..field.half_plane import area, crease, slopes
from ..kernels import njit

NEAR = np.float32(0.75)
"""px within which a line may cut a pixel: a little more than half its diagonal."""
STEP = 32
"""px of a row that are asked together whether a line cuts them."""
STEEP = np.float32(0.75)
"""Squared slope of a distance under which two edges are equally near."""


@njit(nogil=True, cache=True, error_model="numpy")
def _by_slopes(d: Plane, y: int, x: int, at: Real) -> Real:
    gx, gy = slopes(d, y, x)
    square = gx * gx + gy * gy
    if square < STEEP:
        return crease(d, y, x, at)
    return area(d[y, x] - at, gx, gy, square)


@njit(nogil=True, cache=True, error_model="numpy")
def _moved(d: Plane, plain: Plane, y: int, x: int) -> bool:
    """Whether a distance is another one than the plain one about a pixel."""
    for v in range(max(y - 1, 0), min(y + 2, d.shape[0])):
        for u in range(max(x - 1, 0), min(x + 2, d.shape[1])):
            if d[v, u] != plain[v, u]:
                return True
    return False


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _share(
    d: Plane,
    plain: Plane,
    same: Mask,
    near: Numbers,
    c: Records,
    y: int,
    x: int,
    at: Real,
    found: Indices,
) -> Real:
    """Share of a pixel deeper than a distance; without chords by the distance's own slopes."""
    if c.shape[0] == 0 or not (same or not _moved(d, plain, y, x)):
        return _by_slopes(d, y, x, at)
    return deeper(d, near, c, y, x, at, found)


@njit(nogil=True, cache=True, error_model="numpy", fastmath=True)
def _fractions(row: Plane, first: int, last: int) -> bool:
    """Whether anything of a run is neither 0 nor 1; only a sum of any order goes many at a time."""
    total, one = np.float32(0), np.float32(1)
    for x in range(np.uint32(first), np.uint32(last)):
        total += row[x] * (one - row[x])
    return bool(total > 0)


@njit(nogil=True, cache=True, error_model="numpy")
def _between(
    d: Plane,
    plain: Plane,
    same: Mask,
    near: Numbers,
    c: Plane,
    top: int,
    left: int,
    outer: Real,
    inner: Real,
    out: Plane,
    first: int,
    last: int,
) -> None:
    """Coverage of outer <= d < inner: far from both lines 0 or 1; within NEAR px of one, the exact share
    of the px on its side.

    top, left : where out's corner lies in the fields; same : whether d is the plain distance.
    """
    found = np.empty(9, np.int32)
    zero, half, one, steep = np.float32(0), np.float32(0.5), np.float32(1), np.float32(0.5) / NEAR
    for y in range(first, last):
        row, line = out[y], d[y + top, left:]
        # wide ramps: neither 0 nor 1 wherever a line may cut a pixel
        for x in range(row.shape[0]):
            a = min(max((line[x] - outer) * steep + half, zero), one)
            b = min(max((line[x] - inner) * steep + half, zero), one)
            row[x] = a - b
        for start in range(0, row.shape[0], STEP):
            end = min(start + STEP, row.shape[0])
            if not _fractions(row, start, end):
                continue
            for x in range(start, end):
                if row[x] != zero and row[x] != one:
                    a, b = np.float32(line[x] > outer), np.float32(line[x] > inner)
                    if abs(line[x] - outer) < NEAR:
                        a = _share(d, plain, same, near, c, y + top, x + left, outer, found)
                    if abs(line[x] - inner) < NEAR:
                        b = _share(d, plain, same, near, c, y + top, x + left, inner, found)
                    row[x] = max(a - b, zero)


NO_CHORDS = Nearest(
    np.zeros((0, 0), np.float32), np.zeros((0, 0), np.int32), np.zeros((0, 5), np.float32)
)


def between(
    distance: Plane,
    outer: float,
    inner: float,
    nearest: Nearest = NO_CHORDS,
    part: tuple[slice, slice] | None = None,
) -> Plane:
    """Coverage deeper than `outer` and not deeper than `inner`; either may be infinite.

    It is the area of each pixel between the lines where the distance has these values.

    distance : (H, W) float32, px, + inside
    nearest : the outline's own distance and chords; where `distance` is the same, edges come from
        the chords, else from the distance's slopes
    part : rows and columns that are wanted; all when left out
    returns float32, 0..1, of the part's shape
    """
    rows, columns = part or (slice(0, distance.shape[0]), slice(0, distance.shape[1]))
    out = np.empty((rows.stop - rows.start, columns.stop - columns.start), np.float32)
    ends = np.float32(max(outer, -1e9)), np.float32(min(inner, 1e9))
    bands.run(
        lambda a, b: _between(
            distance,
            nearest.distance,
            distance is nearest.distance,
            nearest.near,
            nearest.chords,
            rows.start,
            columns.start,
            *ends,
            out,
            a,
            b,
        ),
        bands.split(len(out)),
    )
    return out


def along(distance: Plane, outer: float, inner: float) -> Plane:
    """The same along a line across the edge: distances (n,) px -> coverage (n,), 0..1."""
    ends = [np.clip(distance - np.float32(end) + np.float32(0.5), 0, 1) for end in (outer, inner)]
    return np.asarray(ends[0] - ends[1], np.float32)
