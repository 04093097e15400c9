"""CSS easing functions as tables (CSS Easing Functions Level 1, section 2)."""

from __future__ import annotations

import functools

import numpy as np

from ...arrays import Points, Table

STEPS = 1024
FINE = 1 << 15
"""Points of a Bezier curve that its heights are looked up among."""
CURVES = {
    "linear": (0.0, 0.0, 1.0, 1.0),
    "ease-in": (0.42, 0.0, 1.0, 1.0),
    "ease-out": (0.0, 0.0, 0.58, 1.0),
    "ease-in-out": (0.42, 0.0, 0.58, 1.0),
}
"""x1, y1, x2, y2 of the cubic Bezier curve from (0, 0) to (1, 1)."""


def cubic_bezier(x1: float, y1: float, x2: float, y2: float, at: Points) -> Points:
    """Heights of the curve at progress `at`, 0..1; x1 and x2 within 0..1, so that x only grows."""
    t = np.linspace(0, 1, FINE + 1)
    s = 1 - t
    x = 3 * s * s * t * x1 + 3 * s * t * t * x2 + t**3
    y = 3 * s * s * t * y1 + 3 * s * t * t * y2 + t**3
    return np.interp(at, x, y)


@functools.cache
def table(name: str) -> Table:
    """(STEPS + 1,) float32: the easing at k / STEPS. Raises KeyError for a name it does not know."""
    eased = cubic_bezier(*CURVES[name], np.linspace(0, 1, STEPS + 1)).astype(np.float32)
    eased[0], eased[-1] = 0.0, 1.0
    return eased
