"""Zigzag bands."""

from __future__ import annotations

from ...arrays import Reals
from ...noise import fbm
from .grid import Grid, PatternParams, bars, tent


def value(grid: Grid, params: PatternParams) -> Reals:
    fold = tent(grid.u * params.parts) * 0.5
    wobble = (fbm(grid.u, grid.v, 5, 5, 2, params.seed) - 0.5) * (0.4 * params.rough**2)
    return bars(grid.v * params.parts + fold + wobble, params.weight, grid.px * params.parts * 1.4)
