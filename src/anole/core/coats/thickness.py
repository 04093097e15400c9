"""Thickness: walls between the face and a back that lies aside or toward a point."""

from __future__ import annotations

import math
from typing import Any

import cv2
import numpy as np
from numba import njit

from .. import bands
from ..arrays import Planes
from ..box import Box, around
from ..field.walls import Ray, Walls, walls
from ..model import Lamp, Length, OwnPaint, Paint, Thickness
from ..paint.context import Edge, PaintContext
from ..paint.own import straight
from ..paint.source import source as paint_source
from ..tone import toned
from ..tone.where import Where
from .context import CoatContext, Overlap, Reach, Reads
from .kind import Cover, PaintedCoat, Place, Throw

LIGHTER = 0.55
"""How far toward white a wall goes that faces the lamp."""
INTO_FACE = 1.5
"""px within the edge at which a wall takes the face's own colours."""


class ThicknessKind(PaintedCoat[Thickness]):
    """It lies below the face, so that the face's own edge covers where they meet."""

    struct = Thickness
    title, family, about = "Thickness", "Depth", "solid letters with lit walls"
    mark = (
        '<path d="M1.5 1.5h8v8h-8z"/><path d="M9.5 1.5l5 5v8h-8l-5-5M9.5 9.5l5 5" opacity=".75"/>'
    )
    place = Place.LINE
    repeats = "walls"
    coverage = ("way", "throw_x", "throw_y", "point_x", "point_y", "depth", "taper")
    coverage_reads = Reads.FIELDS | Reads.UNITS | Reads.FRAME
    colour_reads = coverage_reads | Reads.LAMP | Reads.FACE

    def paints(self, coat: Thickness) -> tuple[Paint, ...]:
        return (coat.paint,) if coat.rim is None else (coat.paint, coat.rim.paint)

    def colour_fields(self, coat: Thickness) -> tuple[str, ...]:
        return (*self.coverage, "wall_light", "lamp", "rim", "paint")

    def lamp(self, coat: Thickness) -> Lamp | None:
        return coat.lamp

    def measure(self, coat: Thickness) -> tuple[str, Length] | None:
        return ("down", coat.throw_y) if coat.way == "throw" else None

    def _landing(self, coat: Thickness, context: CoatContext) -> Box:
        """The px that the back may come to lie in, and the face."""
        ink, ray = context.shape.ink.grown(2), ray_of(coat, context)
        if ray.share == 0:
            moved = ink.moved(math.floor(ray.x), math.floor(ray.y)).grown(1)
            return around([ink, moved])
        corners = np.array([[ink.x0, ink.y0], [ink.x1, ink.y1]], float)
        far = corners + ray.share * (np.array([ray.x, ray.y]) - corners)
        far = np.clip(far, -1e6, 1e6)
        (x0, y0), (x1, y1) = np.floor(far.min(0)), np.ceil(far.max(0))
        return around([ink, Box(int(x0), int(y0), int(x1), int(y1))])

    def reach(self, coat: Thickness, context: CoatContext) -> Reach:
        ink, there = context.shape.ink, self._landing(coat, context)
        far = max(ink.x0 - there.x0, ink.y0 - there.y0, there.x1 - ink.x1, there.y1 - ink.y1, 0)
        return Reach(distance=float(far) + 3)

    def box(self, coat: Thickness, context: CoatContext) -> Box:
        return self._landing(coat, context).meet(context.window)

    def cover(self, coat: Thickness, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        return Cover(walls_of(coat, context, box).cover, outside=True, face=False)

    def source(self, coat: Thickness, context: CoatContext, paint: PaintContext) -> np.ndarray:
        made = walls_of(coat, context, paint.box)
        edge = Edge(("walls", context.shape.key), _looked_up(made.depth, paint.box), 0.0, 1.0)
        colours = _colours(coat.paint, made, context, paint._replace(edge=edge))
        colours = lit(colours, made, coat, context)
        if coat.rim is None:
            return colours
        share = np.clip(context.px(coat.rim.width) - made.depth * _deep(coat, context) + 0.5, 0, 1)
        rim = np.broadcast_to(paint_source(coat.rim.paint, paint), colours.shape)
        weight = share * rim[3]
        mixed = colours[:3] + (rim[:3] - colours[:3]) * weight
        return np.ascontiguousarray(np.concatenate([mixed, np.maximum(colours[3:], weight[None])]))

    def throw(self, coat: Thickness, context: CoatContext) -> Throw | None:
        if coat.way != "throw":
            return None
        return Throw(context.px(coat.throw_x), context.px(coat.throw_y))

    def thrown_to(self, coat: Thickness, context: CoatContext, throw: Throw) -> dict[str, Any]:
        made = {}
        for name, px in (("throw_x", throw.dx), ("throw_y", throw.dy)):
            old: Length = getattr(coat, name)
            like = old.like(round(px / context.scale, 2), context.em, context.dpi)
            made[name] = Length(round(like.value, 4), like.unit)
        return made

    def samples(self) -> tuple[Thickness, ...]:
        return Thickness(id="sample"), Thickness(id="sample", way="toward", taper=0.4)


def ray_of(coat: Thickness, context: CoatContext) -> Ray:
    """The way of the walls, px of the render scale."""
    taper = coat.taper * context.shape.core
    if coat.way == "throw":
        return Ray(context.px(coat.throw_x), context.px(coat.throw_y), 0.0, taper)
    x0, y0, x1, y1 = context.frames.board
    point = x0 + coat.point_x * (x1 - x0), y0 + coat.point_y * (y1 - y0)
    # no way at all is the same way for all of them
    return Ray(*point, coat.depth, taper) if coat.depth > 0 else Ray(0.0, 0.0, 0.0, taper)


def _deep(coat: Thickness, context: CoatContext) -> float:
    """px from the face to the back; toward a point, of what lies in the piece's middle."""
    ray = ray_of(coat, context)
    if ray.share == 0:
        return math.hypot(ray.x, ray.y)
    x0, y0, x1, y1 = context.frames.piece
    return ray.share * math.hypot(ray.x - (x0 + x1) / 2, ray.y - (y0 + y1) / 2)


def walls_of(coat: Thickness, context: CoatContext, box: Box) -> Walls:
    """The walls over a box, made once."""
    shape, ray = context.shape, ray_of(coat, context)
    key = ("walls", shape.key, shape.box, ray, box)
    return context.cache.get(key, lambda: walls(shape.distance, shape.normals, shape.box, ray, box))


def _looked_up(plane: np.ndarray, over: Box) -> Any:
    return lambda box: plane[box.slices_in(over)]


def _colours(paint: Paint, made: Walls, context: CoatContext, where: PaintContext) -> Planes:
    """(4, H, W) straight: the paint, or the face's own colours at the foot of each wall."""
    shape = (4, where.box.height, where.box.width)
    if not isinstance(paint, OwnPaint):
        return np.array(np.broadcast_to(paint_source(paint, where), shape), np.float32)
    if context.backdrop is None:
        return np.zeros(shape, np.float32)
    shown = made.cover > 0
    if not shown.any():
        return np.zeros(shape, np.float32)
    (x0, y0), (x1, y1) = ([float(f(made.foot[n][shown])) for n in (0, 1)] for f in (np.min, np.max))
    feet = Box(math.floor(x0), math.floor(y0), math.ceil(x1), math.ceil(y1)).grown(4)
    face = context.shape.ink.grown(2).meet(feet)
    if face.empty:
        return np.zeros(shape, np.float32)
    planes = straight(context.backdrop.planes("face", 1.0, face))
    foot = made.foot - INTO_FACE * made.outward
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


def lit(colours: Planes, made: Walls, coat: Thickness, context: CoatContext) -> Planes:
    """Walls that face the lamp lighter, others darker: by the cosine between them."""
    lamp = coat.lamp or context.lamp
    bearing, level = math.radians(lamp.bearing), math.cos(math.radians(lamp.elevation))
    way = np.array([math.sin(bearing), -math.cos(bearing)]) * level
    tilt = (way * coat.wall_light * lamp.strength).astype(np.float32)
    light = np.array([lamp.colour.r, lamp.colour.g, lamp.colour.b], np.float32) / 255
    out = np.ascontiguousarray(colours, np.float32)
    bands.run(
        lambda first, last: _light_rows(out, made.outward, tilt, light, first, last),
        bands.split(out.shape[1]),
    )
    return out


@njit(nogil=True, cache=True)
def _light_rows(
    out: Planes, outward: Planes, tilt: np.ndarray, light: np.ndarray, first: int, last: int
) -> None:
    """Colours changed in place, of walls whose unit way out is known."""
    one, zero = np.float32(1), np.float32(0)
    for y in range(first, last):
        for x in range(out.shape[2]):
            facing = outward[0, y, x] * tilt[0] + outward[1, y, x] * tilt[1]
            facing = min(max(facing, -one), one)
            for p in range(3):
                old = out[p, y, x]
                if facing > zero:
                    new = old + (light[p] - old) * facing * np.float32(LIGHTER)
                else:
                    new = old * (one + facing)
                out[p, y, x] = min(max(new, zero), one)
