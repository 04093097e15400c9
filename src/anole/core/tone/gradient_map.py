"""Ink ramp: the encoded grey of each pixel looked up in a gradient."""

from __future__ import annotations

import numpy as np

from ..arrays import Colours, Planes
from ..model import Colour, GradientMap, Stop
from ..paint.stops import STEPS, table
from .light import encoded, luminance
from .operation import Operation
from .where import Where


def apply(op: GradientMap, planes: Planes, where: Where) -> Colours:
    grey = encoded(luminance(planes))
    at = np.minimum((grey * STEPS).astype(np.int32), STEPS - 1)
    return planes + (table(op.stops, "oklab")[:3, at] - planes) * np.float32(op.amount)


RAMP = (Stop(0, Colour(24, 20, 48)), Stop(1, Colour(255, 226, 160)))
OPERATION = Operation(GradientMap, apply, begun=GradientMap(stops=RAMP))
