"""Levels: black and white points, and the middle between them."""

from __future__ import annotations

import numpy as np

from ..arrays import Colours, Planes
from ..model import Levels
from .light import mapped
from .operation import Operation
from .where import Where


def apply(op: Levels, planes: Planes, where: Where) -> Colours:
    x = np.linspace(0, 1, 4097)
    wide = op.white - op.black
    wide = wide if abs(wide) > 1e-4 else 1e-4
    y = np.clip((x - op.black) / wide, 0, 1) ** (1 / max(op.gamma, 0.01))
    table = (op.low + (op.high - op.low) * y).astype(np.float32)
    return mapped(planes, table)


OPERATION = Operation(Levels, apply)
