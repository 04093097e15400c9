"""Felt: short tangled fibres."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import fbm
from .grid import Grid, PatternParams


def value(grid: Grid, params: PatternParams) -> Reals:
    n = params.parts * 4
    bend = (fbm(grid.u, grid.v, n, n, 2, params.seed) - 0.5) * (1.4 / n)
    a = fbm(
        grid.u + bend - np.floor(grid.u + bend), grid.v, n * 6, n, 2, params.seed + 1, ridged=True
    )
    b = fbm(
        grid.u, grid.v + bend - np.floor(grid.v + bend), n, n * 6, 2, params.seed + 2, ridged=True
    )
    fluff = np.maximum(a, b) - 0.6
    cloud = fbm(grid.u, grid.v, n // 2, n // 2, 2, params.seed + 3) - 0.5
    return np.clip(params.weight + fluff * (0.5 + params.rough) + cloud * 0.2, 0, 1)
