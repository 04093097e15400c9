"""Stroke: coverage A(o) - A(i) along a span of the edge."""

from __future__ import annotations

import math

import numpy as np

from ..box import Box
from ..model import Stroke
from .band import between
from .scene import EDGE, Cover, Reach, Scene, Under

MOST_MITRE = 6.0
"""Widths that fields are made for; a longer mitre is cut there."""


def _base(coat: Stroke, scene: Scene) -> float:
    """How far the edge that the stroke follows lies outside the letters, px."""
    return scene.grown if coat.silhouette == "whole" else 0.0


def _mitred(coat: Stroke) -> float:
    """How many widths a corner may stick out."""
    return min(coat.limit, MOST_MITRE) if coat.join == "mitre" else 1.0


def reach(coat: Stroke, scene: Scene) -> Reach:
    outer, _ = scene.ends(coat.span)
    return Reach(distance=(_base(coat, scene) - outer) * _mitred(coat) + 2)


def box(coat: Stroke, scene: Scene) -> Box:
    outer, _ = scene.ends(coat.span)
    return scene.around((_base(coat, scene) - outer) * _mitred(coat) + 2)


def cover(coat: Stroke, scene: Scene, where: Box, under: Under) -> Cover:
    outer, inner = scene.ends(coat.span)
    base = _base(coat, scene)
    if base > 0:
        return _on_whole(scene, where, outer - under.outer, inner + under.inner, base)
    # an end on the edge itself is cut by the letters' own coverage, not by distance
    low = -math.inf if abs(outer) < EDGE else outer - under.outer
    high = math.inf if abs(inner) < EDGE else inner + under.inner
    letters = scene.letters
    field = letters.distance
    if coat.join != "round" and outer < -EDGE:
        field = letters.joined_distance(coat.join, min(coat.limit, MOST_MITRE))
    plane = between(scene.field(field, where), low, high)
    return Cover(plane, outside=outer < -EDGE, face=inner > EDGE)


def _on_whole(scene: Scene, where: Box, outer: float, inner: float, base: float) -> Cover:
    if inner > 0:
        field = scene.field(scene.letters.grown_distance(base), where)
    else:
        field = scene.field(scene.letters.distance, where) + np.float32(base)
    return Cover(between(field, outer, inner), outside=True, face=inner > base)
