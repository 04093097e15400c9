"""Wood grain: long rings round a few knots, with pores."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look, wave
from .noise import fbm


def value(grid: Grid, look: Look) -> np.ndarray:
    drift = fbm(grid.u, grid.v, 1, 3, 3, look.seed)
    rings = wave(drift * (look.parts * 2 + 2) + grid.v * look.parts)
    pores = fbm(grid.u, grid.v, 4, 96, 3, look.seed + 11)
    base = 0.3 + 0.5 * rings * (0.4 + 0.6 * look.weight) + (look.weight - 0.5) * 0.3
    return np.clip(base + (pores - 0.5) * (0.2 + 0.7 * look.rough), 0, 1)
