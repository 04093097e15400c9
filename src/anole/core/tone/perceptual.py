"""Hue, chroma and lightness in OKLCH."""

from __future__ import annotations

import math

import numpy as np

from ..arrays import Colours, Planes
from ..model import Perceptual
from .light import from_oklab, oklab
from .operation import Operation
from .where import Where


def apply(op: Perceptual, planes: Planes, where: Where) -> Colours:
    lab = oklab(planes)
    turn = math.radians(op.hue)
    cos, sin = np.float32(math.cos(turn) * op.chroma), np.float32(math.sin(turn) * op.chroma)
    light = np.clip(lab[0] + np.float32(op.lightness), 0, 1)
    return from_oklab(np.stack([light, cos * lab[1] - sin * lab[2], sin * lab[1] + cos * lab[2]]))


OPERATION = Operation(Perceptual, apply, called="Hue, chroma, light")
