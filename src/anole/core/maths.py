"""Small formulas that several parts use."""

from __future__ import annotations

import numpy as np


def smoothstep(t: np.ndarray) -> np.ndarray:
    """3 t^2 - 2 t^3, which leaves 0 and reaches 1 level; t from 0 to 1, of any shape and dtype."""
    return t * t * (3 - 2 * t)


def monotone(xs: np.ndarray, ys: np.ndarray, at: np.ndarray) -> np.ndarray:
    """A smooth curve through points that rises and falls only where they do, at places `at`
    (F. N. Fritsch, J. Butland, SIAM J. Sci. Stat. Comput. 5, 1984); xs rise."""
    # imported when it is needed: it takes a second, and few boards have such a curve
    from scipy.interpolate import PchipInterpolator

    return np.asarray(PchipInterpolator(xs, ys)(at))
