"""Press: the picture beneath, sampled where a moulding has pushed it from."""

from __future__ import annotations

import math
from typing import Any

import numpy as np

from ...arrays import Plane, Planes, Reals
from ...box import Box
from ...field.mouldings import height
from ...field.remap import displaced
from ...model import Length, Position, Press, Span
from ...paint.context import PaintContext
from ...paint.own import straight
from ...tone.blur import blurred
from ..context import CoatContext, Overlap, Reach, Reads
from ..kind import CoatKind, Cover, StackPlace, Throw
from ..shading.height_field import Heights, ends, heights_over, sigma
from ..throwing import thrown

GEOMETRY = ("span", "moulding", "rounding", "silhouette")
STEP = 16
"""px in whose multiples what lies beyond is looked at."""
WIDE = Span(Position(-0.3, "em"), Position(0.0, "em"))


class PressKind(CoatKind[Press]):
    """Where the height is 0 not one px changes."""

    struct = Press
    title, family, about = "Press", "Ground", "pushes what lies beneath up or down"
    stronger = (
        {"push_y": Length(-0.3, "em")},
        {"push_y": Length(-0.3, "em"), "span": WIDE, "silhouette": "whole"},
        {"span": WIDE, "silhouette": "whole", "show_map": True},
    )
    tells = ("span", "push_y", "rounding")
    mark = (
        '<path d="M1.5 5.5h3q2 0 2.5 3t2.5 3h5"/><path d="M1.5 9.5h2.5M9 4.5h5.5" opacity=".55"/>'
    )
    place = StackPlace.GROUND
    coverage = GEOMETRY
    coverage_reads = Reads.FIELDS | Reads.OUTSET | Reads.UNITS
    colour_reads = Reads.FIELDS | Reads.OUTSET | Reads.UNITS | Reads.PAINTED | Reads.FRAME

    def why(self, coat: Press) -> str:
        return "What lies beneath is pushed in or out, so that the letters belong to it."

    def whole(self, coat: Press) -> bool:
        return coat.silhouette == "whole"

    def span(self, coat: Press) -> Span:
        return coat.span

    def reach(self, coat: Press, context: CoatContext) -> Reach:
        span = ends(coat, context)
        overhang = context.mitre_overhang(self.whole(coat))
        return Reach(distance=-span[0] + overhang + 3 * sigma(coat, span) + 4)

    def box(self, coat: Press, context: CoatContext) -> Box:
        span = ends(coat, context)
        return context.around(-span[0] + context.mitre_overhang(self.whole(coat)) + 2)

    def cover(self, coat: Press, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        touched = (heights_over(coat, context, box).rise != 0).astype(np.float32)
        return Cover(touched, outside=ends(coat, context)[0] < 0, face=True)

    def source(self, coat: Press, context: CoatContext, paint: PaintContext) -> Planes:
        heights = heights_over(coat, context, paint.box)
        if coat.show_map:
            ones = np.ones_like(heights.rise)
            return np.stack([heights.rise, heights.rise, heights.rise, ones])
        dx, dy = _ways(coat, context, heights)
        return seen_through(context, paint, dx, dy)

    def throw(self, coat: Press, context: CoatContext) -> Throw:
        return Throw(context.px(coat.push_x), context.px(coat.push_y))

    def thrown_to(self, coat: Press, context: CoatContext, throw: Throw) -> dict[str, Any]:
        return thrown(coat, ("push_x", "push_y"), throw, context)

    def heights(self, coat: Press, share: Reals) -> Reals:
        return height(coat.moulding, share)

    def samples(self) -> tuple[Press, ...]:
        return (Press(id="sample"), Press(id="sample", show_map=True))


def _ways(coat: Press, context: CoatContext, heights: Heights) -> tuple[Plane, Plane]:
    """(H, W) px from each px to what is pushed onto it."""
    x, y, along = (np.float32(context.px(one)) for one in (coat.push_x, coat.push_y, coat.spread))
    dx = -x * heights.rise - along * heights.slope[0]
    dy = -y * heights.rise - along * heights.slope[1]
    return dx, dy


def seen_through(
    context: CoatContext, paint: PaintContext, dx: Plane, dy: Plane, blur: float = 0.0
) -> Planes:
    """(4, H, W) straight: what lies beneath, displaced by (dx, dy) px and blurred by sigma px.

    At the board's border it is reflected; without anything beneath all is clear.
    """
    box, backdrop = paint.box, context.backdrop
    if backdrop is None:
        return np.zeros((4, 1, box.width), np.float32)
    far = max(float(np.abs(dx).max(initial=0)), float(np.abs(dy).max(initial=0)))
    x0, y0, x1, y1 = context.frames.board
    board = Box(math.floor(x0), math.floor(y0), math.ceil(x1), math.ceil(y1))
    # in steps, so that a drag asks for the same part again
    far = STEP * math.ceil((far + 3 * blur + 3) / STEP)
    wide = box.grown(far).meet(board)
    if wide.empty:
        return np.zeros((4, 1, box.width), np.float32)
    planes = backdrop.planes("painted", 1.0, wide)
    if blur > 0:
        key = ("blurred beneath", backdrop.key("painted"), wide, blur, context.scale)
        planes = context.cache.get(key, lambda: blurred(planes, blur), key[0])
    if planes[3].min() < 1:
        return straight(displaced(planes, wide, dx, dy, box))
    out = np.ones((4, box.height, box.width), np.float32)
    displaced(planes[:3], wide, dx, dy, box, out[:3])
    return out
