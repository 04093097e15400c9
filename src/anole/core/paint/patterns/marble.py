"""Marble: veins that wander and thin out."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import fbm
from .grid import Grid, PatternParams


def value(grid: Grid, params: PatternParams) -> Reals:
    n = max(params.parts // 2, 1)
    a = (fbm(grid.u, grid.v, n, n, 4, params.seed) - 0.5) * (0.3 + 0.5 * params.rough) / n
    b = (fbm(grid.u, grid.v, n, n, 4, params.seed + 9) - 0.5) * (0.3 + 0.5 * params.rough) / n
    u, v = grid.u + a, grid.v + b
    vein = fbm(u - np.floor(u), v - np.floor(v), n, n * 2, 3, params.seed + 4, ridged=True)
    cloud = fbm(grid.u, grid.v, n, n, 3, params.seed + 5) - 0.5
    return np.clip(
        1.0 - np.clip(vein - 0.62, 0, 1) * 2.6 * (1.4 - params.weight) + cloud * 0.35, 0, 1
    )
