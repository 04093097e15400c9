"""Leather: soft pebbles parted by fine creases."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import cells, fbm
from .grid import Grid, PatternParams, smooth


def value(grid: Grid, params: PatternParams) -> Reals:
    n = params.parts * 3
    bend = (fbm(grid.u, grid.v, n, n, 2, params.seed + 2) - 0.5) * (0.5 / n)
    u, v = grid.u + bend, grid.v - bend
    near, second, own = cells(u - np.floor(u), v - np.floor(v), n, n, 0.9, params.seed)
    pebble = smooth(0, 0.15 + 0.5 * params.weight, second - near)
    return np.clip(0.15 + 0.7 * pebble * (1 - 0.25 * near) + (own - 0.5) * 0.3 * params.rough, 0, 1)
