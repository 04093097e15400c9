"""ASC CDL: slope, offset and power of each channel, then saturation about Rec. 709 luma."""

from __future__ import annotations

import numpy as np

from ..arrays import Planes
from ..model import Cdl
from .light import BLUE, GREEN, RED, mapped
from .operation import Operation
from .where import Where


def apply(op: Cdl, planes: Planes, where: Where) -> Planes:
    x = np.linspace(0, 1, 1025)
    out = np.empty_like(planes)
    for plane in range(3):
        line = np.clip(x * max(op.slope[plane], 0) + op.offset[plane], 0, 1)
        table = (line ** min(max(op.power[plane], 0.01), 100.0)).astype(np.float32)
        out[plane] = mapped(planes[plane], table)
    if op.saturation != 1:
        luma = RED * out[0] + GREEN * out[1] + BLUE * out[2]
        out = np.clip(luma + np.float32(op.saturation) * (out - luma), 0, 1)
    return out


OPERATION = Operation(Cdl, apply, called="CDL")
