"""Stripes down the tile; roughness lets their borders waver."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look, bars
from .noise import fbm


def value(grid: Grid, look: Look) -> np.ndarray:
    x = grid.u * look.parts
    if look.rough > 0:
        x = x + (fbm(grid.u, grid.v, 4, 4, 3, look.seed) - 0.5) * (0.5 * look.rough**2)
    return bars(x, look.weight, grid.px * look.parts)
