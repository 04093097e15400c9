"""Relief: a span given a cross-section, and lit."""

from __future__ import annotations

import math

import numpy as np

from ..box import Box
from ..field.blur import smoothed
from ..field.mouldings import table
from ..model import Relief
from .carving import carved
from .lighting import light_of
from .scene import EDGE, Cover, Reach, Scene, Under
from .swelling import swollen

CRISP = 0.35
"""px of smoothing under which the exact way is taken."""


def _ends(coat: Relief, scene: Scene) -> tuple[float, float]:
    """Outer and inner end across the letters' own edge; the core where the span says so."""
    outer, inner = scene.ends(coat.span)
    base = scene.base(coat)
    return outer - base, min(inner, scene.letters.core + base) - base


def _sigma(coat: Relief, scene: Scene) -> float:
    """Up to half the span is two deviations."""
    outer, inner = _ends(coat, scene)
    return coat.rounding * (inner - outer) / 4


def reach(coat: Relief, scene: Scene) -> Reach:
    outer, _ = _ends(coat, scene)
    return Reach(distance=-outer + scene.tips(coat) + 3 * _sigma(coat, scene) + 3)


def box(coat: Relief, scene: Scene) -> Box:
    outer, _ = _ends(coat, scene)
    return scene.around(-outer + scene.tips(coat) + 2)


def cover(coat: Relief, scene: Scene, where: Box, under: Under) -> Cover:
    outer, _ = _ends(coat, scene)
    low = -math.inf if abs(outer) < EDGE else outer - under.outer
    edge, growth = scene.edge(coat, inside=False)
    plane = scene.between(edge, where, low + growth.by, math.inf)
    return Cover(plane, outside=outer < -EDGE, face=True)


def source(coat: Relief, scene: Scene, where: Box) -> np.ndarray:
    """(4, H, W) straight: the ramp's colour for the light that each px gets."""
    lamp = coat.lamp or scene.lamp
    light = light_of(lamp, coat.ramp, coat.gleam)
    rise, ends = scene.px(coat.height), _ends(coat, scene)
    heights, letters, sigma = table(coat.moulding), scene.letters, _sigma(coat, scene)
    base = scene.base(coat)
    if sigma < CRISP and base == 0:
        return carved(letters, where, ends, rise, heights, light)
    edge, growth = scene.edge(coat, ends[1] > -base)
    part = where.grown(3 * sigma + 2).meet(letters.box)
    key = ("relief distance", letters.key, letters.box, part, growth, sigma)
    soft = scene.cache.get(
        key, lambda: smoothed(scene.field(edge.distance, part), max(sigma, CRISP))
    )
    own = ends[0] + growth.by, ends[1] + growth.by
    return swollen(soft, part, where, own, rise, heights, light)
