"""Checks: two square waves that turn each other over."""

from __future__ import annotations

from ...arrays import Reals
from .grid import Grid, PatternParams, bars


def value(grid: Grid, params: PatternParams) -> Reals:
    px = grid.px * params.parts
    a = 2 * bars(grid.u * params.parts, params.weight, px) - 1
    b = 2 * bars(grid.v * params.parts, params.weight, px) - 1
    return 0.5 + 0.5 * a * b
