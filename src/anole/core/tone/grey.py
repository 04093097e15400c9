"""Grey: colours to greys of the same luminance."""

from __future__ import annotations

import numpy as np

from ..arrays import Colours, Planes
from ..model import Grey
from .light import encoded, luminance
from .operation import Operation
from .where import Where


def apply(op: Grey, planes: Planes, where: Where) -> Colours:
    grey = encoded(luminance(planes))
    return planes + (grey - planes) * np.float32(op.amount)


OPERATION = Operation(Grey, apply)
