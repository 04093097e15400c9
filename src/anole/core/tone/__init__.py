"""Tone operations: one file each, one way to use them for paints, pictures and washes."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from contextlib import contextmanager

import numpy as np

from ..arrays import Planes
from ..model import Tone
from ..model.open_union import tag_of
from ..model.tones import TONES
from ..registry import Registry
from ..units import Units
from . import (
    bloom,
    blur,
    cdl,
    curves,
    exposure,
    gradient_map,
    grey,
    invert,
    levels,
    perceptual,
    posterise,
    speckle,
    tint,
)
from .operation import Operation
from .where import Where

__all__ = ["OPERATIONS", "Operation", "Where", "margin", "toned"]

OPERATIONS: Registry[type, Operation] = Registry("tone operation")
for _module in (
    levels,
    curves,
    cdl,
    exposure,
    perceptual,
    tint,
    invert,
    grey,
    gradient_map,
    bloom,
    posterise,
    speckle,
    blur,
):
    OPERATIONS.add(_module.OPERATION.struct, _module.OPERATION)


@contextmanager
def lent(operation: Operation) -> Iterator[None]:
    """One more operation for as long as a block runs, in files too."""
    struct = operation.struct
    with OPERATIONS.lent(struct, operation), TONES.members.lent(tag_of(struct), struct):
        yield


def margin(tones: Sequence[Tone], units: Units) -> int:
    """px beyond a box that its colours depend on."""
    total = 0.0
    for op in tones:
        reach = OPERATIONS[type(op)].margin
        if op.on and reach is not None:
            total += reach(op, units)
    return int(np.ceil(total))


def toned(planes: Planes, tones: Sequence[Tone], where: Where) -> Planes:
    """(4, H, W) straight sRGB-encoded float32 through all operations that are on."""
    for op in tones:
        if not op.on:
            continue
        operation = OPERATIONS[type(op)]
        if operation.alpha:
            planes = operation.apply(op, planes, where)
        else:
            colours = operation.apply(op, np.ascontiguousarray(planes[:3]), where)
            made = np.empty((4, *colours.shape[1:]), np.float32)
            np.clip(colours, 0, 1, out=made[:3], casting="same_kind")
            made[3] = planes[3]
            planes = made
    return planes
