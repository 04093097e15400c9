"""What of curves and levels is pulled: points of the line from light that comes in to light that
goes out."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import Any, NamedTuple

import msgspec
import numpy as np

from ....core.arrays import Values
from ....core.box import Box
from ....core.model import Curves, Levels
from ....core.tone import OPERATIONS, Where
from ....core.units import Units

LEAST = 0.01
"""Between the black point and the white one."""
MOST_GAMMA = 20.0


class ToneHandle(NamedTuple):
    """A point of the line, both 0..1 unless typed further."""

    name: str
    x: float
    y: float


def line_of(op: Any, x: Values) -> Values:
    """(n,) light that goes out for light x that comes in, by the operation itself."""
    planes = np.broadcast_to(x.astype(np.float32), (3, 1, len(x)))
    where = Where(Box(0, 0, len(x), 1), Units(1.0))
    return np.asarray(OPERATIONS[type(op)].apply(op, np.ascontiguousarray(planes), where)[0, 0])


def _of_curves(op: Curves) -> list[ToneHandle]:
    names = ("at_0", "at_25", "at_50", "at_75", "at_100")
    return [ToneHandle(name, n / 4, getattr(op, name)) for n, name in enumerate(names)]


def _of_levels(op: Levels) -> list[ToneHandle]:
    middle = op.black + (op.white - op.black) * 0.5**op.gamma
    return [
        ToneHandle("black", op.black, op.low),
        ToneHandle("gamma", middle, (op.low + op.high) / 2),
        ToneHandle("white", op.white, op.high),
    ]


def _curves_to(op: Curves, name: str, x: float, y: float) -> Curves:
    return msgspec.structs.replace(op, **{name: _held(y)})


def _levels_to(op: Levels, name: str, x: float, y: float) -> Levels:
    if name == "black":
        return msgspec.structs.replace(op, black=min(_held(x), op.white - LEAST), low=_held(y))
    if name == "white":
        return msgspec.structs.replace(op, white=max(_held(x), op.black + LEAST), high=_held(y))
    share = (x - op.black) / max(op.white - op.black, LEAST)
    gamma = math.log(min(max(share, 1e-6), 1 - 1e-6)) / math.log(0.5)
    return msgspec.structs.replace(op, gamma=round(min(max(gamma, 0.05), MOST_GAMMA), 3))


def _held(value: float) -> float:
    return round(min(max(value, 0.0), 1.0), 3)


class Pulled(NamedTuple):
    """handles : the points of an operation; moved : the operation with one of them elsewhere"""

    handles: Callable[[Any], list[ToneHandle]]
    moved: Callable[[Any, str, float, float], Any]


PULLED: dict[type, Pulled] = {
    Curves: Pulled(_of_curves, _curves_to),
    Levels: Pulled(_of_levels, _levels_to),
}
"""The operations that have such points."""
