"""Blur: a Gaussian of sigma = radius / 2; alpha counts, and borders go on as they were there."""

from __future__ import annotations

import math

import numpy as np

from ..arrays import Colours, Planes
from ..field.blur import gaussian
from ..model import Blur
from ..units import Units
from .operation import Operation
from .where import Where


def margin(op: Blur, units: Units) -> float:
    return 1.5 * units.px(op.radius)


def blurred(planes: Planes, sigma: float) -> Colours:
    """Each plane blurred, its border carried on."""
    pad = math.ceil(3.5 * sigma)
    if sigma < 0.05:
        return planes
    wide = np.pad(planes, ((0, 0), (pad, pad), (pad, pad)), mode="edge")
    cut = (slice(pad, -pad), slice(pad, -pad))
    return np.stack([gaussian(plane, sigma)[cut] for plane in wide])


def apply(op: Blur, planes: Planes, where: Where) -> Planes:
    sigma = where.units.px(op.radius) / 2
    premultiplied = planes.copy()
    premultiplied[:3] *= planes[3]
    soft = blurred(premultiplied, sigma)
    soft[:3] = np.clip(soft[:3] / np.maximum(soft[3], 1e-6), 0, 1)
    return np.clip(soft, 0, 1)


OPERATION = Operation(Blur, apply, margin, alpha=True)
