"""Curves: a monotone cubic through five points (SciPy's PCHIP)."""

from __future__ import annotations

import numpy as np
from scipy.interpolate import PchipInterpolator

from ..arrays import Planes
from ..model import Curves
from .light import mapped
from .where import Where


def apply(op: Curves, planes: Planes, where: Where) -> np.ndarray:
    heights = (op.shadows, op.darks, op.middles, op.lights, op.tops)
    curve = PchipInterpolator(np.linspace(0, 1, 5), heights)
    return mapped(planes, curve(np.linspace(0, 1, 1025)).astype(np.float32))
