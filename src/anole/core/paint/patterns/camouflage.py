"""Camouflage: flat patches in as many tones as there are inks."""

from __future__ import annotations

import numpy as np

from .grid import Grid, Look, over
from .noise import fbm


def value(grid: Grid, look: Look) -> np.ndarray:
    n, octaves = look.parts, 2 + round(look.rough * 2)
    out = np.zeros_like(grid.u)
    for k, height in enumerate((1 / 3, 2 / 3, 1.0)):
        patch = fbm(grid.u, grid.v, n, n, octaves, look.seed + 41 * k)
        there = over(patch, 0.62 - 0.22 * look.weight, grid.px * n * 2)
        out = out + (height - out) * there
    return out
