"""A tile laid over a box of px: where each px looks, and the tile sampled there."""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np

from .. import bands
from ..arrays import Plane, Planes
from ..box import Box
from ..kernels import njit
from .gradient_rows import folded_number
from .stops import REFLECT, REPEAT


class Lines(NamedTuple):
    """u = u0 + ux x + uy y and v = v0 + vx x + vy y, in tiles, for px centres (x, y) of a box."""

    u0: float
    ux: float
    uy: float
    v0: float
    vx: float
    vy: float


def lines(
    corner: tuple[float, float],
    side: tuple[float, float],
    angle: float,
    shift: tuple[float, float],
    box: Box,
) -> Lines:
    """A tile's axes turned clockwise by `angle` about a frame's corner; px sides of the tile."""
    turn = math.radians(angle)
    cos, sin = math.cos(turn), math.sin(turn)
    b, c = cos / side[0], sin / side[0]
    e, f = -sin / side[1], cos / side[1]
    x0, y0 = box.x0 + 0.5 - corner[0], box.y0 + 0.5 - corner[1]
    return Lines(b * x0 + c * y0 - shift[0], b, c, e * x0 + f * y0 - shift[1], e, f)


@njit(nogil=True, cache=True)
def _places(at: Lines, mirror: int, u: Plane, v: Plane, y0: int, y1: int) -> None:
    spread = REFLECT if mirror else REPEAT
    for y in range(y0, y1):
        for x in range(u.shape[1]):
            u[y, x] = folded_number(at.u0 + at.ux * x + at.uy * y, spread)
            v[y, x] = folded_number(at.v0 + at.vx * x + at.vy * y, spread)


def places(at: Lines, mirror: bool, rows: tuple[int, int], width: int) -> tuple[Plane, Plane]:
    """u, v float32 in 0..1 for rows y0..y1 of the box."""
    y0, y1 = rows
    moved = at._replace(u0=at.u0 + at.uy * y0, v0=at.v0 + at.vy * y0)
    u, v = (np.empty((y1 - y0, width), np.float32) for _ in range(2))
    _places(moved, mirror, u, v, 0, y1 - y0)
    return u, v


@njit(nogil=True, cache=True)
def _corner(t: float, count: int, mirror: bool) -> tuple[int, int, np.float32]:
    """The two texels round a place in 0..1, and the share of the second."""
    s = t * count - 0.5
    i = int(np.floor(s))
    f, j = np.float32(s - i), i + 1
    if mirror:
        return max(i, 0), min(j, count - 1), f
    return (i if i >= 0 else count - 1), (j if j < count else 0), f


@njit(nogil=True, cache=True)
def _sample(tile: Planes, at: Lines, mirror: int, out: Planes, y0: int, y1: int) -> None:
    """Bilinear, wrapping (or, mirrored, meeting itself) at the tile's sides."""
    planes, high, wide = tile.shape
    spread = REFLECT if mirror else REPEAT
    one = np.float32(1)
    for y in range(y0, y1):
        for x in range(out.shape[2]):
            i, i1, fx = _corner(folded_number(at.u0 + at.ux * x + at.uy * y, spread), wide, mirror)
            j, j1, fy = _corner(folded_number(at.v0 + at.vx * x + at.vy * y, spread), high, mirror)
            for p in range(planes):
                top = tile[p, j, i] + (tile[p, j, i1] - tile[p, j, i]) * fx
                low = tile[p, j1, i] + (tile[p, j1, i1] - tile[p, j1, i]) * fx
                out[p, y, x] = top * (one - fy) + low * fy


@njit(nogil=True, cache=True)
def _sample_straight(tile: Planes, at: Lines, mirror: int, out: Planes, y0: int, y1: int) -> None:
    """As _sample for a tile that is not turned: the texels of a column are the same in each row."""
    planes, high, wide = tile.shape
    spread = REFLECT if mirror else REPEAT
    width, one = out.shape[2], np.float32(1)
    left, right = np.empty(width, np.int32), np.empty(width, np.int32)
    share = np.empty(width, np.float32)
    for x in range(width):
        left[x], right[x], share[x] = _corner(
            folded_number(at.u0 + at.ux * x, spread), wide, mirror
        )
    for y in range(y0, y1):
        j, j1, fy = _corner(folded_number(at.v0 + at.vy * y, spread), high, mirror)
        for p in range(planes):
            upper, lower, row = tile[p, j], tile[p, j1], out[p, y]
            line = upper * (one - fy) + lower * fy
            for x in range(width):
                a = line[left[x]]
                row[x] = a + (line[right[x]] - a) * share[x]


def sample(tile: Planes, at: Lines, mirror: bool, box: Box) -> Planes:
    """A tile (planes, h, w) float32 looked up for every px of a box: (planes, H, W)."""
    out = np.empty((len(tile), box.height, box.width), np.float32)
    kernel = _sample_straight if abs(at.uy) + abs(at.vx) < 1e-12 else _sample
    bands.run(lambda a, b: kernel(tile, at, mirror, out, a, b), bands.split(box.height))
    return out
