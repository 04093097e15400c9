"""Glow: colour that fades along a span, outward or inward."""

from __future__ import annotations

import numpy as np
from numba import njit

from .. import bands
from ..box import Box
from ..field.blur import smoothed
from ..model import Glow
from . import easing
from .scene import EDGE, Cover, Reach, Scene, Under


def _run(coat: Glow, scene: Scene) -> tuple[float, float]:
    """Where it is full and where it is gone, px across the letters' edge."""
    core = scene.letters.core
    start, end = (min(scene.px(p), core) for p in (coat.span.from_, coat.span.to))
    base = scene.base(coat)
    return start - base, end - base


def reach(coat: Glow, scene: Scene) -> Reach:
    start, end = _run(coat, scene)
    soft = abs(end - start) * coat.softness * 0.75
    return Reach(distance=-min(start, end) + scene.tips(coat) + soft + 2)


def box(coat: Glow, scene: Scene) -> Box:
    start, end = _run(coat, scene)
    soft = abs(end - start) * coat.softness * 0.25
    return scene.around(-min(start, end) + scene.tips(coat) + soft + 1)


@njit(nogil=True, cache=True)
def _fade(d, start, end, hot, curve, cut, out):  # type: ignore[no-untyped-def]
    """falloff(1 - max(0, (t - hot) / (1 - hot))), 1 before the start, 0 beyond the end."""
    steps = np.float32(curve.shape[0] - 1)
    one, zero, half = np.float32(1), np.float32(0), np.float32(0.5)
    length = end - start
    if abs(length) < np.float32(1e-3):
        length = np.float32(1e-3) if length >= 0 else np.float32(-1e-3)
    for y in range(out.shape[0]):
        for x in range(out.shape[1]):
            t = (d[y, x] - start) / length
            u = one - max(zero, (t - hot) / (one - hot))
            v = min(max(u, zero), one) * steps
            k = min(int(v), curve.shape[0] - 2)
            share = v - np.float32(k)
            fade = curve[k] + (curve[k + 1] - curve[k]) * share
            if cut:
                fade *= min(max(d[y, x] - start + half, zero), one)
            out[y, x] = fade


def fade(
    d: np.ndarray, start: float, end: float, hot: float, curve: np.ndarray, cut: bool,
    out: np.ndarray,
) -> None:  # fmt: skip
    """Strength of a glow at distances d, into out; both (H, W) float32.

    start, end : px where it is full and where it is gone; curve : an easing table;
    cut : end sharply at the start, on its outer side
    """
    values = (np.float32(start), np.float32(end), np.float32(hot))
    bands.run(lambda a, b: _fade(d[a:b], *values, curve, cut, out[a:b]), bands.split(len(out)))


def cover(coat: Glow, scene: Scene, where: Box, under: Under) -> Cover:
    start, end = _run(coat, scene)
    inward = end > start
    edge, growth = scene.edge(coat, inward)
    field = edge.distance
    sigma = abs(end - start) / 4 * coat.softness
    if sigma > 0.05:
        key = ("smooth", scene.letters.key, scene.letters.box, growth, sigma)
        field = scene.cache.get(key, lambda: smoothed(field, sigma))
    d = scene.field(field, where)
    out = np.empty(d.shape, np.float32)
    own = start + growth.by, end + growth.by
    fade(d, *own, coat.hot, easing.table(coat.falloff), inward and abs(start) > EDGE, out)
    if inward:
        return Cover(out, outside=start < -EDGE, face=end > EDGE)
    return Cover(out, outside=end < -EDGE, face=start > EDGE)
