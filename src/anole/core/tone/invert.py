"""Invert: 1 - colour."""

from __future__ import annotations

import numpy as np

from ..arrays import Colours, Planes
from ..model import Invert
from .operation import Operation
from .where import Where


def apply(op: Invert, planes: Planes, where: Where) -> Colours:
    amount = np.float32(op.amount)
    return planes + (1 - 2 * planes) * amount


OPERATION = Operation(Invert, apply)
