"""Posterise: each channel in a few equal steps."""

from __future__ import annotations

import numpy as np

from ..arrays import Planes
from ..model import Posterise
from .operation import Operation
from .where import Where


def apply(op: Posterise, planes: Planes, where: Where) -> Planes:
    steps = max(round(op.steps), 2)
    return np.minimum(np.floor(planes * np.float32(steps)), steps - 1) / np.float32(steps - 1)


OPERATION = Operation(Posterise, apply, called="Fewer tones")
