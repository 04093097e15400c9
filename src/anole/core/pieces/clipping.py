"""A piece clipped by the silhouette of another."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np

from ..arrays import Plane
from ..box import Box, around
from ..coats.shape import Shape
from ..compose.steps import ApartBegin, ApartEnd, Step
from ..field.coverage import rasterise
from .placing.view import View

Steps = Callable[[View], list[Step]]


def _coverage(shape: Shape, box: Box) -> Plane:
    """(H, W) float32 over a box, 0..1."""
    if shape.raster is not None:
        return shape.raster.over(box)
    cover, inside = rasterise(shape.chords, box)
    return cover if shape.smooth else inside.astype(np.float32)


def clipped(steps_in: Steps, shape: Shape, view: View) -> list[Step]:
    """The steps that `steps_in` makes for a view, seen through a shape alone."""
    steps = steps_in(view._replace(depth=view.depth + 1))
    box = around(step.box for step in steps)
    if box.empty:
        return []
    key = ("clip", shape.key, shape.smooth, box)

    def through() -> tuple[Plane, Box]:
        return view.cache.get(key, lambda: _coverage(shape, box)), box

    return [
        ApartBegin(("clipped", box, view.depth), box, False, view.depth),
        *steps,
        ApartEnd((*key, view.depth), box, 1.0, "normal", view.depth, through),
    ]
