"""Displacements by waves, turbulence and the light of a picture, at points or over a box."""

from __future__ import annotations

import math
from collections.abc import Callable

import cv2
import numpy as np

from .. import bands
from ..arrays import Coordinates, Plane, Planes, Points, Reals
from ..box import Box
from ..noise import fbm
from .remap import cubic_weights

Displacement = Callable[[Coordinates, Coordinates], tuple[Reals, Reals]]
"""x and y px -> how far what is there moves, px: both of the shape that x and y spread to."""
CELLS = 64
"""Whirls until turbulence repeats."""
GAIN = np.float32(3.2)
"""Noise seldom leaves the middle third of its range."""
PER_WHIRL, COARSEST = 6.0, 8
"""Places looked at across the finest whirl, and px between places at most."""
LUMA = np.array([0.2126, 0.7152, 0.0722], np.float32)


def waves(
    height: tuple[float, float], long: tuple[float, float], phase: tuple[float, float]
) -> Displacement:
    """What lies y px down moves height[0] sin(2 pi (y / long[0] + phase[0])) px to the right, and
    likewise what lies x px to the right down."""
    wide, deep = (max(length, 1e-3) for length in long)

    def at(x: Coordinates, y: Coordinates) -> tuple[Reals, Reals]:
        dx = height[0] * np.sin(2 * math.pi * (y / wide + phase[0]))
        dy = height[1] * np.sin(2 * math.pi * (x / deep + phase[1]))
        return dx + 0 * x, dy + 0 * y

    return at


def turbulence(amount: float, size: float, octaves: int, seed: int) -> Displacement:
    """By at most `amount` px each way, in whirls of `size` px and finer ones."""
    tile = CELLS * max(size, 1e-3)

    def at(x: Coordinates, y: Coordinates) -> tuple[Reals, Reals]:
        u, v = np.broadcast_arrays(np.asarray(x / tile), np.asarray(y / tile))
        out = np.empty((2, *u.shape), np.float32)

        def rows(first: int, last: int) -> None:
            for n in range(2):
                noise = fbm(u[first:last], v[first:last], CELLS, CELLS, octaves, seed + 977 * n)
                out[n, first:last] = np.clip((noise - 0.5) * GAIN, -1, 1) * amount

        bands.run(rows, bands.split(len(out[0])))
        return out[0], out[1]

    return at


def by_light(planes: Planes, box: Box, sigma: float, way: tuple[float, float]) -> Displacement:
    """What lies where a picture over `box` is white moves by `way` px, where it is black as far
    back. planes : (4, H, W) premultiplied, blurred by sigma px first; its last px go on beyond."""
    light = np.tensordot(LUMA, planes[:3], 1) * 2 - 1
    if sigma > 0.1:
        light = cv2.GaussianBlur(light, (0, 0), sigma, borderType=cv2.BORDER_REPLICATE)

    def at(x: Coordinates, y: Coordinates) -> tuple[Reals, Reals]:
        u, v = np.broadcast_arrays(x - (box.x0 + 0.5), y - (box.y0 + 0.5))
        flat = (
            np.asarray(u, np.float32).reshape(-1, u.shape[-1]),
            np.asarray(v, np.float32).reshape(-1, u.shape[-1]),
        )
        found = _sampled(light, *flat).reshape(u.shape)
        return found * way[0], found * way[1]

    return at


def _sampled(plane: Plane, u: Plane, v: Plane) -> Plane:
    """Between four px, in parts that the library takes."""
    most = 30_000
    if u.shape[1] > most:
        parts = range(0, u.shape[1], most)
        return np.hstack([_sampled(plane, u[:, n : n + most], v[:, n : n + most]) for n in parts])
    return cv2.remap(plane, u, v, cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE)


def over(displacement: Displacement, box: Box, finest: float) -> tuple[Plane, Plane]:
    """(H, W) float32 px over a box; finest : px over which it changes its way.

    It is looked at on a grid that begins where the board does, so that it is the same in any box.
    """
    step = int(min(max(finest / PER_WHIRL, 1), COARSEST))
    grid = Box(box.x0 // step, box.y0 // step, -(-box.x1 // step), -(-box.y1 // step))
    grid = grid if step == 1 else grid.grown(2)
    x = (np.arange(grid.x0, grid.x1, dtype=np.float64) + 0.5) * step
    y = (np.arange(grid.y0, grid.y1, dtype=np.float64) + 0.5) * step
    dx, dy = (
        np.broadcast_to(np.asarray(part, np.float32), (grid.height, grid.width))
        for part in displacement(x[None], y[:, None])
    )
    corner = box.x0 - grid.x0 * step, box.y0 - grid.y0 * step
    return _finer(dx, step, corner, box), _finer(dy, step, corner, box)


def _finer(plane: Plane, step: int, corner: tuple[int, int], box: Box) -> Plane:
    """The plane `step` times as fine, from the px `corner` on as large as a box."""
    if step == 1:
        return np.ascontiguousarray(plane)
    columns = _between_columns(plane, step, corner[0], box.width)
    return np.ascontiguousarray(_between_columns(columns.T, step, corner[1], box.height).T)


def _between_columns(plane: Plane, step: int, first: int, count: int) -> Plane:
    """(H, count): columns `step` times as fine from one on, cubic between the four round about."""
    at = (np.arange(first, first + count) + 0.5) / step - 0.5
    left = np.floor(at).astype(int)
    weights = np.array([cubic_weights(np.float32(t)) for t in np.arange(step * 2) / (step * 2)])
    which = np.round((at - left) * step * 2).astype(int)
    out = np.zeros((len(plane), count), np.float32)
    for n in range(4):
        out += plane[:, left + (n - 1)] * weights[which, n].astype(np.float32)
    return out


def displaced_points(displacement: Displacement, points: Points) -> Points:
    """Points (m, 2) px where they come to lie."""
    dx, dy = displacement(points[None, :, 0], points[None, :, 1])
    return points + np.column_stack([np.ravel(dx), np.ravel(dy)])
