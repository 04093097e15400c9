"""Clouds."""

from __future__ import annotations

from ...arrays import Reals
from ...noise import fbm
from .grid import Grid, PatternParams, smooth


def value(grid: Grid, params: PatternParams) -> Reals:
    soft = fbm(grid.u, grid.v, params.parts, params.parts, 3 + round(params.rough * 3), params.seed)
    return smooth(0.66 - params.weight * 0.5, 0.95 - params.weight * 0.4, soft)
