"""Rough stone: pitted and mottled."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import cells, fbm
from .grid import Grid, PatternParams, smooth


def value(grid: Grid, params: PatternParams) -> Reals:
    n = params.parts * 2
    mottle = fbm(grid.u, grid.v, n, n, 5, params.seed)
    near, _, own = cells(grid.u, grid.v, n * 3, n * 3, 1.0, params.seed + 1)
    pit = smooth(0.05, 0.3, near) * (own > 0.4) + (own <= 0.4)
    return np.clip(
        (0.15 + params.weight * 0.5 + (mottle - 0.5) * (0.5 + params.rough)) * (0.6 + 0.4 * pit)
        + 0.1,
        0,
        1,
    )
