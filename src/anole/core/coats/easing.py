"""CSS easing functions as tables (CSS Easing Functions Level 1)."""

from __future__ import annotations

import functools

import numpy as np

STEPS = 1024
CURVES = {
    "linear": (0.0, 0.0, 1.0, 1.0),
    "ease-in": (0.42, 0.0, 1.0, 1.0),
    "ease-out": (0.0, 0.0, 0.58, 1.0),
    "ease-in-out": (0.42, 0.0, 0.58, 1.0),
}


def bezier(x: np.ndarray, x1: float, y1: float, x2: float, y2: float) -> np.ndarray:
    """cubic-bezier(x1, y1, x2, y2) at x in 0..1, solved by bisection to 2^-40."""
    low, high = np.zeros_like(x), np.ones_like(x)
    for _ in range(40):
        t = (low + high) / 2
        u = 1 - t
        past = 3 * u * u * t * x1 + 3 * u * t * t * x2 + t**3 > x
        high = np.where(past, t, high)
        low = np.where(past, low, t)
    u = 1 - low
    return 3 * u * u * low * y1 + 3 * u * low * low * y2 + low**3


@functools.cache
def table(name: str) -> np.ndarray:
    """(STEPS + 1,) float32: the easing at k / STEPS."""
    x = np.linspace(0, 1, STEPS + 1)
    eased = bezier(x, *CURVES[name])
    eased[0], eased[-1] = 0.0, 1.0
    return eased.astype(np.float32)
