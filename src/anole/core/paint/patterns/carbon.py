"""Carbon cloth: a two-by-two twill of flat tows with a sheen along each."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import fbm
from .grid import F, Grid, PatternParams, wave


def value(grid: Grid, params: PatternParams) -> Reals:
    n = max(params.parts, 1) * 4
    x, y = grid.u * n, grid.v * n
    i, j = np.floor(x), np.floor(y)
    warp = (i + j) % 4 < 2
    run = np.where(warp, y + (i % 4), x + (-j % 4)) / 4
    off = np.where(warp, x - i, y - j) - F(0.5)
    tow = np.sqrt(np.clip(1 - (2 * off) ** 2 * 0.8, 0, 1))
    sheen = np.where(warp, F(0.65), F(0.3)) * (0.5 + 0.5 * params.weight)
    fibre = (fbm(grid.u, grid.v, n * 6, n * 6, 1, params.seed) - 0.5) * params.rough * 0.4
    return np.clip(tow * (sheen + 0.35 * wave(run) * params.weight) + fibre, 0, 1)
