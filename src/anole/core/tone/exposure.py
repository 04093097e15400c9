"""Exposure: linear light doubled with each stop."""

from __future__ import annotations

import numpy as np

from ..arrays import Colours, Planes
from ..colour.spaces import to_encoded, to_linear
from ..model import Exposure
from .light import mapped
from .operation import Operation
from .where import Where


def apply(op: Exposure, planes: Planes, where: Where) -> Colours:
    x = np.linspace(0, 1, 4097)
    table = np.clip(to_encoded(to_linear(x) * 2.0**op.stops), 0, 1)
    return mapped(planes, table.astype(np.float32))


OPERATION = Operation(Exposure, apply)
