"""Stroke: coverage A(o) - A(i) along a span of the edge."""

from __future__ import annotations

import math

from ...arrays import Plane
from ...box import Box
from ...field.beside import of_the_rest
from ...field.outset import StrokeOutset
from ...model import Position, Span, Stroke
from ...paint.source import opaque
from ..context import EDGE, CoatContext, Overlap, Reach, Reads
from ..inks import LIGHT, WARM
from ..kind import Cover, PaintedCoat, StackPlace


class StrokeKind(PaintedCoat[Stroke]):
    """Paint between two outsets of the outline."""

    struct = Stroke
    title, family, about = "Stroke", "Line", "paints a span along the edge"
    stronger = (
        {"paint": LIGHT},
        {"paint": WARM, "span": Span(Position(-0.12, "em"), Position(0.0, "em"))},
    )
    tells = ("span", "paint", "opacity")
    mark = '<rect x="3.5" y="3.5" width="9" height="9" rx="2" stroke-width="3"/>'
    place = StackPlace.LINE
    coverage = ("span", "join", "limit", "silhouette")
    coverage_reads = Reads.FIELDS | Reads.OUTSET | Reads.UNITS

    def why(self, coat: Stroke) -> str:
        outer, inner = (end.px(1.0) for end in (coat.span.from_, coat.span.to))
        if max(outer, inner) < 0:
            return "A rim outside of all keeps the letters apart from whatever lies behind."
        if max(outer, inner) == 0:
            return "A rim outside the letters frames the face."
        if min(outer, inner) >= 0:
            return "A line inside the edge draws the form of the letters once more."
        return "A line over the edge makes the letters heavier and their outline firm."

    def whole(self, coat: Stroke) -> bool:
        return coat.silhouette == "whole"

    def span(self, coat: Stroke) -> Span:
        return coat.span

    def opaque(self, coat: Stroke) -> bool:
        return opaque(coat.paint)

    def outset(self, coat: Stroke, context: CoatContext) -> StrokeOutset | None:
        if coat.silhouette == "whole":
            return None
        longest = context.shape.longest_mitre(coat.limit) if coat.join == "mitre" else 1.0
        return StrokeOutset(-context.ends(coat.span)[0], coat.join, coat.limit, longest)

    def reach(self, coat: Stroke, context: CoatContext) -> Reach:
        return Reach(distance=_farthest(coat, context) + 2)

    def box(self, coat: Stroke, context: CoatContext) -> Box:
        return context.around(_farthest(coat, context) + 2)

    def cover(self, coat: Stroke, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        outer, inner = context.ends(coat.span)
        if coat.silhouette == "whole" and context.base(True) > 0:
            return _on_whole(coat, context, box, overlap)
        # an end on the edge itself is cut by the shape's own coverage, not by distance
        low = -math.inf if abs(outer) < EDGE else outer - overlap.outer
        high = math.inf if abs(inner) < EDGE else inner + overlap.inner
        outside, face = outer < -EDGE, inner > EDGE
        plane = _span(coat, context, box, low, high)
        if context.shape.smooth and outside != face and min(abs(outer), abs(inner)) < EDGE:
            # where the face is laid over it, or it over the ground, a px has its share of that once
            plane = of_the_rest(plane, context.field(context.shape.coverage, box), face)
        return Cover(plane, outside, face)

    def samples(self) -> tuple[Stroke, ...]:
        one = Stroke(id="sample")
        inward = Span(Position(0.0), Position(1.0, "core"))
        return (
            one,
            Stroke(id="sample", silhouette="whole"),
            Stroke(id="sample", join="mitre"),
            Stroke(id="sample", join="cut", span=inward),
        )


def _farthest(coat: Stroke, context: CoatContext) -> float:
    """px beyond the shape."""
    outer, _ = context.ends(coat.span)
    mitred = coat.join == "mitre" and outer < 0
    longest = context.shape.longest_mitre(coat.limit) if mitred else 1.0
    whole = coat.silhouette == "whole"
    return (context.base(whole) - outer) * longest + context.mitre_overhang(whole)


def _span(coat: Stroke, context: CoatContext, box: Box, low: float, high: float) -> Plane:
    """A(low) - A(high), each with corners turned as the coat says."""
    if coat.join == "round":
        return context.between(context.shape.nearest, box, low, high)
    span = _deeper(coat, context, box, low)
    if not math.isinf(high):
        span -= _deeper(coat, context, box, high)
    return span


def _deeper(coat: Stroke, context: CoatContext, box: Box, at: float) -> Plane:
    """(H, W) float32 A(at): coverage deeper than a position."""
    shape = context.shape
    if math.isinf(at) or at == 0:
        return context.between(shape.nearest, box, at, math.inf)
    turned = shape.joined(coat.join, coat.limit, at)
    return context.between(shape.nearest, box, at, math.inf, turned)


def _on_whole(coat: Stroke, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
    outer, inner = context.ends(coat.span)
    base = context.base(True)
    low, high = outer - base - overlap.outer, inner - base + overlap.inner
    face = inner > base
    joins = [stroke.join for stroke in context.outset.strokes]
    if inner <= 0 and joins == [coat.join] != ["round"]:
        # corners go on as they are turned already
        return Cover(_span(coat, context, box, low, high), True, face)
    edge, outset = context.edge(True, inner > 0)
    plane = context.between(edge, box, low + outset.by, high + outset.by)
    return Cover(plane, True, face)
