"""Lines that swing across the tile like water drawn by a sign painter."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import fbm
from .grid import F, Grid, PatternParams, bars


def value(grid: Grid, params: PatternParams) -> Reals:
    swing = np.sin(grid.u * F(2 * np.pi * max(params.parts // 2, 1))) * (0.1 + 0.25 * params.rough)
    drift = (fbm(grid.u, grid.v, 2, 2, 2, params.seed) - 0.5) * params.rough
    return bars(grid.v * params.parts + swing + drift, params.weight, grid.px * params.parts * 1.3)
