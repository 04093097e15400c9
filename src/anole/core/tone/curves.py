"""Curves: a monotone cubic through five points (SciPy's PCHIP)."""

from __future__ import annotations

import numpy as np

from ..arrays import Planes
from ..maths import monotone
from ..model import Curves
from .light import mapped
from .operation import Operation
from .where import Where


def apply(op: Curves, planes: Planes, where: Where) -> Planes:
    heights = (op.at_0, op.at_25, op.at_50, op.at_75, op.at_100)
    curve = monotone(np.linspace(0, 1, 5), np.array(heights), np.linspace(0, 1, 1025))
    return mapped(planes, curve.astype(np.float32))


OPERATION = Operation(Curves, apply)
