"""Metal brushed along the tile: long hairlines of many strengths."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import fbm
from .grid import Grid, PatternParams


def value(grid: Grid, params: PatternParams) -> Reals:
    fine = fbm(grid.u, grid.v, 2, params.parts * 48, 3, params.seed)
    wide = fbm(grid.u, grid.v, 1, params.parts * 5, 2, params.seed + 17)
    sheen = fbm(grid.u, grid.v, 2, 2, 2, params.seed + 29)
    strength = 0.35 + 1.1 * params.rough
    return np.clip(
        params.weight
        + (fine - 0.5) * strength
        + (wide - 0.5) * 0.3 * strength
        + (sheen - 0.5) * 0.3,
        0,
        1,
    )
