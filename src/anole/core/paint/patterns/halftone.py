"""Halftone: dots on a slanted screen that grow down the tile and shrink again."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import fbm
from .grid import Grid, PatternParams, over, wave


def value(grid: Grid, params: PatternParams) -> Reals:
    n = max(params.parts, 2) * 2
    x, y = (grid.u + grid.v) * n, (grid.u - grid.v) * n
    dx, dy = x - np.floor(x) - 0.5, y - np.floor(y) - 0.5
    tone = wave(grid.v) * (1 - params.rough) + params.rough * fbm(
        grid.u, grid.v, 3, 3, 2, params.seed
    )
    radius = 0.78 * np.sqrt(np.clip(tone * params.weight * 2, 0, 1))
    return over(-np.hypot(dx, dy), -radius, grid.px * n * 1.4)
