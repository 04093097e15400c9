"""Marble: veins that wander and thin out."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look
from .noise import fbm


def value(grid: Grid, look: Look) -> np.ndarray:
    n = max(look.parts // 2, 1)
    a = (fbm(grid.u, grid.v, n, n, 4, look.seed) - 0.5) * (0.3 + 0.5 * look.rough) / n
    b = (fbm(grid.u, grid.v, n, n, 4, look.seed + 9) - 0.5) * (0.3 + 0.5 * look.rough) / n
    u, v = grid.u + a, grid.v + b
    vein = fbm(u - np.floor(u), v - np.floor(v), n, n * 2, 3, look.seed + 4, ridged=True)
    cloud = fbm(grid.u, grid.v, n, n, 3, look.seed + 5) - 0.5
    return np.clip(
        1.0 - np.clip(vein - 0.62, 0, 1) * 2.6 * (1.4 - look.weight) + cloud * 0.35, 0, 1
    )
