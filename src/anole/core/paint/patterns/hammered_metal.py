"""Metal beaten with a round hammer: shallow dents that catch the light from above."""

from __future__ import annotations

import numpy as np

from ...arrays import Plane, Reals
from ...noise import cells
from .grid import Grid, PatternParams, smooth


def value(grid: Grid, params: PatternParams) -> Reals:
    n, d = params.parts * 2, 0.02 / max(params.parts, 1)
    jitter = 0.4 + 0.6 * params.rough

    def dent(du: float, dv: float) -> Plane:
        u, v = grid.u + np.float32(du), grid.v + np.float32(dv)
        near, second, _ = cells(u - np.floor(u), v - np.floor(v), n, n, jitter, params.seed)
        return smooth(0, 0.5, second - near)

    slope = (dent(d, d) - dent(-d, -d)) * 1.6
    return np.clip(params.weight + slope * (0.3 + 0.4 * params.rough), 0, 1)
