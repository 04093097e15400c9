"""Paper: faint fibres and a fine tooth."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import fbm
from .grid import Grid, PatternParams


def value(grid: Grid, params: PatternParams) -> Reals:
    n = params.parts * 6
    tooth = fbm(grid.u, grid.v, n * 4, n * 4, 1, params.seed) - 0.5
    mould = fbm(grid.u, grid.v, n, n, 2, params.seed + 1) - 0.5
    fibre = fbm(grid.u, grid.v, n * 2, n // 2, 2, params.seed + 2, ridged=True)
    dark = np.clip(fibre - 0.86, 0, 1) * 3
    return np.clip(
        0.45
        + 0.5 * params.weight
        + (tooth + mould * 0.7) * (0.2 + 0.8 * params.rough)
        - dark * params.rough,
        0,
        1,
    )
