"""The solid that a thickness makes of a shape: its outline and its walls."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ..arrays import Chords
from ..box import Box
from ..field.beside import beside
from ..field.coverage import rasterise
from ..field.extrusion import Extrusion
from ..field.normals import joints
from ..field.raster import traced
from ..field.shape_fields import ink_box
from ..field.side_walls import side_walls
from ..field.walls import Walls, tapered_walls
from ..model import Thickness
from .context import CoatContext

EDGES = 64
"""px beyond the window within which a tapered solid is known."""


class Solid(NamedTuple):
    """key : the value that it comes from; face, outline : (m, 4) chords, of what the walls hang on
    and of all that is covered"""

    key: tuple
    extrusion: Extrusion
    face: Chords
    outline: Chords


def extrusion_of(coat: Thickness, context: CoatContext) -> Extrusion:
    """The way of the walls, px of the render scale."""
    taper = coat.taper * context.shape.core
    if coat.way == "throw":
        return Extrusion.along(context.px(coat.throw_x), context.px(coat.throw_y), taper)
    if coat.way == "toward":
        x0, y0, x1, y1 = context.frames.board
        point = x0 + coat.point_x * (x1 - x0), y0 + coat.point_y * (y1 - y0)
        return Extrusion.toward(*point, coat.depth, taper)
    axis = context.depth_axis
    if axis is None:
        # straight back from letters that face the eye: nothing of it is seen
        return Extrusion.along(0.0, 0.0)
    return axis.extrusion(context.px(coat.straight), taper)


def solid_of(coat: Thickness, context: CoatContext) -> Solid:
    """The solid of a thickness on the shape of its context, its outline without the taper."""
    extrusion, whole = extrusion_of(coat, context), coat.silhouette == "whole"
    key = ("solid", context.shape.key, context.outset if whole else None, extrusion)
    face = context.edge_chords(whole)
    flat = extrusion._replace(taper=0.0)
    outline = context.cache.get((*key[:-1], flat), lambda: flat.swept(face))
    return Solid(key, extrusion, face, outline)


def outline_of(coat: Thickness, context: CoatContext) -> Chords:
    """(m, 4) px: all that is covered, the taper included."""
    solid = solid_of(coat, context)
    if solid.extrusion.taper == 0 or context.window.empty:
        return solid.outline
    box = ink_box(solid.outline).grown(2).meet(context.window.grown(EDGES))
    if box.empty:
        return solid.outline

    def make() -> Chords:
        return traced(np.clip(_tapered(coat, context, box).cover + 0.5, 0, 1), box)

    return context.cache.get((*solid.key, "traced", box), make)


def _tapered(coat: Thickness, context: CoatContext, box: Box) -> Walls:
    """Its cover is how deep each px got into the face, px."""
    shape, whole = context.shape, coat.silhouette == "whole"
    edge, _ = context.edge(whole, inside=True)
    return tapered_walls(edge.distance, shape.normals, shape.box, extrusion_of(coat, context), box)


def walls_of(coat: Thickness, context: CoatContext, box: Box) -> Walls:
    """The walls over a box, made once; their cover is of what the face leaves of a px."""
    solid = solid_of(coat, context)

    def make() -> Walls:
        covered, inside = rasterise(solid.face, box)
        if solid.extrusion.taper > 0:
            found = _tapered(coat, context, box)
            return found._replace(cover=beside(covered, np.clip(found.cover + 0.5, 0, 1)))
        all_of_it, within = rasterise(solid.outline, box)
        cover = (
            beside(covered, all_of_it)
            if context.shape.smooth
            else (within & ~inside).astype(np.float32)
        )
        key = ("joints", *solid.key[1:3])
        joint = context.cache.get(key, lambda: joints(solid.face))
        return side_walls(solid.face, joint, inside, cover, solid.extrusion, box)

    return context.cache.get(("walls", *solid.key[1:], context.shape.box, box), make)
