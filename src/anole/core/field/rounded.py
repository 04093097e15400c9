"""Corners of an outline rounded, what is thinner than their radius kept."""

from __future__ import annotations

import numpy as np
import pyclipper

from ..arrays import Records
from .polygons import STEPS, Polygons, clipped, offset, united

HALVINGS = 5
"""Times that a radius is halved for what is too thin for it."""
LIMB = 2.5
"""Squares of the radius that a part must cover that is no corner but thin: a corner of 25 degrees
loses less."""
DUST = 0.3
"""px of the side of a square that is worth keeping."""
INWARD = 0.3
"""Radius of corners that point in, to that of those that point out: counters would fill."""


def rounded(polygons: Polygons, radius: float) -> Polygons:
    """Corners that point out with a radius in px, those that point in with a part of it. What is
    thinner is rounded as far as it can be."""
    if radius <= 0 or not polygons:
        return polygons
    made = _opened(polygons, radius)
    for n in range(1, HALVINGS + 1):
        least = _opened(polygons, radius / 2**n) if n < HALVINGS else polygons
        beyond = clipped(pyclipper.CT_DIFFERENCE, least, made) if made else least
        thin = _limbs(beyond, made, radius)
        if thin:
            # a little wider, so that they grow together
            made = united([*made, *offset(thin, 2 / STEPS, pyclipper.JT_MITER)])
    return _filled(made, radius * INWARD)


def _filled(polygons: Polygons, radius: float) -> Polygons:
    """Corners that point in rounded; gaps thinner than that stay open."""
    wide = offset(polygons, radius, pyclipper.JT_ROUND)
    closed = offset(wide, -radius, pyclipper.JT_ROUND)
    added = clipped(pyclipper.CT_DIFFERENCE, closed, polygons) if closed else []
    gaps = _large(added, radius)
    return clipped(pyclipper.CT_DIFFERENCE, closed, gaps) if gaps else closed


def _limbs(beyond: Polygons, made: Polygons, radius: float) -> Polygons:
    """Of what is left out the parts that are no corners: large ones, and those that lead from one
    place of what is made to another."""
    boxes = _boxes(made)
    areas = [pyclipper.Area(p) for p in beyond]
    found = [
        p
        for p, area in zip(beyond, areas, strict=True)
        if area > LIMB * (radius * STEPS) ** 2
        or (area > (DUST * STEPS) ** 2 and _meets(p, made, boxes) > 1)
    ]
    return clipped(pyclipper.CT_INTERSECTION, beyond, found) if found else []


def _meets(polygon: list[list[int]], made: Polygons, boxes: Records) -> int:
    """At how many places a part touches what is made, of which only what is near is looked at."""
    wide = offset([polygon], 4 / STEPS, pyclipper.JT_MITER)
    if not wide:
        return 0
    own = _boxes(wide)
    low, high = own[:, :2].min(0), own[:, 2:].max(0)
    near = ((boxes[:, :2] <= high) & (boxes[:, 2:] >= low)).all(1)
    there = [p for p, is_near in zip(made, near, strict=True) if is_near]
    return len(clipped(pyclipper.CT_INTERSECTION, wide, there)) if there else 0


def _boxes(polygons: Polygons) -> Records:
    """(count, 4): x0, y0, x1, y1 of each."""
    points = [np.array(p, float) for p in polygons]
    return np.array([(*p.min(0), *p.max(0)) for p in points], float).reshape(-1, 4)


def _large(polygons: Polygons, radius: float) -> Polygons:
    return [p for p in polygons if abs(pyclipper.Area(p)) > LIMB * (radius * STEPS) ** 2]


def _opened(polygons: Polygons, radius: float) -> Polygons:
    """What circles within it cover."""
    return offset(offset(polygons, -radius, pyclipper.JT_ROUND), radius, pyclipper.JT_ROUND)
