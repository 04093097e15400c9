"""A tile laid over a box of px: where each px looks, and the tile sampled there."""

from __future__ import annotations

import math

import numpy as np
from numba import njit

from .. import bands
from ..box import Box

Lines = tuple[float, float, float, float, float, float]
"""u = a + b x + c y and v = d + e x + f y, in tiles, for px centres (x, y) of a box."""


def lines(corner: tuple[float, float], side: tuple[float, float], angle: float,
          shift: tuple[float, float], box: Box) -> Lines:  # fmt: skip
    """A tile's axes turned clockwise by `angle` about a frame's corner; px sides of the tile."""
    turn = math.radians(angle)
    cos, sin = math.cos(turn), math.sin(turn)
    b, c = cos / side[0], sin / side[0]
    e, f = -sin / side[1], cos / side[1]
    x0, y0 = box.x0 + 0.5 - corner[0], box.y0 + 0.5 - corner[1]
    return (b * x0 + c * y0 - shift[0], b, c, e * x0 + f * y0 - shift[1], e, f)


@njit(nogil=True, cache=True)
def _wrapped(t: float, mirror: bool) -> float:
    if mirror:
        return abs(t - 2.0 * np.floor(t * 0.5 + 0.5))
    return t - np.floor(t)


@njit(nogil=True, cache=True)
def _places(at, mirror, u, v, y0, y1):  # type: ignore[no-untyped-def]
    for y in range(y0, y1):
        for x in range(u.shape[1]):
            u[y, x] = _wrapped(at[0] + at[1] * x + at[2] * y, mirror)
            v[y, x] = _wrapped(at[3] + at[4] * x + at[5] * y, mirror)


def places(
    at: Lines, mirror: bool, rows: tuple[int, int], width: int
) -> tuple[np.ndarray, np.ndarray]:
    """u, v float32 in 0..1 for rows y0..y1 of the box."""
    y0, y1 = rows
    a, b, c, d, e, f = at
    moved = np.array((a + c * y0, b, c, d + f * y0, e, f))
    u, v = (np.empty((y1 - y0, width), np.float32) for _ in range(2))
    _places(moved, mirror, u, v, 0, y1 - y0)
    return u, v


@njit(nogil=True, cache=True)
def _sample(tile, at, mirror, out, y0, y1):  # type: ignore[no-untyped-def]
    """Bilinear, wrapping (or, mirrored, meeting itself) at the tile's sides."""
    planes, high, wide = tile.shape
    one = np.float32(1)
    for y in range(y0, y1):
        for x in range(out.shape[2]):
            s = _wrapped(at[0] + at[1] * x + at[2] * y, mirror) * wide - 0.5
            t = _wrapped(at[3] + at[4] * x + at[5] * y, mirror) * high - 0.5
            i, j = int(np.floor(s)), int(np.floor(t))
            fx, fy = np.float32(s - i), np.float32(t - j)
            i1, j1 = i + 1, j + 1
            if mirror:
                i, j = max(i, 0), max(j, 0)
                i1, j1 = min(i1, wide - 1), min(j1, high - 1)
            else:
                i, j = i if i >= 0 else wide - 1, j if j >= 0 else high - 1
                i1, j1 = i1 if i1 < wide else 0, j1 if j1 < high else 0
            a, b, c, d = (one - fx) * (one - fy), fx * (one - fy), (one - fx) * fy, fx * fy
            for p in range(planes):
                out[p, y, x] = (
                    tile[p, j, i] * a + tile[p, j, i1] * b + tile[p, j1, i] * c + tile[p, j1, i1] * d
                )  # fmt: skip


def sample(tile: np.ndarray, at: Lines, mirror: bool, box: Box) -> np.ndarray:
    """A tile (planes, h, w) float32 looked up for every px of a box: (planes, H, W)."""
    out = np.empty((len(tile), box.height, box.width), np.float32)
    numbers = np.array(at)
    bands.run(lambda a, b: _sample(tile, numbers, mirror, out, a, b), bands.split(box.height))
    return out
