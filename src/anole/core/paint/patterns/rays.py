"""Rays from the middle of the tile."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import fbm
from .grid import Grid, PatternParams, bars


def value(grid: Grid, params: PatternParams) -> Reals:
    x, y = grid.u - 0.5, grid.v - 0.5
    turn = np.arctan2(y, x) / np.float32(2 * np.pi)
    if params.rough > 0:
        # none at the border, where rays mirror each other
        calm = 1 - 2 * np.maximum(np.abs(x), np.abs(y))
        turn = turn + (fbm(grid.u, grid.v, 3, 3, 2, params.seed) - 0.5) * calm * (
            0.2 * params.rough
        )
    far = np.maximum(np.hypot(x, y), 1e-4)
    n = max(params.parts, 2) * 2
    # half a bar ahead: the rays of one tile mirror those of the next
    return bars(
        turn * n + params.weight / 2, params.weight, np.minimum(grid.px * n / (6.2832 * far), 1)
    )
