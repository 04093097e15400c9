"""Stroke: coverage A(o) - A(i) along a span of the edge."""

from __future__ import annotations

import math

import numpy as np

from ..box import Box
from ..field.joins import MOST_MITRE
from ..model import Stroke
from .band import between
from .scene import EDGE, Cover, Reach, Scene, Under


def _mitred(coat: Stroke) -> float:
    """How many widths a corner may stick out."""
    return min(coat.limit, MOST_MITRE) if coat.join == "mitre" else 1.0


def _farthest(coat: Stroke, scene: Scene) -> float:
    """px beyond the letters."""
    outer, _ = scene.ends(coat.span)
    return (scene.base(coat) - outer) * _mitred(coat) + scene.tips(coat)


def reach(coat: Stroke, scene: Scene) -> Reach:
    return Reach(distance=_farthest(coat, scene) + 2)


def box(coat: Stroke, scene: Scene) -> Box:
    return scene.around(_farthest(coat, scene) + 2)


def cover(coat: Stroke, scene: Scene, where: Box, under: Under) -> Cover:
    outer, inner = scene.ends(coat.span)
    if scene.base(coat) > 0:
        return _on_whole(coat, scene, where, under)
    # an end on the edge itself is cut by the letters' own coverage, not by distance
    low = -math.inf if abs(outer) < EDGE else outer - under.outer
    high = math.inf if abs(inner) < EDGE else inner + under.inner
    return Cover(_span(coat, scene, where, low, high), outer < -EDGE, inner > EDGE)


def _span(coat: Stroke, scene: Scene, where: Box, low: float, high: float) -> np.ndarray:
    """A(low) - A(high), each with corners turned as the coat says."""
    if coat.join == "round":
        return between(scene.field(scene.letters.distance, where), low, high)
    span = _deeper(coat, scene, where, low)
    if not math.isinf(high):
        span -= _deeper(coat, scene, where, high)
    return span


def _deeper(coat: Stroke, scene: Scene, where: Box, at: float) -> np.ndarray:
    """(H, W) float32 A(at): coverage deeper than a position."""
    letters, held = scene.letters, 0.0 if math.isinf(at) else at
    field = letters.joined_distance(coat.join, min(coat.limit, MOST_MITRE), held)
    return between(scene.field(field, where), at, math.inf)


def _on_whole(coat: Stroke, scene: Scene, where: Box, under: Under) -> Cover:
    outer, inner = scene.ends(coat.span)
    base = scene.base(coat)
    low, high = outer - base - under.outer, inner - base + under.inner
    face = inner > base
    joins = [ply.join for ply in scene.growth.plies]
    if inner <= 0 and joins == [coat.join] != ["round"]:
        # corners go on as they are turned already
        return Cover(_span(coat, scene, where, low, high), True, face)
    field, _ = scene.distance(coat, inner > 0)
    return Cover(between(scene.field(field, where), low, high), True, face)
