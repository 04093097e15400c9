"""Planks lying across the tile with grain, butt joints and gaps."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import chance, fbm
from .grid import Grid, PatternParams, over


def value(grid: Grid, params: PatternParams) -> Reals:
    rows = params.parts
    y = grid.v * rows
    row = np.floor(y)
    zero = np.zeros_like(row)
    shift = chance(zero, row, 1, rows, params.seed + 5)
    along = grid.u + shift
    along = along - np.floor(along)
    grain = fbm(along, grid.v, 3, rows * 12, 4, params.seed)
    rings = np.sin((fbm(along, grid.v, 2, rows * 2, 2, params.seed + 3) * 9 + grain * 2) * 6.2832)
    tone = 0.5 + (chance(zero, row, 1, rows, params.seed) - 0.5) * (0.25 + 0.4 * params.rough)
    body = (
        tone
        + (params.weight - 0.5) * 0.6
        + (grain - 0.5) * (0.3 + 0.6 * params.rough)
        + rings * 0.06
    )
    gap = np.minimum(np.minimum(y - row, row + 1 - y), np.minimum(along, 1 - along) * rows)
    return np.clip(body * over(gap, 0.03, grid.px * rows), 0, 1)
