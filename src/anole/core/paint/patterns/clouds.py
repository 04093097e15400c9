"""Clouds."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look, smooth
from .noise import fbm


def value(grid: Grid, look: Look) -> np.ndarray:
    soft = fbm(grid.u, grid.v, look.parts, look.parts, 3 + round(look.rough * 3), look.seed)
    return smooth(0.66 - look.weight * 0.5, 0.95 - look.weight * 0.4, soft)
