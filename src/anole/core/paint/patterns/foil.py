"""Crumpled foil: flat facets, each turned its own way."""

from __future__ import annotations

import numpy as np

from ...arrays import Reals
from ...noise import cells, fbm
from .grid import Grid, PatternParams


def value(grid: Grid, params: PatternParams) -> Reals:
    n = params.parts * 2
    near, second, own = cells(grid.u, grid.v, n, n, 1.0, params.seed)
    _, _, own2 = cells(grid.u, grid.v, n * 2, n * 2, 1.0, params.seed + 3)
    crease = np.clip((second - near) * 7, 0, 1)
    soft = fbm(grid.u, grid.v, n, n, 2, params.seed + 5) - 0.5
    tone = (
        params.weight
        + (own - 0.5) * (0.5 + 0.5 * params.rough)
        + (own2 - 0.5) * 0.35 * params.rough
    )
    return np.clip(tone * (0.75 + 0.25 * crease) + soft * 0.3 + (1 - crease) * 0.15, 0, 1)
