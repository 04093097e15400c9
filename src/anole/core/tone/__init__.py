"""Tone operations: one file each, one way to use them for paints, pictures and washes."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Any

import numpy as np

from ..arrays import Planes
from ..model import (
    Bloom,
    Blur,
    Cdl,
    Curves,
    Exposure,
    Flats,
    Grey,
    InkRamp,
    Invert,
    Levels,
    Perceptual,
    Speckle,
    Tint,
    Tone,
)
from ..registry import Registry
from ..units import Units
from . import (
    bloom,
    blur,
    cdl,
    curves,
    exposure,
    flats,
    grey,
    ink_ramp,
    invert,
    levels,
    perceptual,
    speckle,
    tint,
)
from .where import Where

__all__ = ["OPERATIONS", "Where", "margin", "toned"]

Operation = Callable[[Any, np.ndarray, Where], np.ndarray]
OPERATIONS: Registry[type, Operation] = Registry(
    "tone operation",
    {
        Levels: levels.apply,
        Curves: curves.apply,
        Cdl: cdl.apply,
        Exposure: exposure.apply,
        Perceptual: perceptual.apply,
        Tint: tint.apply,
        Invert: invert.apply,
        Grey: grey.apply,
        InkRamp: ink_ramp.apply,
        Bloom: bloom.apply,
        Flats: flats.apply,
        Speckle: speckle.apply,
    },
)
"""Operations on the three colour planes; alpha goes past them."""


def margin(tones: Sequence[Tone], units: Units) -> int:
    """px beyond a box that its colours depend on."""
    total = 0.0
    for op in tones:
        if op.on and isinstance(op, Blur):
            total += blur.margin(op, units)
        elif op.on and isinstance(op, Bloom):
            total += bloom.margin(op, units)
    return int(np.ceil(total))


def toned(planes: Planes, tones: Sequence[Tone], where: Where) -> Planes:
    """(4, H, W) straight sRGB-encoded float32 through all operations that are on."""
    for op in tones:
        if not op.on:
            continue
        if isinstance(op, Blur):
            planes = blur.apply_alpha(op, planes, where)
        else:
            colours = OPERATIONS[type(op)](op, np.ascontiguousarray(planes[:3]), where)
            made = np.empty((4, *colours.shape[1:]), np.float32)
            np.clip(colours, 0, 1, out=made[:3], casting="same_kind")
            made[3] = planes[3]
            planes = made
    return planes
