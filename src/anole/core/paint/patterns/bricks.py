"""Bricks in running bond, their joints dark, each with a tone of its own."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import chance, fbm
from .grid import Grid, PatternParams, over


def value(grid: Grid, params: PatternParams) -> Reals:
    n, rows = params.parts, params.parts * 2
    y = grid.v * rows
    row = np.floor(y)
    x = grid.u * n + 0.5 * (row % 2)
    brick = np.floor(x)
    grit = fbm(grid.u, grid.v, n * 8, n * 8, 3, params.seed) - 0.5
    joint = 0.04 + 0.16 * (1 - params.weight)
    bite = grit * params.rough * 0.12
    side = np.minimum(np.minimum(x - brick, brick + 1 - x) * 2, np.minimum(y - row, row + 1 - y))
    body = (
        0.72
        + (chance(brick, row, n, rows, params.seed) - 0.5) * 0.5 * params.rough
        + grit * 0.4 * params.rough
    )
    return np.clip(over(side + bite, joint, grid.px * rows) * body, 0, 1)
