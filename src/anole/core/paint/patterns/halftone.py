"""Halftone: dots on a slanted screen that grow down the tile and shrink again."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look, over, wave
from .noise import fbm


def value(grid: Grid, look: Look) -> np.ndarray:
    n = max(look.parts, 2) * 2
    x, y = (grid.u + grid.v) * n, (grid.u - grid.v) * n
    dx, dy = x - np.floor(x) - 0.5, y - np.floor(y) - 0.5
    tone = wave(grid.v) * (1 - look.rough) + look.rough * fbm(grid.u, grid.v, 3, 3, 2, look.seed)
    radius = 0.78 * np.sqrt(np.clip(tone * look.weight * 2, 0, 1))
    return over(-np.hypot(dx, dy), -radius, grid.px * n * 1.4)
