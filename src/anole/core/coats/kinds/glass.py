"""Glass: the picture beneath through a pane with a moulded rim."""

from __future__ import annotations

import numpy as np

from ...arrays import Planes, Reals
from ...box import Box
from ...compose.cover import full
from ...field.mouldings import height
from ...model import Exposure, Glass, Length
from ...paint.context import PaintContext
from ...tone import margin, toned
from ...tone.where import Where
from ..context import CoatContext, Overlap, Reach, Reads
from ..kind import CoatKind, Cover
from ..shading.height_field import ends, heights_over, sigma
from .press import seen_through


class GlassKind(CoatKind[Glass]):
    """Over the whole face; flat in its middle, where it only blurs."""

    struct = Glass
    title, family, about = "Glass", "Ground", "what lies beneath, seen through the face"
    stronger = (
        {"bend": Length(0.3, "em"), "blur": Length(0.1, "em")},
        {"tone": (Exposure(stops=0.8),)},
    )
    tells = ("span", "bend", "blur")
    mark = '<rect x="2.5" y="2.5" width="11" height="11" rx="2"/><path d="M5 9l4-4M7 12l5-5"/>'
    coverage_reads = Reads.NOTHING
    colour_reads = Reads.FIELDS | Reads.OUTSET | Reads.UNITS | Reads.PAINTED | Reads.FRAME

    def why(self, coat: Glass) -> str:
        return "What lies beneath is seen through the face, bent at its edge."

    def whole(self, coat: Glass) -> bool:
        return coat.silhouette == "whole"

    def reach(self, coat: Glass, context: CoatContext) -> Reach:
        return Reach(distance=3 * sigma(coat, ends(coat, context)) + 4)

    def cover(self, coat: Glass, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        return Cover(full(box), outside=False, face=True)

    def source(self, coat: Glass, context: CoatContext, paint: PaintContext) -> Planes:
        ops = tuple(op for op in coat.tone if op.on)
        units = context.units
        wide = paint.over(paint.box.grown(margin(ops, units)) if ops else paint.box)
        slope = heights_over(coat, context, wide.box).slope
        bend = np.float32(context.px(coat.bend))
        planes = seen_through(
            context, wide, bend * slope[0], bend * slope[1], context.px(coat.blur) / 2
        )
        if not ops or planes.shape[1] != wide.box.height:
            return planes
        rows, columns = paint.box.slices_in(wide.box)
        return np.ascontiguousarray(
            toned(planes, ops, Where(wide.box, units))[:, rows, columns], np.float32
        )

    def heights(self, coat: Glass, share: Reals) -> Reals:
        return height(coat.moulding, share)

    def samples(self) -> tuple[Glass, ...]:
        return (Glass(id="sample"),)
