"""How far the fields of a shape have to reach."""

from __future__ import annotations

import math
from collections.abc import Sequence

from ..box import Box
from ..coats.context import CoatContext, Reach
from ..coats.registry import kind_of
from ..model import Coat
from .view import View

LEAST_REACH = 48.0


def quantised(reach: float) -> float:
    """Reaches in steps of about a third, so that a drag seldom asks for new fields."""
    size = LEAST_REACH
    while size < reach:
        size *= 4 / 3
    return math.ceil(size)


def farthest(ink: Box, window: Box) -> float:
    """px that no distance within the window exceeds: fields need not reach further."""
    dx = max(ink.x0 - window.x1, window.x0 - ink.x1, 0)
    dy = max(ink.y0 - window.y1, window.y0 - ink.y1, 0)
    reach = math.hypot(max(ink.width, window.width), max(ink.height, window.height))
    return math.hypot(dx, dy) + reach


def field_box(coats: Sequence[Coat], context: CoatContext, view: View) -> Box:
    """The px over which coats need the fields of the shape."""
    ink = context.shape.ink
    reaches = [kind_of(coat).reach(coat, context) for coat in coats] or [Reach()]
    far = quantised(min(max(r.distance for r in reaches), farthest(ink, view.window)))
    throw = quantised(max(r.throw for r in reaches))
    return ink.grown(far).meet(view.window.grown(far + throw))
