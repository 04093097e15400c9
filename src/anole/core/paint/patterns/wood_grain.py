"""Wood grain: long rings round a few knots, with pores."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import fbm
from .grid import Grid, PatternParams, wave


def value(grid: Grid, params: PatternParams) -> Reals:
    drift = fbm(grid.u, grid.v, 1, 3, 3, params.seed)
    rings = wave(drift * (params.parts * 2 + 2) + grid.v * params.parts)
    pores = fbm(grid.u, grid.v, 4, 96, 3, params.seed + 11)
    base = 0.3 + 0.5 * rings * (0.4 + 0.6 * params.weight) + (params.weight - 0.5) * 0.3
    return np.clip(base + (pores - 0.5) * (0.2 + 0.7 * params.rough), 0, 1)
