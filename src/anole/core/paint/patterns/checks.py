"""Checks: two square waves that turn each other over."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look, bars


def value(grid: Grid, look: Look) -> np.ndarray:
    px = grid.px * look.parts
    a = 2 * bars(grid.u * look.parts, look.weight, px) - 1
    b = 2 * bars(grid.v * look.parts, look.weight, px) - 1
    return 0.5 + 0.5 * a * b
