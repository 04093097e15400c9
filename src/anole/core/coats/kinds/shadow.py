"""Shadow: the silhouette lifted off the ground under the lamp, or sunk into it."""

from __future__ import annotations

import math
from typing import Any

import cv2
import msgspec
import numpy as np

from ...arrays import Plane
from ...box import Box
from ...field.blur import gaussian
from ...model import Lamp, Length, Shadow
from ..band import between
from ..context import CoatContext, Overlap, Reach, Reads
from ..inks import WARM
from ..kind import Cover, PaintedCoat, StackPlace, Throw

TAIL = 3.5
"""Deviations within which a Gaussian is drawn."""
FROM_LEFT, FROM_RIGHT = 270.0, 90.0
LEAST_LIFT = 0.5
"""Board px under which a shadow counts as not lifted."""


def offset(lift: float, lamp: Lamp) -> tuple[float, float]:
    """How far a silhouette lifted by `lift` throws its shadow: away from the lamp, y down."""
    bearing = math.radians(lamp.bearing)
    length = lift / math.tan(math.radians(lamp.elevation))
    return -math.sin(bearing) * length, math.cos(bearing) * length


def thrown_by(dx: float, dy: float, lamp: Lamp) -> tuple[float, Lamp]:
    """The lift and the lamp that throw a shadow by (dx, dy): the inverse of offset()."""
    lift = math.hypot(dx, dy) * math.tan(math.radians(lamp.elevation))
    if lift < LEAST_LIFT:
        return 0.0, lamp
    bearing = math.degrees(math.atan2(-dx, dy)) % 360
    return lift, msgspec.structs.replace(lamp, bearing=round(bearing, 1) % 360)


def penumbra(lift: float, lamp: Lamp) -> float:
    """Sigma of the soft edge: a quarter of lift times the lamp's size."""
    return abs(lift) * lamp.size / 4


class ShadowKind(PaintedCoat[Shadow]):
    """The shape's coverage thrown aside, spread and blurred."""

    struct = Shadow
    title, family, about = "Shadow", "Light", "the letters lifted off the ground"
    stronger = (
        {"lift": Length(0.16, "em"), "opacity": 1.0},
        {"paint": WARM, "lift": Length(0.16, "em")},
    )
    tells = ("lift", "grow", "opacity")
    mark = (
        '<path d="M5.5 13.5h8v-8" stroke-width="2.6"/>'
        '<rect x="2" y="2" width="8.5" height="8.5" rx="1"/>'
    )
    place = StackPlace.GROUND
    coverage = ("lift", "grow", "falls", "silhouette", "lamp")
    coverage_reads = Reads.FIELDS | Reads.OUTSET | Reads.UNITS | Reads.LAMP

    def why(self, coat: Shadow) -> str:
        if coat.falls == "behind":
            return "A shadow lifts the letters off the ground."
        return "A shadow within the letters sets them into the ground."

    def whole(self, coat: Shadow) -> bool:
        return coat.silhouette == "whole"

    def lamp(self, coat: Shadow) -> Lamp | None:
        return coat.lamp

    def measure(self, coat: Shadow) -> tuple[str, Length]:
        return "lift", coat.lift

    def reach(self, coat: Shadow, context: CoatContext) -> Reach:
        dx, dy, sigma, grow = _thrown_by(coat, context)
        overhang = context.mitre_overhang(self.whole(coat))
        return Reach(
            distance=max(grow, 0) + overhang + 2, throw=max(abs(dx), abs(dy)) + TAIL * sigma
        )

    def box(self, coat: Shadow, context: CoatContext) -> Box:
        if coat.falls == "inside":
            return context.around(0)
        dx, dy, sigma, grow = _thrown_by(coat, context)
        overhang = context.mitre_overhang(self.whole(coat))
        thrown = context.shape.ink.grown(max(grow, 0) + overhang + TAIL * sigma + 2)
        return _moved(thrown, dx, dy).meet(context.window)

    def cover(self, coat: Shadow, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        _, _, sigma, _ = _thrown_by(coat, context)
        wide = box.grown(math.ceil(TAIL * sigma))
        thrown = gaussian(_silhouette(coat, context, wide), sigma)
        plane = thrown[box.slices_in(wide)]
        if coat.falls == "inside":
            return Cover(np.ascontiguousarray(1 - plane), outside=False, face=True)
        return Cover(np.ascontiguousarray(plane), outside=True, face=True)

    def throw(self, coat: Shadow, context: CoatContext) -> Throw:
        return Throw(*offset(context.px(coat.lift), coat.lamp or context.lamp))

    def thrown_to(self, coat: Shadow, context: CoatContext, throw: Throw) -> dict[str, Any]:
        px, lamp = thrown_by(*throw, coat.lamp or context.lamp)
        lift = coat.lift.like(round(px / context.scale, 2), context.em, context.dpi)
        return {"lift": type(lift)(round(lift.value, 4), lift.unit), "lamp": lamp}

    def sectioned(self, coat: Shadow, lamp: Lamp) -> Shadow:
        """Lit so that it is seen in full: thrown straight out, or from the rim straight in."""
        bearing = FROM_LEFT if coat.falls == "inside" else FROM_RIGHT
        turned = msgspec.structs.replace(coat.lamp or lamp, bearing=bearing)
        return msgspec.structs.replace(coat, lamp=turned)

    def samples(self) -> tuple[Shadow, ...]:
        return (
            Shadow(id="sample", grow=Length(1)),
            Shadow(id="sample", lift=Length(1), silhouette="letters"),
        )


def _thrown_by(coat: Shadow, context: CoatContext) -> tuple[float, float, float, float]:
    """dx, dy, sigma and outset beyond the shape, px."""
    lamp = coat.lamp or context.lamp
    lift = context.px(coat.lift)
    grow = context.px(coat.grow) + context.base(coat.silhouette == "whole")
    return *offset(lift, lamp), penumbra(lift, lamp), grow


def _moved(box: Box, dx: float, dy: float) -> Box:
    return Box(
        math.floor(box.x0 + dx),
        math.floor(box.y0 + dy),
        math.ceil(box.x1 + dx),
        math.ceil(box.y1 + dy),
    )


def _silhouette(coat: Shadow, context: CoatContext, box: Box) -> Plane:
    """Coverage over `box` of the shape grown and moved, edges crisp."""
    shape, (dx, dy, _, grow) = context.shape, _thrown_by(coat, context)
    if abs(grow) < 0.01 and shape.smooth:
        return shape.shifted(dx, dy, box)
    # moving the distance, which is smooth, and cutting it afterwards keeps the edge crisp
    into = np.array([[1, 0, shape.box.x0 - box.x0 + dx], [0, 1, shape.box.y0 - box.y0 + dy]])
    whole = coat.silhouette == "whole"
    edge, outset = context.edge(whole, grow < context.base(whole))
    moved = cv2.warpAffine(
        edge.distance,
        into,
        (box.width, box.height),
        flags=cv2.INTER_LINEAR,
        borderMode=cv2.BORDER_CONSTANT,
        borderValue=-1e6,
    )
    return between(moved, outset.by - grow, math.inf)
