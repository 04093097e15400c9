"""Thickness: walls between the face and a back that lies aside or toward a point."""

from __future__ import annotations

import math
from typing import Any

import cv2
import numpy as np

from ... import bands
from ...arrays import Chords, Plane, Planes, Records
from ...box import Box
from ...field.extrusion import Extrusion
from ...field.shape_fields import ink_box
from ...field.walls import Walls
from ...kernels import njit
from ...model import Lamp, Length, OwnPaint, Paint, Thickness
from ...paint.context import Edge, PaintContext
from ...paint.own import straight
from ...paint.source import source as paint_source
from ...tone import toned
from ...tone.where import Where
from ..context import CoatContext, Overlap, Reach, Reads
from ..kind import Cover, PaintedCoat, StackPlace, Throw
from ..solid import extrusion_of, outline_of, solid_of, walls_of
from ..throwing import thrown

LIGHTER = 0.55
"""How far toward white a wall goes that faces the lamp."""
INTO_FACE = 1.5
"""px within the edge at which a wall takes the face's own colours."""


class ThicknessKind(PaintedCoat[Thickness]):
    """It lies below the face, so that the face's own edge covers where they meet."""

    struct = Thickness
    title, family, about = "Thickness", "Depth", "solid letters with lit walls"
    tells = ("throw_x", "throw_y", "wall_light")
    mark = (
        '<path d="M1.5 1.5h8v8h-8z"/><path d="M9.5 1.5l5 5v8h-8l-5-5M9.5 9.5l5 5" opacity=".75"/>'
    )
    place = StackPlace.LINE
    left_out_of = ("face",)
    extends = True
    coverage = (
        "way", "throw_x", "throw_y", "point_x", "point_y", "depth", "straight", "taper", "silhouette",
    )  # fmt: skip
    coverage_reads = Reads.FIELDS | Reads.OUTSET | Reads.UNITS | Reads.FRAME
    colour_reads = coverage_reads | Reads.LAMP | Reads.FACE

    def why(self, coat: Thickness) -> str:
        return "Walls make solid blocks of the letters, lit from the side of the lamp."

    def paints(self, coat: Thickness) -> tuple[Paint, ...]:
        return (coat.paint,) if coat.rim is None else (coat.paint, coat.rim.paint)

    def colour_fields(self, coat: Thickness) -> tuple[str, ...]:
        return (*self.coverage, "wall_light", "lamp", "rim", "paint")

    def whole(self, coat: Thickness) -> bool:
        return coat.silhouette == "whole"

    def lamp(self, coat: Thickness) -> Lamp | None:
        return coat.lamp

    def measure(self, coat: Thickness) -> tuple[str, Length] | None:
        return {"throw": ("down", coat.throw_y), "pose": ("deep", coat.straight)}.get(coat.way)

    def adds(self, coat: Thickness, context: CoatContext) -> Chords:
        return outline_of(coat, context)

    def reach(self, coat: Thickness, context: CoatContext) -> Reach:
        if coat.taper == 0:
            return Reach(distance=2.0)
        ink, there = context.shape.ink, self._landing(coat, context)
        far = max(ink.x0 - there.x0, ink.y0 - there.y0, there.x1 - ink.x1, there.y1 - ink.y1, 0)
        return Reach(distance=float(far) + 3)

    def _landing(self, coat: Thickness, context: CoatContext) -> Box:
        return ink_box(solid_of(coat, context).outline).grown(2)

    def box(self, coat: Thickness, context: CoatContext) -> Box:
        return self._landing(coat, context).meet(context.window)

    def cover(self, coat: Thickness, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        return Cover(walls_of(coat, context, box).cover, outside=True, face=False)

    def source(self, coat: Thickness, context: CoatContext, paint: PaintContext) -> Planes:
        made = walls_of(coat, context, paint.box)
        way = extrusion_of(coat, context)
        edge = Edge(
            ("walls", context.shape.key),
            lambda box: made.depth(way, paint.box)[box.slices_in(paint.box)],
            0.0,
            1.0,
        )
        colours = _colours(coat.paint, made, context, paint._replace(edge=edge), way)
        colours = lit(colours, made, coat, context, paint.box)
        return colours if coat.rim is None else _rimmed(colours, made, coat, context, paint)

    def aim(self, coat: Thickness) -> tuple[float, float] | None:
        return (coat.point_x, coat.point_y) if coat.way == "toward" else None

    def throw(self, coat: Thickness, context: CoatContext) -> Throw | None:
        if coat.way != "throw":
            return None
        return Throw(context.px(coat.throw_x), context.px(coat.throw_y))

    def thrown_to(self, coat: Thickness, context: CoatContext, throw: Throw) -> dict[str, Any]:
        return thrown(coat, ("throw_x", "throw_y"), throw, context)

    def samples(self) -> tuple[Thickness, ...]:
        return Thickness(id="sample"), Thickness(id="sample", way="toward", taper=0.4)


def _colours(
    paint: Paint, made: Walls, context: CoatContext, where: PaintContext, way: Extrusion
) -> Planes:
    """(4, H, W) straight: the paint, or the face's own colours at the foot of each wall."""
    shape = (4, where.box.height, where.box.width)
    if not isinstance(paint, OwnPaint):
        colours = np.empty(shape, np.float32)
        colours[:] = paint_source(paint, where)
        return colours
    if context.backdrop is None:
        return np.zeros(shape, np.float32)
    shown = made.cover > 0
    if not shown.any():
        return np.zeros(shape, np.float32)
    there = made.foot(way, where.box)
    (x0, y0), (x1, y1) = ([float(f(there[n][shown])) for n in (0, 1)] for f in (np.min, np.max))
    feet = Box(math.floor(x0), math.floor(y0), math.ceil(x1), math.ceil(y1)).grown(4)
    face = context.shape.ink.grown(2).meet(feet)
    if face.empty:
        return np.zeros(shape, np.float32)
    planes = straight(context.backdrop.planes("face", 1.0, face))
    foot = there - INTO_FACE * made.outward
    x, y = foot[0] - face.x0 - 0.5, foot[1] - face.y0 - 0.5
    own = np.stack(
        [
            cv2.remap(
                np.ascontiguousarray(p), x, y, cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE
            )
            for p in planes
        ]
    )
    ops = [op for op in paint.tone if op.on]
    return toned(own, ops, Where(where.box, context.units)) if ops else own


def _rimmed(
    colours: Planes, made: Walls, coat: Thickness, context: CoatContext, paint: PaintContext
) -> Planes:
    """The colours with a line along the face."""
    assert coat.rim is not None
    box = paint.box
    x, y = np.arange(box.x0, box.x1) + 0.5, np.arange(box.y0, box.y1) + 0.5
    foot = made.foot(extrusion_of(coat, context), box)
    far = np.hypot(x[None] - foot[0], y[:, None] - foot[1])
    width = context.px(coat.rim.width)
    # of a px that the rim is narrower than it can have no more than that
    share = np.clip(width - far + 0.5, 0, min(width, 1))
    rim = np.broadcast_to(paint_source(coat.rim.paint, paint), colours.shape)
    weight = np.float32(share) * rim[3]
    mixed = colours[:3] + (rim[:3] - colours[:3]) * weight
    return np.ascontiguousarray(np.concatenate([mixed, np.maximum(colours[3:], weight[None])]))


def lit(colours: Planes, made: Walls, coat: Thickness, context: CoatContext, box: Box) -> Planes:
    """Walls that face the lamp lighter, others darker: by the cosine between them."""
    lamp = coat.lamp or context.lamp
    bearing, level = math.radians(lamp.bearing), math.cos(math.radians(lamp.elevation))
    way = np.array(
        [
            math.sin(bearing) * level,
            -math.cos(bearing) * level,
            math.sin(math.radians(lamp.elevation)),
        ]
    )
    facing = _facing(made, coat, context, box, way * coat.wall_light * lamp.strength)
    light = np.array([lamp.colour.r, lamp.colour.g, lamp.colour.b], np.float32) / 255
    out = np.ascontiguousarray(colours, np.float32)
    bands.run(
        lambda first, last: _light_rows(out, facing, light, first, last), bands.split(out.shape[1])
    )
    return out


def _facing(made: Walls, coat: Thickness, context: CoatContext, box: Box, way: Records) -> Plane:
    """(H, W) float32: how much walls face a way in space."""
    out, axis = made.outward, context.depth_axis
    if coat.way != "pose" or axis is None:
        return out[0] * np.float32(way[0]) + out[1] * np.float32(way[1])
    foot = made.foot(extrusion_of(coat, context), box)
    line = -(out[0] * foot[0] + out[1] * foot[1])
    size = np.hypot(out[0], out[1])
    normal = np.tensordot(np.array(axis.facing, np.float32), np.stack([*out, line]), 1)
    long = np.maximum(np.sqrt((normal**2).sum(0)), 1e-9)
    return np.asarray(np.tensordot(way, normal, 1) / long * size, np.float32)


@njit(nogil=True, cache=True)
def _light_rows(out: Planes, facing: Plane, light: Plane, first: int, last: int) -> None:
    """Colours changed in place."""
    one, zero = np.float32(1), np.float32(0)
    for y in range(first, last):
        for x in range(out.shape[2]):
            turned = min(max(facing[y, x], -one), one)
            for p in range(3):
                old = out[p, y, x]
                if turned > zero:
                    new = old + (light[p] - old) * turned * np.float32(LIGHTER)
                else:
                    new = old * (one + turned)
                out[p, y, x] = min(max(new, zero), one)
