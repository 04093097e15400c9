"""Lines that swing across the tile like water drawn by a sign painter."""

from __future__ import annotations

import numpy as np

from .grid import F, Grid, Look, bars
from .noise import fbm


def value(grid: Grid, look: Look) -> np.ndarray:
    swing = np.sin(grid.u * F(2 * np.pi * max(look.parts // 2, 1))) * (0.1 + 0.25 * look.rough)
    drift = (fbm(grid.u, grid.v, 2, 2, 2, look.seed) - 0.5) * look.rough
    return bars(grid.v * look.parts + swing + drift, look.weight, grid.px * look.parts * 1.3)
