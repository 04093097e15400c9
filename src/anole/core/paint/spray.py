"""Sprayed paint: coverage broken into specks, stable between frames and the render scales."""

from __future__ import annotations

import math

import cv2
import numpy as np

from ..arrays import Plane
from ..box import Box
from ..model.paints import PaintBase
from ..units import Units
from .patterns.noise import cells

SPECK = 0.011
"""Distance of specks in em."""
TILE = 128
FINE, MOST, LEAST = 4.0, 8, 0.05
"""Places looked at across a speck, across a px at most, and the least size of specks, px."""
ROOM = 1 << 21
"""Places that are looked at together."""
FULL = 0.62
"""Share of a fully covered area that specks fill when all is sprayed."""


def sprayed(plane: Plane, paint: PaintBase, box: Box, units: Units) -> Plane:
    """(H, W) coverage in specks whose number follows it; `plane` may be one row for all."""
    side = max(SPECK * units.em * units.scale, LEAST)
    whole = np.broadcast_to(plane, (box.height, box.width)).astype(np.float32)
    # small specks are looked at in more places: the picture is that of any larger scale, reduced
    fine = min(max(math.ceil(FINE / side), 1), MOST)
    out = np.empty(whole.shape, np.float32)
    rows = max(1, ROOM // max(box.width * fine * fine, 1))
    for top in range(0, box.height, rows):
        part = slice(top, min(top + rows, box.height))
        out[part] = _specks(whole[part], (box.x0, box.y0 + top), paint, side, fine)
    return out


def _specks(
    whole: np.ndarray, at: tuple[int, int], paint: PaintBase, side: float, fine: int
) -> np.ndarray:
    height, width = whole.shape
    u, v = (
        ((np.arange(n * fine) + 0.5) / fine + start) / (side * TILE) % 1
        for n, start in zip((width, height), at, strict=True)
    )
    u, v = np.broadcast_arrays(u.astype(np.float32), v.astype(np.float32)[:, None])
    near, _, own = cells(u, v, TILE, TILE, 1.0, round(paint.speckle_seed))
    smooth = whole
    if fine > 1:
        size = (width * fine, height * fine)
        smooth = cv2.resize(whole, size, interpolation=cv2.INTER_LINEAR)
    # a speck grows with the coverage above its own threshold
    most = 1 - (1 - FULL) * paint.speckle
    radius = 0.62 * np.sqrt(
        np.clip((smooth * np.float32(most) - own * np.float32(0.92)) * 2.2, 0, 1)
    )
    sharp = np.float32(side * fine)
    speck = np.clip((radius - near) * sharp + np.float32(0.5), 0, 1) * (radius > 0)
    if fine > 1:
        speck = speck.reshape(height, fine, width, fine).mean((1, 3))
    return np.ascontiguousarray(whole + (speck - whole) * np.float32(paint.speckle), np.float32)
