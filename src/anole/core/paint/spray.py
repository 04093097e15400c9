"""Sprayed paint: coverage broken into specks, stable between frames and the render scales."""

from __future__ import annotations

import functools
import math

import numpy as np

from .. import bands
from ..arrays import FloatPixels, Plane, Planes, Real
from ..box import Box
from ..kernels import njit
from ..model.paints import PaintBase
from ..noise import lattice_share
from ..units import Units

SPECK = 0.011
"""Distance of specks in em."""
TILE = 128
"""Cells after which specks lie as before; a power of two."""
FINE, MOST, LEAST = 4.0, 8, 0.05
"""Places looked at across a speck, across a px at most, and the least size of specks, px."""
FULL = 0.62
"""Share of a fully covered area that specks fill when all is sprayed."""
LEAST_ROWS = 4


def sprayed(plane: Plane, paint: PaintBase, box: Box, units: Units) -> Plane:
    """(H, W) coverage in specks whose number follows it; `plane` may be one row for all."""
    side = max(SPECK * units.em * units.scale, LEAST)
    whole = np.ascontiguousarray(np.broadcast_to(plane, (box.height, box.width)), dtype=np.float32)
    # small specks are looked at in more places: the picture is that of any larger scale, reduced
    fine = min(max(math.ceil(FINE / side), 1), MOST)
    # a speck grows with the coverage above its own threshold
    most = np.float32(1 - (1 - FULL) * paint.speckle)
    points, share = _points(round(paint.speckle_seed)), np.float32(paint.speckle)
    out = np.empty(whole.shape, np.float32)
    bands.run(
        lambda first, last: _speck_rows(
            whole, points, float(box.x0), float(box.y0), side, fine, most, share, first, last, out
        ),
        bands.split(box.height, least=LEAST_ROWS),
    )
    return out


@functools.lru_cache(16)
def _points(seed: int) -> FloatPixels:
    """(TILE, TILE, 3) float32: where in its cell each speck lies, and a number 0..1 of its own."""
    points = np.empty((TILE, TILE, 3), np.float32)
    _strew(seed, points)
    return points


@njit(nogil=True, cache=True)
def _strew(seed: int, points: Planes) -> None:
    for y in range(points.shape[0]):
        for x in range(points.shape[1]):
            points[y, x, 0] = lattice_share(x, y, seed)
            points[y, x, 1] = lattice_share(x, y, seed + 7919)
            points[y, x, 2] = lattice_share(x, y, seed + 104729)


@njit(nogil=True, cache=True)
def _nearest(points: Planes, x: float, y: float, reach: Real) -> tuple[np.float32, np.float32]:
    """Distance to the nearest speck, in cells, and its own number (S. Worley, 1996); of those
    beyond `reach` some may be left out."""
    left, top = np.floor(x), np.floor(y)
    ix, iy = int(left), int(top)
    fx, fy = np.float32(x - left), np.float32(y - top)
    near, own, one = np.float32(9), np.float32(0), np.float32(1)
    x0, x1 = -1 if fx < reach else 0, 1 if one - fx < reach else 0
    y0, y1 = -1 if fy < reach else 0, 1 if one - fy < reach else 0
    for dy in range(y0, y1 + 1):
        row = (iy + dy) & (TILE - 1)
        for dx in range(x0, x1 + 1):
            column = (ix + dx) & (TILE - 1)
            ax = np.float32(dx) + points[row, column, 0] - fx
            ay = np.float32(dy) + points[row, column, 1] - fy
            far = ax * ax + ay * ay
            if far < near:
                near, own = far, points[row, column, 2]
    return np.float32(math.sqrt(near)), own


@njit(nogil=True, cache=True)
def _smooth(whole: Plane, x: float, y: float) -> np.float32:
    """The coverage between the middles of px, bilinear; beyond the border as at it."""
    height, width = whole.shape
    x, y = min(max(x, 0.0), width - 1.0), min(max(y, 0.0), height - 1.0)
    x0, y0 = int(x), int(y)
    x1, y1 = min(x0 + 1, width - 1), min(y0 + 1, height - 1)
    a, b = np.float32(x - x0), np.float32(y - y0)
    top = whole[y0, x0] + (whole[y0, x1] - whole[y0, x0]) * a
    low = whole[y1, x0] + (whole[y1, x1] - whole[y1, x0]) * a
    return top + (low - top) * b


@njit(nogil=True, cache=True)
def _highest(whole: Plane, i: int, j: int) -> np.float32:
    """The most coverage of a px and its neighbours."""
    height, width = whole.shape
    most = np.float32(0)
    for y in range(max(i - 1, 0), min(i + 2, height)):
        for x in range(max(j - 1, 0), min(j + 2, width)):
            most = max(most, whole[y, x])
    return most


@njit(nogil=True, cache=True)
def _radius(beyond: Real) -> np.float32:
    """Of a speck, in cells, by how far the coverage is beyond its own threshold."""
    grown = min(max(beyond * np.float32(2.2), np.float32(0)), np.float32(1))
    return np.float32(0.62) * np.float32(math.sqrt(grown))


@njit(nogil=True, cache=True)
def _speck_rows(
    whole: Plane,
    points: Planes,
    x0: float,
    y0: float,
    side: float,
    fine: int,
    most: Real,
    share: Real,
    first: int,
    last: int,
    out: Plane,
) -> None:
    """Specks round scattered points: with s the coverage there, a speck's radius is
    0.62 sqrt(2.2 (most s - 0.92 own)), in cells of `side` px, where `own` is its point's chance; its
    cover is the distance to the rim, in px, held in 0..1, the mean of fine x fine places.
    `share` goes from the smooth coverage to the specks.
    """
    zero, one, half = np.float32(0), np.float32(1), np.float32(0.5)
    sharp = np.float32(side * fine)
    for i in range(first, last):
        for j in range(whole.shape[1]):
            # most of a picture has no coverage, and no speck
            if _highest(whole, i, j) <= zero:
                out[i, j] = zero
                continue
            total = zero
            for a in range(fine):
                below = (a + 0.5) / fine
                for b in range(fine):
                    right = (b + 0.5) / fine
                    smooth = whole[i, j]
                    if fine > 1:
                        smooth = _smooth(whole, j + right - 0.5, i + below - 0.5)
                    if smooth <= zero:
                        continue
                    # the largest radius that any speck has here, and its edge
                    reach = _radius(smooth * most) + half / sharp
                    x, y = (x0 + j + right) / side, (y0 + i + below) / side
                    near, own = _nearest(points, x, y, reach)
                    radius = _radius(smooth * most - own * np.float32(0.92))
                    if radius > zero:
                        total += min(max((radius - near) * sharp + half, zero), one)
            speck = total / np.float32(fine * fine)
            out[i, j] = whole[i, j] + (speck - whole[i, j]) * share
