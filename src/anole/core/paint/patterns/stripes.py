"""Stripes down the tile; roughness lets their borders waver."""

from __future__ import annotations

from ...arrays import Reals
from ...noise import fbm
from .grid import Grid, PatternParams, bars


def value(grid: Grid, params: PatternParams) -> Reals:
    x = grid.u * params.parts
    if params.rough > 0:
        x = x + (fbm(grid.u, grid.v, 4, 4, 3, params.seed) - 0.5) * (0.5 * params.rough**2)
    return bars(x, params.weight, grid.px * params.parts)
