"""Specks of many sizes, scattered."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import cells
from .grid import Grid, PatternParams, over


def value(grid: Grid, params: PatternParams) -> Reals:
    out = np.zeros_like(grid.u)
    for k in range(3):
        n = params.parts * (3 << k)
        near, _, own = cells(grid.u, grid.v, n, n, 0.5 + 0.5 * params.rough, params.seed + 7 * k)
        radius = 0.42 * np.sqrt(np.clip(own - (1 - params.weight), 0, 1))
        out = np.maximum(out, over(-near, -radius, grid.px * n) * (radius > 0.02))
    return out
