"""Relief: a span given a cross-section, and lit."""

from __future__ import annotations

import math

from ...arrays import Planes, Reals
from ...box import Box
from ...field.blur import smoothed
from ...field.mouldings import height, table
from ...model import Gleam, Lamp, Length, Paint, Relief, Span
from ...paint.context import PaintContext
from ..context import EDGE, CoatContext, Overlap, Reach, Reads
from ..kind import CoatKind, Cover
from ..shading.exact_shading import shade_exact
from ..shading.height_field import CRISP, ends
from ..shading.height_field import sigma as softness
from ..shading.highlight import is_painted, with_highlight
from ..shading.lighting import light_of
from ..shading.smoothed_shading import shade_smoothed


class ReliefKind(CoatKind[Relief]):
    """A moulding as heights along a span of the distance field, lit by the lamp."""

    struct = Relief
    title, family, about = "Relief", "Light", "a cross-section along a span, lit"
    tells = ("span", "height", "rounding")
    mark = '<path d="M1.5 12.5L5 4.5h6l3.5 8z"/><path d="M5 4.5v8M11 4.5v8" opacity=".55"/>'
    coverage = ("span", "silhouette")
    coverage_reads = Reads.FIELDS | Reads.OUTSET | Reads.UNITS
    colour_reads = Reads.FIELDS | Reads.OUTSET | Reads.UNITS | Reads.LAMP

    def why(self, coat: Relief) -> str:
        if coat.height.value < 0:
            return "The surface is sunk below its edge, as if it were pressed in."
        if coat.span.from_.is_core or coat.span.to.is_core:
            return "The whole face is carved up to a ridge in the middle of each stem."
        return "A moulding along the edge catches the light of the lamp."

    def whole(self, coat: Relief) -> bool:
        return coat.silhouette == "whole"

    def span(self, coat: Relief) -> Span:
        return coat.span

    def opaque(self, coat: Relief) -> bool:
        return all(stop.colour.a == 255 for stop in coat.ramp)

    def lamp(self, coat: Relief) -> Lamp | None:
        return coat.lamp

    def paints(self, coat: Relief) -> tuple[Paint, ...]:
        return () if coat.gleam is None else (coat.gleam.paint,)

    def reach(self, coat: Relief, context: CoatContext) -> Reach:
        outer, inner = ends(coat, context)
        overhang = context.mitre_overhang(self.whole(coat))
        return Reach(distance=-outer + overhang + 3 * softness(coat, (outer, inner)) + 3)

    def box(self, coat: Relief, context: CoatContext) -> Box:
        outer, _ = ends(coat, context)
        return context.around(-outer + context.mitre_overhang(self.whole(coat)) + 2)

    def cover(self, coat: Relief, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        outer, _ = ends(coat, context)
        low = -math.inf if abs(outer) < EDGE else outer - overlap.outer
        edge, outset = context.edge(coat.silhouette == "whole", inside=False)
        plane = context.between(edge, box, low + outset.by, math.inf)
        return Cover(plane, outside=outer < -EDGE, face=True)

    def source(self, coat: Relief, context: CoatContext, paint: PaintContext) -> Planes:
        """The ramp's colour for the light that each px gets."""
        if coat.gleam is not None and is_painted(coat.gleam.paint):
            return with_highlight(coat, context, paint, shaded)
        return shaded(coat, context, paint.box)

    def heights(self, coat: Relief, share: Reals) -> Reals:
        rise = height(coat.moulding, share)
        return 1 - rise if coat.height.value < 0 else rise

    def samples(self) -> tuple[Relief, ...]:
        return (
            Relief(id="sample"),
            Relief(id="sample", rounding=1, gleam=Gleam(), height=Length(1)),
        )


def shaded(coat: Relief, context: CoatContext, box: Box) -> Planes:
    """(4, H, W) straight colours over `box`, the highlight in one colour."""
    light = light_of(coat.lamp or context.lamp, coat.ramp, coat.gleam)
    rise, span = context.px(coat.height), ends(coat, context)
    heights, shape, sigma = table(coat.moulding), context.shape, softness(coat, span)
    whole = coat.silhouette == "whole"
    base = context.base(whole)
    if sigma < CRISP and base == 0:
        return shade_exact(shape, box, span, rise, heights, light)
    edge, outset = context.edge(whole, span[1] > -base)
    part = box.grown(3 * sigma + 2).meet(shape.box)
    key = ("relief distance", shape.key, shape.box, part, outset, sigma)
    soft = context.cache.get(
        key, lambda: smoothed(context.field(edge.distance, part), max(sigma, CRISP))
    )
    own = span[0] + outset.by, span[1] + outset.by
    return shade_smoothed(soft, part, box, own, rise, heights, light)
