"""Small formulas that several parts use."""

from __future__ import annotations

import numpy as np


def smoothstep(t: np.ndarray) -> np.ndarray:
    """3 t^2 - 2 t^3, which leaves 0 and reaches 1 level; t from 0 to 1, of any shape and dtype."""
    return t * t * (3 - 2 * t)
