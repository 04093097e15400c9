"""Zigzag bands."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look, bars, tent
from .noise import fbm


def value(grid: Grid, look: Look) -> np.ndarray:
    fold = tent(grid.u * look.parts) * 0.5
    wobble = (fbm(grid.u, grid.v, 5, 5, 2, look.seed) - 0.5) * (0.4 * look.rough**2)
    return bars(grid.v * look.parts + fold + wobble, look.weight, grid.px * look.parts * 1.4)
