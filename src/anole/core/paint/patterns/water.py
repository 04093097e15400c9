"""Light on the floor of a pool: bright nets that meet."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import cells, fbm
from .grid import Grid, PatternParams


def value(grid: Grid, params: PatternParams) -> Reals:
    n = params.parts
    bend = (fbm(grid.u, grid.v, n, n, 2, params.seed) - 0.5) * (0.9 * (0.2 + params.rough) / n)
    lines = np.zeros_like(grid.u)
    for k in range(2):
        u, v = grid.u + bend * (1 - 2 * k), grid.v + bend
        near, second, _ = cells(
            u - np.floor(u), v - np.floor(v), n * (k + 1), n * (k + 1), 0.9, params.seed + k
        )
        lines = lines + np.exp(-(second - near) * (9 - 5 * params.weight)) * (0.75 - 0.3 * k)
    return np.clip(lines, 0, 1)
