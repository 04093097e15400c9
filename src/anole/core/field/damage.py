"""Damage of a shape: where a texture lies under a level that may be higher toward the rim."""

from __future__ import annotations

import functools
import math

import numpy as np
from numba import njit

from .. import bands
from ..arrays import Plane, Table
from ..box import Box
from ..noise import cells, fbm

CELLS, STRETCH = 48, 9
"""Cells of a texture until it repeats; how much longer scratches are than they are wide."""
FINEST = 1.5
"""px of the finest octave: finer ones would only flicker."""
SAMPLE, LEVELS = 160, 256
"""Places a side that a texture's shares are counted at, and steps of the table of them."""
RAGGED = 0.35
"""How far cracks stray from the edges between cells."""


def _fbm(u: np.ndarray, v: np.ndarray, nx: int, ny: int, full: int, fine: int, seed: int) -> Plane:
    """Noise of `fine` octaves with the strength that they have among `full` ones."""
    found = fbm(u, v, nx, ny, fine, seed)
    if fine == full:
        return found
    share = (2 - 0.5 ** (fine - 1)) / (2 - 0.5 ** (full - 1))
    return np.float32(0.5) + (found - np.float32(0.5)) * np.float32(share)


def texture(
    name: str, x: np.ndarray, y: np.ndarray, octaves: int, angle: float, seed: int, fine: int
) -> Plane:
    """(...) float32 at x, y in cells: what is low is worn away first."""
    u, v = np.broadcast_arrays(x, y)
    if name == "scratches":
        turn = math.radians(angle)
        along, across = (
            u * math.sin(turn) - v * math.cos(turn),
            u * math.cos(turn) + v * math.sin(turn),
        )
        u, v = along / STRETCH, across
        return np.abs(_fbm(u / CELLS % 1, v / CELLS % 1, CELLS, CELLS, octaves, fine, seed) - 0.5)
    u, v = u / CELLS % 1, v / CELLS % 1
    rough = _fbm(u, v, CELLS, CELLS, octaves, fine, seed)
    if name == "chips":
        return rough
    by = (rough - np.float32(0.5)) * np.float32(RAGGED / CELLS)
    near, further, _ = cells(u + by, v - by, CELLS, CELLS, 1.0, seed)
    return further - near


@functools.lru_cache(64)
def levels(name: str, octaves: int, angle: float) -> Table:
    """(LEVELS + 1,) float32: the level under which a share k / LEVELS of a texture lies."""
    x = np.arange(SAMPLE) * (CELLS / SAMPLE) + 0.13
    found = texture(name, x[None], x[:, None], octaves, angle, 7, octaves)
    return np.quantile(found, np.linspace(0, 1, LEVELS + 1)).astype(np.float32)


@njit(nogil=True, cache=True, error_model="numpy")
def _above(
    t: Plane, d: Plane, level: Table, inner: float, outer: float, rim: float, first: int, last: int
) -> None:
    """t less the level there, in place."""
    top = len(level) - 1
    for y in range(first, last):
        for x in range(t.shape[1]):
            near = math.exp(-max(d[y, x], np.float32(0)) / rim) if outer != inner else 0.0
            at = min(max(inner + (outer - inner) * near, 0.0), 1.0) * top
            n = min(int(at), top - 1)
            t[y, x] -= level[n] + (level[n + 1] - level[n]) * np.float32(at - n)


@njit(nogil=True, cache=True, error_model="numpy")
def _kept(
    m: Plane, d: Plane, soft: float, keep: Plane, depth: Plane, first: int, last: int
) -> None:
    height, width = m.shape
    for y in range(first, last):
        up, down = max(y - 1, 0), min(y + 1, height - 1)
        for x in range(width):
            left, right = max(x - 1, 0), min(x + 1, width - 1)
            gx = (m[y, right] - m[y, left]) / np.float32(max(right - left, 1))
            gy = (m[down, x] - m[up, x]) / np.float32(max(down - up, 1))
            far = m[y, x] / max(math.sqrt(gx * gx + gy * gy), 1e-6)
            share = min(max(far / soft + 0.5, 0.0), 1.0)
            keep[y, x] = share if soft <= 1.0 else share * share * (3.0 - 2.0 * share)
            depth[y, x] = min(d[y, x], np.float32(far))


def damaged(
    name: str,
    box: Box,
    origin: tuple[float, float],
    size: float,
    *,
    octaves: int,
    angle: float,
    seed: int,
    amount: float,
    edge: float,
    rim: float,
    soften: float,
    distance: Plane,
) -> tuple[Plane, Plane]:
    """(H, W) float32 over `box`: how much of each px is kept, 0..1, and about how many px deep it
    lies in what is kept.

    origin : where the texture begins, px; size : px of a cell; amount : the share that goes;
    edge : how far that is led over to the rim, which is `rim` px deep; distance : of the shape
    """
    shape = (box.height, box.width)
    size = max(size, 0.05)
    fine = min(octaves, max(1, 1 + int(math.log2(max(size / FINEST, 1.0)))))
    x = (np.arange(box.x0, box.x1) + 0.5 - origin[0]) / size
    y = (np.arange(box.y0, box.y1) + 0.5 - origin[1]) / size
    t, keep, depth = (np.empty(shape, np.float32) for _ in range(3))
    table = levels(name, octaves, angle if name == "scratches" else 0.0)
    outer, inner = min(amount * (1 + edge), 0.98), amount * (1 - edge)

    def rows(first: int, last: int) -> None:
        t[first:last] = texture(name, x[None], y[first:last, None], octaves, angle, seed, fine)
        _above(t, distance, table, inner, outer, max(rim, 0.1), first, last)

    bands.run(rows, bands.split(box.height))
    bands.run(
        lambda a, b: _kept(t, distance, max(soften, 1.0), keep, depth, a, b),
        bands.split(box.height),
    )
    return keep, depth
