"""Tint: hue and chroma of one colour, each pixel at its own lightness (OKLab)."""

from __future__ import annotations

import numpy as np

from ..arrays import Planes
from ..colour.spaces import to_oklab
from ..model import Tint
from .light import from_oklab, oklab
from .operation import Operation
from .where import Where


def apply(op: Tint, planes: Planes, where: Where) -> Planes:
    lab = oklab(planes)
    _, a, b = to_oklab(np.array(op.colour.floats[:3]))
    # the strongest chroma belongs to the middle: black and white stay themselves
    room = np.clip(4 * lab[0] * (1 - lab[0]), 0, 1)
    amount = np.float32(op.amount)
    aim = np.stack([lab[0], np.float32(a) * room, np.float32(b) * room])
    return from_oklab(lab + (aim - lab) * amount)


OPERATION = Operation(Tint, apply)
