"""Thin scratches in a few directions, some deep."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import chance, fbm
from .grid import Grid, PatternParams, over

WAYS = ((1, 0), (1, 1), (2, 1), (1, 2), (1, -1), (3, -1))


def value(grid: Grid, params: PatternParams) -> Reals:
    out = np.zeros_like(grid.u)
    lines = params.parts * 5
    bend = (fbm(grid.u, grid.v, 3, 3, 2, params.seed) - 0.5) * params.rough
    for k, (a, b) in enumerate(WAYS):
        across = (a * grid.u + b * grid.v) * lines
        along = (-b * grid.u + a * grid.v) * 2
        row = np.floor(across)
        zero = np.zeros_like(row)
        strength = chance(zero, row, 1, lines, params.seed + 13 * k)
        piece = np.floor(along + 7 * strength)
        there = chance(piece, row, 2, lines, params.seed + 29 * k)
        off = np.abs(across - row - 0.5 + bend * 0.6)
        thin = 0.02 + 0.06 * params.weight * strength
        line = over(-off, -thin, grid.px * lines * (abs(a) + abs(b)) * 0.75)
        out = np.maximum(out, line * strength * (there < 0.1 + 0.5 * params.weight))
    return np.clip(out, 0, 1)
