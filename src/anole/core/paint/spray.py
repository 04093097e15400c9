"""Sprayed paint: coverage broken into specks, stable between frames and the render scales."""

from __future__ import annotations

import numpy as np

from ..box import Box
from ..model.paints import PaintBase
from ..units import Units
from .patterns.noise import cells

SPECK = 0.011
"""Distance of specks in em."""
TILE = 128
FULL = 0.62
"""Share of a fully covered area that specks fill when all is sprayed."""


def sprayed(plane: np.ndarray, paint: PaintBase, box: Box, units: Units) -> np.ndarray:
    """(H, W) coverage in specks whose number follows it; `plane` may be one row for all."""
    side = max(SPECK * units.em * units.scale, 0.6)
    whole = np.broadcast_to(plane, (box.height, box.width))
    u, v = (
        ((np.arange(a, b) + 0.5) / (side * TILE) % 1).astype(np.float32)
        for a, b in ((box.x0, box.x1), (box.y0, box.y1))
    )
    u, v = (np.ascontiguousarray(a) for a in np.broadcast_arrays(u, v[:, None]))
    near, _, own = cells(u, v, TILE, TILE, 1.0, round(paint.speckle_seed))
    # a speck grows with the coverage above its own threshold
    most = 1 - (1 - FULL) * paint.speckle
    radius = 0.62 * np.sqrt(
        np.clip((whole * np.float32(most) - own * np.float32(0.92)) * 2.2, 0, 1)
    )
    speck = np.clip((radius - near) * np.float32(side) + np.float32(0.5), 0, 1) * (radius > 0)
    return np.ascontiguousarray(whole + (speck - whole) * np.float32(paint.speckle), np.float32)
