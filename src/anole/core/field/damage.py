"""Damage of a shape: where a texture lies under a level that may be higher toward the rim."""

from __future__ import annotations

import functools
import math
from typing import NamedTuple

import numpy as np

from .. import bands
from ..arrays import Plane, Reals, Table
from ..box import Box
from ..kernels import njit
from ..noise import cells, fbm

CELLS, STRETCH = 48, 9
"""Cells of a texture until it repeats; how much longer scratches are than they are wide."""
FINEST = 1.5
"""px of the finest octave: finer ones would only flicker."""
BESIDE = np.float32(3)
"""px outside a shape within which the texture is known: slopes are measured across its edge."""
SAMPLE, LEVELS = 160, 256
"""Places a side that a texture's shares are counted at, and steps of the table of them."""
FAR = 1e6
"""px of what lies nowhere near."""
CREASED = ("scratches", "cracks")
"""Textures that are 0 along lines and grow to both sides."""
RAGGED = 0.35
"""How far cracks stray from the edges between cells."""


class Texture(NamedTuple):
    """name : chips, scratches or cracks; angle : degrees, of scratches"""

    name: str
    octaves: int
    angle: float = 0.0
    seed: int = 1


def _fbm(u: Reals, v: Reals, nx: int, ny: int, full: int, fine: int, seed: int) -> Plane:
    """Noise of `fine` octaves with the strength that they have among `full` ones."""
    found = fbm(u, v, nx, ny, fine, seed)
    if fine == full:
        return found
    share = (2 - 0.5 ** (fine - 1)) / (2 - 0.5 ** (full - 1))
    return np.float32(0.5) + (found - np.float32(0.5)) * np.float32(share)


def texture(look: Texture, x: Reals, y: Reals, fine: int) -> Plane:
    """(...) float32 at x, y in cells: what is low is worn away first. fine : octaves of it that
    are not too fine to be seen"""
    u, v = np.broadcast_arrays(x, y)
    octaves, seed = look.octaves, look.seed
    if look.name == "scratches":
        turn = math.radians(look.angle)
        along = u * math.sin(turn) - v * math.cos(turn)
        u, v = along / STRETCH, u * math.cos(turn) + v * math.sin(turn)
        rough = _fbm(u / CELLS, v / CELLS, CELLS, CELLS, octaves, fine, seed)
        return np.abs(rough - np.float32(0.5))
    u, v = u / np.float32(CELLS), v / np.float32(CELLS)
    rough = _fbm(u, v, CELLS, CELLS, octaves, fine, seed)
    if look.name == "chips":
        return rough
    by = (rough - np.float32(0.5)) * np.float32(RAGGED / CELLS)
    near, further, _ = cells(u + by, v - by, CELLS, CELLS, 1.0, seed)
    return further - near


@functools.lru_cache(64)
def levels(look: Texture) -> Table:
    """(LEVELS + 1,) float32: the level under which a share k / LEVELS of a texture lies."""
    x = np.arange(SAMPLE) * (CELLS / SAMPLE) + 0.13
    found = texture(look, x[None], x[:, None], look.octaves)
    return np.quantile(found, np.linspace(0, 1, LEVELS + 1)).astype(np.float32)


@njit(nogil=True, cache=True, error_model="numpy")
def _above(
    t: Plane, d: Plane, level: Table, inner: float, outer: float, rim: float, first: int, last: int
) -> None:
    """t less the level there, in place."""
    top = len(level) - 1
    for y in range(first, last):
        for x in range(t.shape[1]):
            if d[y, x] <= -BESIDE:
                continue
            near = math.exp(-max(d[y, x], np.float32(0)) / rim) if outer != inner else 0.0
            at = min(max(inner + (outer - inner) * near, 0.0), 1.0) * top
            n = min(int(at), top - 1)
            t[y, x] -= level[n] + (level[n + 1] - level[n]) * np.float32(at - n)


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _steepest(m: Plane, y: int, x: int) -> np.float32:
    """The slope of a texture; of a crease, across which it falls and rises, that of one side."""
    height, width = m.shape
    here = m[y, x]
    left, right = here - m[y, max(x - 1, 0)], m[y, min(x + 1, width - 1)] - here
    up, low = here - m[max(y - 1, 0), x], m[min(y + 1, height - 1), x] - here
    across, down = max(abs(left), abs(right)), max(abs(up), abs(low))
    return np.sqrt(across * across + down * down)


@njit(nogil=True, cache=True, error_model="numpy")
def _kept(
    m: Plane, t: Plane, d: Plane, soft: float, creased: bool, keep: Plane, depth: Plane,
    first: int, last: int,
) -> None:  # fmt: skip
    """m : a texture t less the level there; creased : t is how far from a line it is, which has two
    sides of which a px may see both"""
    height, width = m.shape
    for y in range(first, last):
        up, down = max(y - 1, 0), min(y + 1, height - 1)
        for x in range(width):
            left, right = max(x - 1, 0), min(x + 1, width - 1)
            if creased:
                slope = max(_steepest(t, y, x), np.float32(1e-6))
                far, beyond = m[y, x] / slope, (np.float32(2) * t[y, x] - m[y, x]) / slope
            else:
                gx = (m[y, right] - m[y, left]) / np.float32(max(right - left, 1))
                gy = (m[down, x] - m[up, x]) / np.float32(max(down - up, 1))
                far = m[y, x] / max(math.sqrt(gx * gx + gy * gy), 1e-6)
                beyond = np.float32(FAR)
            share = min(max(far / soft + 0.5, 0.0), 1.0)
            share += 1.0 - min(max(beyond / soft + 0.5, 0.0), 1.0)
            share = min(share, 1.0)
            keep[y, x] = share if soft <= 1.0 else share * share * (3.0 - 2.0 * share)
            depth[y, x] = min(d[y, x], np.float32(far))


def texture_over(
    look: Texture, box: Box, origin: tuple[float, float], size: float, distance: Plane
) -> Plane:
    """(H, W) float32 over `box`: a texture where it may matter, and 0 elsewhere.

    origin : where it begins, px; size : px of a cell; distance : of the shape
    """
    size = max(size, 0.05)
    fine = min(look.octaves, max(1, 1 + int(math.log2(max(size / FINEST, 1.0)))))
    x = ((np.arange(box.x0, box.x1) + 0.5 - origin[0]) / size).astype(np.float32)
    y = ((np.arange(box.y0, box.y1) + 0.5 - origin[1]) / size).astype(np.float32)
    out = np.zeros((box.height, box.width), np.float32)

    def rows(first: int, last: int) -> None:
        down, across = np.nonzero(distance[first:last] > -BESIDE)
        at = x[across], y[first + down]
        out[first + down, across] = texture(look, *at, fine)

    bands.run(rows, bands.split(box.height))
    return out


def damaged(
    look: Texture,
    found: Plane,
    amount: float,
    edge: float,
    rim: float,
    soften: float,
    distance: Plane,
) -> tuple[Plane, Plane]:
    """(H, W) float32: how much of each px is kept, 0..1, and about how many px deep it lies in
    what is kept.

    found : of texture_over(); amount : the share that goes; edge : how far that is led over to the
    rim, which is `rim` px deep; soften : px; distance : of the shape
    """
    m = found.copy()
    keep, depth = np.empty_like(found), np.empty_like(found)
    table = levels(look._replace(seed=7))
    outer, inner = min(amount * (1 + edge), 0.98), amount * (1 - edge)
    split = bands.split(len(m))
    bands.run(lambda a, b: _above(m, distance, table, inner, outer, max(rim, 0.1), a, b), split)
    soft, creased = max(soften, 1.0), look.name in CREASED
    bands.run(lambda a, b: _kept(m, found, distance, soft, creased, keep, depth, a, b), split)
    return keep, depth
