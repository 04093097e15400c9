"""A moulding along a span as heights, and the way in which they rise."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ... import bands
from ...arrays import Plane, Planes
from ...box import Box
from ...field.blur import smoothed
from ...field.mouldings import table
from ...kernels import njit
from ...model import Glass, Press, Relief
from ..context import CoatContext

CRISP = 0.35
"""px of smoothing that a distance always gets: its slope is that of its own differences."""


Moulded = Press | Glass | Relief
"""Coats whose span, moulding and rounding say how high they are where."""


class Heights(NamedTuple):
    """Over a box: the height, 0..1, and the unit way in which it rises times how steeply, -1..1.

    rise : (H, W) float32; slope : (2, H, W) float32
    """

    rise: Plane
    slope: Planes


def ends(coat: Moulded, context: CoatContext) -> tuple[float, float]:
    """Outer and inner end across the shape's own edge, px; the core where the span says so."""
    outer, inner = context.ends(coat.span)
    base = context.base(coat.silhouette == "whole")
    return outer - base, min(inner, context.shape.core + base) - base


def sigma(coat: Moulded, span: tuple[float, float]) -> float:
    """px by which the distance is smoothed: up to half the span is two deviations."""
    return coat.rounding * (span[1] - span[0]) / 4


@njit(nogil=True, cache=True, error_model="numpy")
def _rows(
    d: Plane,
    outer: float,
    per_px: float,
    heights: Plane,
    steepest: float,
    rise: Plane,
    slope: Planes,
    first: int,
    last: int,
) -> None:
    """d : one px wider than rise on every side."""
    top = len(heights) - 1
    for y in range(first, last):
        for x in range(rise.shape[1]):
            here = d[y + 1, x + 1]
            at = (here - outer) * per_px
            if at <= 0.0:
                rise[y, x] = slope[0, y, x] = slope[1, y, x] = 0.0
                continue
            if at >= top:
                rise[y, x] = heights[top]
                slope[0, y, x] = slope[1, y, x] = 0.0
                continue
            n = int(at)
            step = heights[n + 1] - heights[n]
            rise[y, x] = heights[n] + step * np.float32(at - n)
            steep = np.float32(0.5 * step / steepest)
            slope[0, y, x] = (d[y + 1, x + 2] - d[y + 1, x]) * steep
            slope[1, y, x] = (d[y + 2, x + 1] - d[y, x + 1]) * steep


def heights_over(coat: Moulded, context: CoatContext, box: Box) -> Heights:
    """The heights of a coat over a box; 0 outside its outer end, level beyond its inner one."""
    span, shape = ends(coat, context), context.shape
    soft = sigma(coat, span)
    whole = coat.silhouette == "whole"
    edge, outset = context.edge(whole, span[1] > -context.base(whole))
    part = box.grown(1)
    wide = part.grown(3 * soft + 3)

    def made() -> Plane:
        field = _field(edge.distance, shape.box, wide)
        inner = part.slices_in(wide)
        return np.ascontiguousarray(smoothed(field, max(soft, CRISP))[inner])

    key = ("height distance", shape.key, shape.box, part, outset, soft)
    d = context.cache.get(key, made)
    rise = np.empty((box.height, box.width), np.float32)
    slope = np.empty((2, box.height, box.width), np.float32)
    outer, inner = span[0] + outset.by, span[1] + outset.by
    curve = table(coat.moulding)
    per_px = (len(curve) - 1) / max(inner - outer, 1e-3)
    steepest = max(float(np.abs(np.diff(curve)).max()), 1e-6)

    def rows(first: int, last: int) -> None:
        _rows(d, outer, per_px, curve, steepest, rise, slope, first, last)

    bands.run(rows, bands.split(box.height))
    return Heights(rise, slope)


def _field(distance: Plane, over: Box, wide: Box) -> Plane:
    """The distance over a box that may leave the fields; its last px go on there."""
    ys = np.clip(np.arange(wide.y0, wide.y1) - over.y0, 0, over.height - 1)
    xs = np.clip(np.arange(wide.x0, wide.x1) - over.x0, 0, over.width - 1)
    return np.ascontiguousarray(distance[ys[:, None], xs[None, :]])
