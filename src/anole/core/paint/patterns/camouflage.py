"""Camouflage: flat patches in as many tones as there are inks."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import fbm
from .grid import Grid, PatternParams, over


def value(grid: Grid, params: PatternParams) -> Reals:
    n, octaves = params.parts, 2 + round(params.rough * 2)
    out = np.zeros_like(grid.u)
    for k, height in enumerate((1 / 3, 2 / 3, 1.0)):
        patch = fbm(grid.u, grid.v, n, n, octaves, params.seed + 41 * k)
        there = over(patch, 0.62 - 0.22 * params.weight, grid.px * n * 2)
        out = out + (height - out) * there
    return out
