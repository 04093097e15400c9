"""Round dots on a grid; roughness moves and resizes them."""

from __future__ import annotations

from ...arrays import Reals
from ...noise import cells
from .grid import Grid, PatternParams, over


def value(grid: Grid, params: PatternParams) -> Reals:
    n = params.parts
    near, _, own = cells(grid.u, grid.v, n, n, params.rough * 0.6, params.seed)
    radius = 0.5 * params.weight**0.5 * (1 - params.rough * 0.5 * own)
    return over(-near, -radius, grid.px * n)
