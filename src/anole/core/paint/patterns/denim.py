"""Denim: a twill of slanted threads, pale and dark, with slubs."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look, wave
from .noise import fbm


def value(grid: Grid, look: Look) -> np.ndarray:
    n = look.parts * 8
    twill = wave((grid.u + grid.v) * n)
    threads = wave(grid.u * n * 2)
    slub = fbm(grid.u, grid.v, n, look.parts, 3, look.seed)
    worn = fbm(grid.u, grid.v, 2, 2, 3, look.seed + 3)
    value = (
        0.25
        + 0.35 * twill * threads
        + (slub - 0.5) * (0.3 + 0.5 * look.rough)
        + (worn - 0.5) * look.rough
    )
    return np.clip(value + (look.weight - 0.5) * 0.6, 0, 1)
