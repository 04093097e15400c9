"""Grain: seeded noise fixed to the board, the same at every render scale."""

from __future__ import annotations

import numpy as np

from ..arrays import Planes
from ..model import Speckle
from ..noise import fbm
from .operation import Operation
from .where import Where

TILE = 256
"""Grains in one tile of the noise; nobody sees that it repeats."""


def apply(op: Speckle, planes: Planes, where: Where) -> Planes:
    side = max(where.units.px(op.size), 0.25) * TILE
    box = where.box
    u = ((np.arange(box.x0, box.x1) + 0.5) / side % 1).astype(np.float32)
    v = ((np.arange(box.y0, box.y1) + 0.5) / side % 1).astype(np.float32)
    u, v = (np.ascontiguousarray(a) for a in np.broadcast_arrays(u, v[:, None]))
    out = planes.copy()
    for plane in range(3):
        if plane == 0 or op.coloured:
            noise = fbm(u, v, TILE, TILE, 2, round(op.seed) + 101 * plane) - np.float32(0.5)
        out[plane] += noise * np.float32(2 * op.amount)
    return np.clip(out, 0, 1)


OPERATION = Operation(Speckle, apply, called="Noise")
