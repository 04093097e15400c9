"""Crumpled foil: flat facets, each turned its own way."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look
from .noise import cells, fbm


def value(grid: Grid, look: Look) -> np.ndarray:
    n = look.parts * 2
    near, second, own = cells(grid.u, grid.v, n, n, 1.0, look.seed)
    _, _, own2 = cells(grid.u, grid.v, n * 2, n * 2, 1.0, look.seed + 3)
    crease = np.clip((second - near) * 7, 0, 1)
    soft = fbm(grid.u, grid.v, n, n, 2, look.seed + 5) - 0.5
    tone = look.weight + (own - 0.5) * (0.5 + 0.5 * look.rough) + (own2 - 0.5) * 0.35 * look.rough
    return np.clip(tone * (0.75 + 0.25 * crease) + soft * 0.3 + (1 - crease) * 0.15, 0, 1)
