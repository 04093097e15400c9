"""Bloom: light above a threshold, blurred and added (in linear light)."""

from __future__ import annotations

import numpy as np

from ..arrays import Colours, Planes
from ..colour.spaces import to_linear
from ..model import Bloom
from ..units import Units
from .blur import blurred
from .light import BLUE, GREEN, RED, encoded, linear
from .operation import Operation
from .where import Where


def margin(op: Bloom, units: Units) -> float:
    return 1.5 * units.px(op.radius)


def apply(op: Bloom, planes: Planes, where: Where) -> Colours:
    light = linear(planes)
    bright = RED * light[0] + GREEN * light[1] + BLUE * light[2]
    start = float(to_linear(np.array(op.threshold)))
    share = np.clip((bright - start) / max(1 - start, 1e-3), 0, 1).astype(np.float32)
    shine = blurred(light * share, where.units.px(op.radius) / 2)
    return encoded(light + shine * np.float32(op.strength))


OPERATION = Operation(Bloom, apply, margin)
