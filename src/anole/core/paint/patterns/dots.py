"""Round dots on a grid; roughness moves and resizes them."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look, over
from .noise import cells


def value(grid: Grid, look: Look) -> np.ndarray:
    n = look.parts
    near, _, own = cells(grid.u, grid.v, n, n, look.rough * 0.6, look.seed)
    radius = 0.5 * look.weight**0.5 * (1 - look.rough * 0.5 * own)
    return over(-near, -radius, grid.px * n)
