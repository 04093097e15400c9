"""Wear: the silhouette less what a texture takes away, grown, shrunk or rounded before."""

from __future__ import annotations

import msgspec
import numpy as np
import pyclipper

from ...arrays import Chords, Plane
from ...field.contour import contour
from ...field.damage import Texture, damaged, texture_over
from ...field.finer import averaged, finer
from ...field.polygons import offset, to_chords, to_polygons
from ...field.raster import Raster
from ...field.rounded import rounded
from ...field.shape_fields import ShapeFields, bounds, ink_box
from ...field.simplified import simplified
from ...model import Wear
from ..context import CoatContext
from ..kind import ActingKind
from ..shape import Shape, sound_outline

FINE = {"scratches": 3}
"""Places a px each way at which textures are looked at that are finer than the others."""
BEYOND = 1.0
"""em beyond the window within which damage is made."""
TOLERANCE = 0.02
"""px by which the worn outline's points may lie beside its chords."""


class WearKind(ActingKind[Wear]):
    """It paints nothing: all other coats see the worn shape."""

    struct = Wear
    title, family, about = (
        "Wear",
        "Surface",
        "chips, scratches and cracks; rounder, fatter, thinner",
    )
    stronger = ({"amount": 0.4},)
    tells = ("amount", "size", "edge")
    mark = (
        '<path d="M2.5 2.5h6l1 2 2-2h2v4l-1.6 1.4L13.5 9v4.500h-11z"/>'
        '<path d="M5.5 7.500l2 1.500-1 2.500" opacity=".7"/>'
    )

    def why(self, coat: Wear) -> str:
        return "Damage takes some of the paint away: it has been out in the weather."

    def shapes(self, coat: Wear) -> bool:
        return True

    def reshaped(self, coat: Wear, shape: Shape, context: CoatContext) -> Shape:
        formed = _formed(coat, shape, context)
        return _worn(coat, formed, context) if coat.amount > 0 else formed

    def faded(self, coat: Wear, share: float) -> Wear:
        return msgspec.structs.replace(
            coat,
            amount=coat.amount * share,
            grow=coat.grow.times(share),
            corners=coat.corners.times(share),
        )

    def samples(self) -> tuple[Wear, ...]:
        return Wear(id="sample"), Wear(id="sample", texture="cracks", edge=0.0)


def _formed(coat: Wear, shape: Shape, context: CoatContext) -> Shape:
    """The shape grown and rounded, in integer coordinates."""
    grow, radius = context.px(coat.grow), context.px(coat.corners)
    if grow == 0 and radius == 0:
        return shape
    key = ("formed", shape.key, grow, radius)

    def make(outline: Chords) -> Chords:
        polygons = offset(to_polygons(outline), grow, pyclipper.JT_MITER)
        return sound_outline(to_chords(rounded(polygons, radius)))

    def formed(outline: Chords, name: str) -> Chords:
        return context.cache.get((name, *key), lambda: make(outline))

    chords = whole = formed(shape.chords, "formed outline")
    if shape.undamaged is not None:
        whole = formed(shape.undamaged, "formed undamaged")
    return shape._replace(
        key=key,
        chords=chords,
        core=max(shape.core + grow, 0.0),
        frame=bounds(whole),
        raster=None,
        undamaged=None if shape.undamaged is None else whole,
    )


def _worn(coat: Wear, shape: Shape, context: CoatContext) -> Shape:
    ink = ink_box(shape.chords)
    box = ink.grown(2).meet(context.window.grown(BEYOND * context.em * context.scale))
    if box.empty:
        return shape
    own = (coat.texture, coat.amount, coat.size, coat.detail, coat.angle, coat.edge, coat.rim)
    key = ("worn", shape.key, own, coat.soften, coat.seed, box, context.units)
    fields = ShapeFields(
        shape.key, shape.chords, ink, box, shape.core, context.cache, shape.smooth, shape.raster
    )

    turn = coat.angle if coat.texture == "scratches" else 0.0
    look = Texture(coat.texture, round(coat.detail), turn, round(coat.seed))
    size = context.px(coat.size)

    def make() -> tuple[Plane, Chords]:
        by = FINE.get(coat.texture, 1)
        distance = finer(fields.distance, by) * np.float32(by)
        origin = shape.frame[0] * by, shape.frame[1] * by
        found = context.cache.get(
            ("texture", look, size, box, shape.key),
            lambda: texture_over(look, box.times(by), origin, size * by, distance),
        )
        rim, soften = context.px(coat.rim) * by, context.px(coat.soften) * by
        keep, depth = damaged(look, found, coat.amount, coat.edge, rim, soften, distance)
        depth[[0, -1]] = depth[:, [0, -1]] = -1.0
        chords = simplified(contour(depth, 0.0, box.times(by)) / by, TOLERANCE)
        return fields.coverage * averaged(keep, by), sound_outline(chords)

    plane, chords = context.cache.get(("worn outline", *key), make)
    whole = shape.chords if shape.undamaged is None else shape.undamaged
    return shape._replace(key=key, chords=chords, raster=Raster(plane, box), undamaged=whole)
