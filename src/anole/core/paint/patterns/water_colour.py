"""Water-colour: blooms with a pale middle and a dark rim where the wash dried."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import fbm
from .grid import Grid, PatternParams, smooth


def value(grid: Grid, params: PatternParams) -> Reals:
    n = params.parts
    wash = fbm(grid.u, grid.v, n, n, 3 + round(params.rough * 2), params.seed)
    out = 0.25 + 0.6 * fbm(grid.u, grid.v, max(n // 2, 1), max(n // 2, 1), 2, params.seed + 5)
    for k, at in enumerate((0.42, 0.52, 0.62)):
        inside = smooth(at, at + 0.02 + 0.03 * (1 - params.weight), wash)
        rim = np.exp(-np.abs(wash - at) * 60)
        out = out + inside * (0.12 - 0.04 * k) - rim * (0.1 + 0.18 * params.weight)
    grit = fbm(grid.u, grid.v, n * 24, n * 24, 2, params.seed + 9) - 0.5
    return np.clip(out + grit * 0.25 * params.rough + (params.weight - 0.5) * 0.2, 0, 1)
