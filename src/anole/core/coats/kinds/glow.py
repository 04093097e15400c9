"""Glow: colour that fades along a span, outward or inward."""

from __future__ import annotations

import numpy as np

from ... import bands
from ...arrays import Plane, Real, Table
from ...box import Box
from ...field.blur import smoothed
from ...kernels import njit
from ...model import Glow, Position, Span
from ...paint.source import opaque
from ..context import EDGE, CoatContext, Overlap, Reach, Reads
from ..kind import Cover, PaintedCoat, StackPlace
from ..shading import easing


class GlowKind(PaintedCoat[Glow]):
    """Paint along a span of the distance field that fades by a falloff."""

    struct = Glow
    title, family, about = "Glow", "Line", "light or colour that fades along a span"
    tells = ("span", "softness", "opacity")
    mark = (
        '<circle cx="8" cy="8" r="2" fill="currentColor" stroke="none"/>'
        '<circle cx="8" cy="8" r="4.2" opacity=".75"/>'
        '<circle cx="8" cy="8" r="6.7" opacity=".4"/>'
    )
    place = StackPlace.HALO
    coverage = ("span", "hot", "softness", "falloff", "silhouette")
    coverage_reads = Reads.FIELDS | Reads.OUTSET | Reads.UNITS

    def why(self, coat: Glow) -> str:
        if min(end.px(1.0) for end in (coat.span.from_, coat.span.to)) < 0:
            return "Light that spreads from the letters onto what lies behind them."
        return "Colour that fades inward from the edge and rounds the face."

    def whole(self, coat: Glow) -> bool:
        return coat.silhouette == "whole"

    def span(self, coat: Glow) -> Span:
        return coat.span

    def opaque(self, coat: Glow) -> bool:
        return opaque(coat.paint)

    def reach(self, coat: Glow, context: CoatContext) -> Reach:
        start, end = _ends(coat, context)
        soft = abs(end - start) * coat.softness * 0.75
        overhang = context.mitre_overhang(self.whole(coat))
        return Reach(distance=-min(start, end) + overhang + soft + 2)

    def box(self, coat: Glow, context: CoatContext) -> Box:
        start, end = _ends(coat, context)
        soft = abs(end - start) * coat.softness * 0.25
        overhang = context.mitre_overhang(self.whole(coat))
        return context.around(-min(start, end) + overhang + soft + 1)

    def cover(self, coat: Glow, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        start, end = _ends(coat, context)
        inward = end > start
        field, by = _field(coat, context, abs(end - start) / 4 * coat.softness, inward)
        d = context.field(field, box)
        out = np.empty(d.shape, np.float32)
        cut = inward and abs(start) > EDGE
        fade(d, start + by, end + by, coat.hot, easing.table(coat.falloff), cut, out)
        if inward:
            return Cover(out, outside=start < -EDGE, face=end > EDGE)
        return Cover(out, outside=end < -EDGE, face=start > EDGE)

    def samples(self) -> tuple[Glow, ...]:
        inward = Span(Position(0, "px"), Position(2, "px"))
        return (
            Glow(id="sample", softness=1),
            Glow(id="sample", span=inward, blend="plus-lighter"),
            Glow(id="sample", span=inward, silhouette="whole"),
        )


def _ends(coat: Glow, context: CoatContext) -> tuple[float, float]:
    """Where it is full and where it is gone, px across the shape's edge."""
    core = context.shape.core
    start, end = (min(context.px(p), core) for p in (coat.span.from_, coat.span.to))
    base = context.base(coat.silhouette == "whole")
    return start - base, end - base


def _field(coat: Glow, context: CoatContext, sigma: float, inward: bool) -> tuple[Plane, float]:
    """The distance that the glow runs along, smoothed, and where its edge lies on it."""
    edge, outset = context.edge(coat.silhouette == "whole", inward)
    if sigma <= 0.05:
        return edge.distance, outset.by
    key = ("smooth", context.shape.key, context.shape.box, outset, sigma)
    soft = context.cache.get(key, lambda: np.ascontiguousarray(smoothed(edge.distance, sigma)))
    return soft, outset.by


@njit(nogil=True, cache=True)
def _fade(d: Plane, start: Real, end: Real, hot: Real, curve: Table, cut: Real, out: Plane) -> None:
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
    d: Plane,
    start: float,
    end: float,
    hot: float,
    curve: Plane,
    cut: bool,
    out: Plane,
) -> None:
    """Strength of a glow at distances d, into out; both (H, W) float32.

    start, end : px where it is full and where it is gone; curve : an easing table;
    cut : end sharply at the start, on its outer side
    """
    values = (np.float32(start), np.float32(end), np.float32(hot))
    bands.run(lambda a, b: _fade(d[a:b], *values, curve, cut, out[a:b]), bands.split(len(out)))
