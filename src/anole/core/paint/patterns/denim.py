"""Denim: a twill of slanted threads, pale and dark, with slubs."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import fbm
from .grid import Grid, PatternParams, wave


def value(grid: Grid, params: PatternParams) -> Reals:
    n = params.parts * 8
    twill = wave((grid.u + grid.v) * n)
    threads = wave(grid.u * n * 2)
    slub = fbm(grid.u, grid.v, n, params.parts, 3, params.seed)
    worn = fbm(grid.u, grid.v, 2, 2, 3, params.seed + 3)
    value = (
        0.25
        + 0.35 * twill * threads
        + (slub - 0.5) * (0.3 + 0.5 * params.rough)
        + (worn - 0.5) * params.rough
    )
    return np.clip(value + (params.weight - 0.5) * 0.6, 0, 1)
