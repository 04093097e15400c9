"""Places by chance, the same for the same seed: over a board, or where a map lets them be."""

from __future__ import annotations

import numpy as np

from ..arrays import Plane, Points, Records

DRAWS = 8
"""Numbers of chance for each stamp: more stamps leave those there as they are."""


def draws(count: int, seed: int) -> Records:
    """(count, DRAWS) float64 in 0..1."""
    return np.random.default_rng((int(seed), 71)).random((count, DRAWS))


def places(chance: Records, weights: Plane | None, frame: tuple[float, ...]) -> Points:
    """(count, 2) float64 x, y within a frame (x0, y0, x1, y1).

    chance : (count, 3 or more) in 0..1
    weights : (h, w) how likely each part of the frame is; None: all alike
    """
    x0, y0, x1, y1 = frame
    if weights is None:
        return np.column_stack([x0 + chance[:, 0] * (x1 - x0), y0 + chance[:, 1] * (y1 - y0)])
    total = np.cumsum(weights, dtype=np.float64)
    if not total[-1] > 0:
        return np.zeros((0, 2))
    at = np.minimum(np.searchsorted(total, chance[:, 0] * total[-1], "right"), len(total) - 1)
    rows, columns = np.divmod(at, weights.shape[1])
    high, wide = weights.shape
    x = x0 + (columns + chance[:, 1]) / wide * (x1 - x0)
    y = y0 + (rows + chance[:, 2]) / high * (y1 - y0)
    return np.column_stack([x, y])
