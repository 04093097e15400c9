"""Budgets of paints over 1280 x 720: gradients, pattern generators, a pattern found again."""

from __future__ import annotations

import itertools

import msgspec
import numpy as np

from anole.core.box import Box
from anole.core.cache import Cache
from anole.core.model import Colour, Gradient, Paint, Pattern, Stop
from anole.core.model.paints import PATTERNS
from anole.core.paint.context import PaintContext
from anole.core.paint.frames import Frames
from anole.core.paint.source import source
from anole.core.units import Units

from .scenes import HEIGHT, WIDTH, planes
from .timing import Result, race

FRAME = (0.0, 0.0, float(WIDTH), float(HEIGHT))
BOX = Box(0, 0, WIDTH, HEIGHT)
STOPS = tuple(
    Stop(n / 4, Colour.parse(c)) for n, c in enumerate(("#fff1c0", "#e08", "#3af", "#0a3", "#104"))
)
EM = 280.0
"""Of the words whose patterns are measured."""


def _source(paint: Paint, cache: Cache) -> np.ndarray:
    return source(paint, PaintContext(Frames(FRAME, FRAME), BOX, cache, Units(EM)))


def _moving(name: str, paint: Paint, field: str, budget: float) -> Result:
    """The paint with another value each time, so that nothing is found in the cache."""
    start, copy, count = planes(), planes(), itertools.count()

    def lay() -> None:
        value = getattr(paint, field) + next(count) * 0.001
        _source(msgspec.structs.replace(paint, **{field: value}), Cache())

    return race(name, lay, lambda: np.copyto(copy, start), "copy", budget, rounds=9)


def gradients() -> list[Result]:
    kinds = {
        "straight": Gradient(stops=STOPS),
        "slanted": Gradient(stops=STOPS, angle=30),
        "radial": Gradient(stops=STOPS, shape="radial"),
        "six sides": Gradient(stops=STOPS, shape="radial", sides=6),
        "conic": Gradient(stops=STOPS, shape="conic"),
        "oklch, longer hue": Gradient(stops=STOPS, space="oklch", hue="longer", angle=30),
    }
    return [_moving(f"gradient {name}", paint, "offset", 4.0) for name, paint in kinds.items()]


def generators() -> list[Result]:
    return [_moving(f"pattern {name}", Pattern(generator=name), "x", 12.0) for name in PATTERNS]


def kept() -> list[Result]:
    cache, paint = Cache(), Pattern(generator="felt")
    start, copy = planes(), planes()
    _source(paint, cache)
    return [
        race(
            "pattern found again",
            lambda: _source(paint, cache),
            lambda: np.copyto(copy, start),
            "copy",
            0.05,
        )
    ]
