"""Stroke: coverage A(o) - A(i) along a span of the edge."""

from __future__ import annotations

import math

import numpy as np

from ..box import Box
from ..model import Stroke
from .scene import EDGE, Cover, Reach, Scene, Under


def _farthest(coat: Stroke, scene: Scene) -> float:
    """px beyond the letters."""
    outer, _ = scene.ends(coat.span)
    tips = scene.letters.longest_mitre(coat.limit) if coat.join == "mitre" and outer < 0 else 1.0
    return (scene.base(coat) - outer) * tips + scene.tips(coat)


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
        return scene.between(scene.letters.nearest, where, low, high)
    span = _deeper(coat, scene, where, low)
    if not math.isinf(high):
        span -= _deeper(coat, scene, where, high)
    return span


def _deeper(coat: Stroke, scene: Scene, where: Box, at: float) -> np.ndarray:
    """(H, W) float32 A(at): coverage deeper than a position."""
    letters = scene.letters
    if math.isinf(at) or at == 0:
        return scene.between(letters.nearest, where, at, math.inf)
    turned = letters.joined(coat.join, coat.limit, at)
    return scene.between(letters.nearest, where, at, math.inf, turned)


def _on_whole(coat: Stroke, scene: Scene, where: Box, under: Under) -> Cover:
    outer, inner = scene.ends(coat.span)
    base = scene.base(coat)
    low, high = outer - base - under.outer, inner - base + under.inner
    face = inner > base
    joins = [ply.join for ply in scene.growth.plies]
    if inner <= 0 and joins == [coat.join] != ["round"]:
        # corners go on as they are turned already
        return Cover(_span(coat, scene, where, low, high), True, face)
    edge, growth = scene.edge(coat, inner > 0)
    plane = scene.between(edge, where, low + growth.by, high + growth.by)
    return Cover(plane, True, face)
