"""Frost: fern-like crystals."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import cells, fbm
from .grid import Grid, PatternParams


def value(grid: Grid, params: PatternParams) -> Reals:
    n = params.parts * 2
    bend = (fbm(grid.u, grid.v, n, n, 2, params.seed) - 0.5) * (1.2 * (0.3 + params.rough) / n)
    u, v = grid.u + bend, grid.v - bend
    u, v = u - np.floor(u), v - np.floor(v)
    near, second, own = cells(u, v, n, n, 1.0, params.seed + 1)
    needles = fbm(u, v, n * 8, n * 2, 2, params.seed + 2, ridged=True)
    rim = 1 - np.clip((second - near) * 3, 0, 1)
    return np.clip(
        rim * 0.7
        + (needles - 0.55) * (0.6 + params.weight)
        + (own - 0.5) * 0.25
        + params.weight * 0.3,
        0,
        1,
    )
