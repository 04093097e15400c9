"""A plain weave: threads going over and under each other."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import fbm
from .grid import F, Grid, PatternParams


def value(grid: Grid, params: PatternParams) -> Reals:
    n = max(params.parts, 1) * 2
    x, y = grid.u * n, grid.v * n
    i, j = np.floor(x), np.floor(y)
    a, b = x - i - F(0.5), y - j - F(0.5)
    over_ = (i + j) % 2 < 1
    across, along = np.where(over_, a, b), np.where(over_, b, a)
    thread = np.sqrt(np.clip(1 - (across / (0.3 + 0.2 * params.weight)) ** 2, 0, 1))
    swell = 0.55 + 0.45 * np.cos(along * F(np.pi))
    fibre = (fbm(grid.u, grid.v, n * 4, n * 4, 2, params.seed) - 0.5) * params.rough
    return np.clip(thread * swell + fibre * 0.6, 0, 1)
