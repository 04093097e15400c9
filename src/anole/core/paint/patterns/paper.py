"""Paper: faint fibres and a fine tooth."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look
from .noise import fbm


def value(grid: Grid, look: Look) -> np.ndarray:
    n = look.parts * 6
    tooth = fbm(grid.u, grid.v, n * 4, n * 4, 1, look.seed) - 0.5
    mould = fbm(grid.u, grid.v, n, n, 2, look.seed + 1) - 0.5
    fibre = fbm(grid.u, grid.v, n * 2, n // 2, 2, look.seed + 2, ridged=True)
    dark = np.clip(fibre - 0.86, 0, 1) * 3
    return np.clip(
        0.45
        + 0.5 * look.weight
        + (tooth + mould * 0.7) * (0.2 + 0.8 * look.rough)
        - dark * look.rough,
        0,
        1,
    )
