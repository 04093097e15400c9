"""Overlapping round scales, shaded from root to rim."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import chance
from .grid import Grid, PatternParams, over


def value(grid: Grid, params: PatternParams) -> Reals:
    n, rows = params.parts, params.parts * 2
    out = np.zeros_like(grid.u)
    taken = np.zeros(grid.u.shape, bool)
    y = grid.v * rows
    for up in range(3):
        row = np.floor(y) - up
        shift = 0.5 * (row % 2)
        x = grid.u * n - shift
        column = np.floor(x)
        far = np.hypot(x - column - 0.5, (y - row) / 2 - 0.0) * 2
        inside = (far < 1) & ~taken
        tone = chance(column, row, n, rows, params.seed) * params.rough * 0.5
        rim = over(-far, -(1 - 0.12 * params.weight), grid.px * n * 2)
        shade = (0.25 + 0.75 * np.clip(1 - far * (1.2 - params.weight), 0, 1) - tone) * rim
        out = np.where(inside, shade, out)
        taken |= inside
    return np.clip(out, 0, 1)
