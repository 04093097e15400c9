"""Grain: the face roughened by a pattern's light and dark, and lit."""

from __future__ import annotations

import msgspec
import numpy as np

from ...arrays import Plane, Planes
from ...box import Box
from ...compose.cover import full
from ...field.finer import averaged, finer
from ...maths import smoothstep
from ...model import Colour, Grain, Ink, Lamp, Paint
from ...paint.context import PaintContext
from ...paint.own import straight
from ...paint.source import source as paint_source
from ..context import CoatContext, Overlap, Reads
from ..kind import CoatKind, Cover
from ..shading.lighting import light_of, lit_heights

FINE = 2
"""Places a px each way that heights are lit at: slopes over two px miss half of what is there."""
BLACK, WHITE = Ink(Colour(0, 0, 0)), Ink(Colour(255, 255, 255))
LUMINANCE = (0.2126, 0.7152, 0.0722)
"""Of red, green and blue (ITU-R BT.709)."""


class GrainKind(CoatKind[Grain]):
    """A pattern taken as heights over the face, lit by the lamp."""

    struct = Grain
    title, family, about = "Grain", "Light", "the face roughened by a pattern, lit"
    tells = ("amount", "edge")
    mark = (
        '<path d="M3.5 4h.01M8 3h.01M12.5 5h.01M5.5 8h.01M10 8.5h.01M3.5 12h.01'
        'M8 12.5h.01M12.5 12h.01"'
        ' stroke-width="2.4" stroke-linecap="round"/>'
    )
    coverage_reads = Reads.NOTHING
    colour_reads = Reads.FIELDS | Reads.UNITS | Reads.LAMP

    def why(self, coat: Grain) -> str:
        return "A rough surface makes the paint look like a material."

    def lamp(self, coat: Grain) -> Lamp | None:
        return coat.lamp

    def paints(self, coat: Grain) -> tuple[Paint, ...]:
        return (coat.pattern,)

    def cover(self, coat: Grain, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        return Cover(full(box), outside=False, face=True)

    def source(self, coat: Grain, context: CoatContext, paint: PaintContext) -> Planes:
        wide = paint.box.grown(1).meet(context.shape.box)
        light = light_of(coat.lamp or context.lamp, coat.ramp)
        lit = _mean_light(lit_heights(heights(coat, context, paint.over(wide)), light))
        rows, columns = paint.box.slices_in(wide)
        return np.ascontiguousarray(lit[:, rows, columns])


def heights(coat: Grain, context: CoatContext, paint: PaintContext) -> Plane:
    """(FINE H, FINE W) float32 px of as large a scale over paint.box: luminance times the amount,
    faded toward the rim."""
    plain = msgspec.structs.replace(coat.pattern, inks=(BLACK, WHITE), speckle=0.0)
    box = paint.box.times(FINE)
    fine = paint._replace(
        box=box, frames=paint.frames.finer(FINE), units=paint.units.finer(FINE), edge=None
    )
    r, g, b, a = np.broadcast_to(paint_source(plain, fine), (4, box.height, box.width))
    value = (LUMINANCE[0] * r + LUMINANCE[1] * g + LUMINANCE[2] * b) * a
    rise = context.px(coat.amount) * FINE
    fade = coat.edge * context.shape.core
    if fade > 0.5:
        near = context.field(context.shape.distance, paint.box)
        value = value * smoothstep(np.clip(finer(near, FINE) / np.float32(fade), 0, 1))
    return np.asarray(value * np.float32(rise), np.float32)


def _mean_light(lit: Planes) -> Planes:
    """(4, H, W) straight: the mean of the FINE x FINE px of each, light by how much it covers."""
    planes = lit * lit[3:]
    planes[3] = lit[3]
    return straight(np.stack([averaged(plane, FINE) for plane in planes]))
