"""Metal brushed along the tile: long hairlines of many strengths."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look
from .noise import fbm


def value(grid: Grid, look: Look) -> np.ndarray:
    fine = fbm(grid.u, grid.v, 2, look.parts * 48, 3, look.seed)
    wide = fbm(grid.u, grid.v, 1, look.parts * 5, 2, look.seed + 17)
    sheen = fbm(grid.u, grid.v, 2, 2, 2, look.seed + 29)
    strength = 0.35 + 1.1 * look.rough
    return np.clip(
        look.weight + (fine - 0.5) * strength + (wide - 0.5) * 0.3 * strength + (sheen - 0.5) * 0.3,
        0,
        1,
    )
