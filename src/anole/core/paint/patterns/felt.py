"""Felt: short tangled fibres."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look
from .noise import fbm


def value(grid: Grid, look: Look) -> np.ndarray:
    n = look.parts * 4
    bend = (fbm(grid.u, grid.v, n, n, 2, look.seed) - 0.5) * (1.4 / n)
    a = fbm(
        grid.u + bend - np.floor(grid.u + bend), grid.v, n * 6, n, 2, look.seed + 1, ridged=True
    )
    b = fbm(
        grid.u, grid.v + bend - np.floor(grid.v + bend), n, n * 6, 2, look.seed + 2, ridged=True
    )
    fluff = np.maximum(a, b) - 0.6
    cloud = fbm(grid.u, grid.v, n // 2, n // 2, 2, look.seed + 3) - 0.5
    return np.clip(look.weight + fluff * (0.5 + look.rough) + cloud * 0.2, 0, 1)
