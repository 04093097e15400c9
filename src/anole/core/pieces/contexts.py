"""The surroundings that coats of a shape are given, and how far its fields have to reach."""

from __future__ import annotations

import math
from collections.abc import Sequence

from ..box import Box
from ..coats.context import CoatContext, Reach
from ..coats.registry import kind_of
from ..coats.shape import Shape
from ..field.outset import Outset, outset
from ..field.shape_fields import ShapeFields, ink_box
from ..model import Coat
from ..paint.frames import Frames
from .placing.view import View

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


def outset_of(style: Sequence[Coat], context: CoatContext) -> Outset:
    """What the coats of a style add to the shape for those that follow the whole."""
    added = (kind_of(coat).outset(coat, context) for coat in style if coat.on)
    return outset(stroke for stroke in added if stroke is not None)


def context_of(shape: Shape, style: Sequence[Coat], view: View) -> CoatContext:
    """The surroundings of a shape's coats; fields are made only when they are read."""
    ink = ink_box(shape.chords)

    def context(box: Box, whole: Outset) -> CoatContext:
        fields = ShapeFields(
            shape.key, shape.chords, ink, box, shape.core, view.cache, shape.smooth, shape.raster
        )
        frames = Frames(shape.frame, view.frame, shape.letters(box))
        return CoatContext(
            fields,
            shape.em,
            view.board.dpi,
            view.scale,
            view.board.lamp,
            frames,
            view.window,
            whole,
            view.cache,
            depth_axis=shape.depth_axis,
        )

    first = context(ink, Outset())
    first = first._replace(outset=outset_of(style, first))
    box = field_box([coat for coat in style if coat.on], first, view)
    return context(box, first.outset)
