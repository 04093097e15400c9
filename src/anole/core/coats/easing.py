"""CSS easing functions as tables (CSS Easing Functions Level 1)."""

from __future__ import annotations

import functools

import numpy as np
from coloraide import easing

from ..arrays import Table

STEPS = 1024
CURVES = {
    "linear": easing.linear,
    "ease-in": easing.ease_in,
    "ease-out": easing.ease_out,
    "ease-in-out": easing.ease_in_out,
}


@functools.cache
def table(name: str) -> Table:
    """(STEPS + 1,) float32: the easing at k / STEPS. Raises KeyError for a name it does not know."""
    eased = np.array([CURVES[name](at) for at in np.linspace(0, 1, STEPS + 1)], np.float32)
    eased[0], eased[-1] = 0.0, 1.0
    return eased
