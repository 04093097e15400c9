"""Streak: the silhouette or the painted piece blown along one bearing or several."""

from __future__ import annotations

import math
from typing import Any

import numpy as np

from ...arrays import Planes
from ...box import Box, around
from ...field.coverage import rasterise
from ...field.shape_fields import ink_box
from ...field.streaks import Wind, streaks
from ...model import Length, Streak
from ...paint.context import PaintContext
from ...paint.own import straight
from ..context import CoatContext, Overlap, Reads
from ..inks import DARK, WARM
from ..kind import Cover, PaintedCoat, StackPlace, Throw
from ..shading import easing
from ..throwing import by_bearing, thrown_toward

AROUND = 0.6
"""em round the outlines within which a piece's picture is looked for."""


class StreakKind(PaintedCoat[Streak]):
    """It lies behind the face."""

    struct = Streak
    title, family, about = "Streak", "Surface", "wind-blown lines behind the letters"
    stronger = ({"paint": DARK}, {"paint": WARM, "reach": Length(1.2, "em")})
    tells = ("reach", "count", "fan")
    mark = '<path d="M2 4h7M2 8h12M2 12h9"/><path d="M10.500 4h3.500M12 12h2" opacity=".5"/>'
    across = False
    place = StackPlace.GROUND
    left_out_of = ("face", "lit")
    coverage = (
        "of", "bearing", "count", "fan", "reach", "onset", "falloff", "uneven", "width", "seed",
    )  # fmt: skip
    coverage_reads = Reads.FIELDS | Reads.OUTSET | Reads.UNITS | Reads.FRAME | Reads.LIT
    colour_reads = coverage_reads

    def why(self, coat: Streak) -> str:
        return "Lines blown out of the letters say that they move."

    def colour_fields(self, coat: Streak) -> tuple[str, ...]:
        return self.coverage if coat.of == "picture" else ()

    def whole(self, coat: Streak) -> bool:
        return False

    def measure(self, coat: Streak) -> tuple[str, Length]:
        return "length", coat.reach

    def throw(self, coat: Streak, context: CoatContext) -> Throw:
        return by_bearing(coat.bearing, context.px(coat.reach))

    def thrown_to(self, coat: Streak, context: CoatContext, throw: Throw) -> dict[str, Any]:
        return thrown_toward(coat, "reach", throw, context)

    def box(self, coat: Streak, context: CoatContext) -> Box:
        source = self._source_box(coat, context)
        far, boxes = context.px(coat.reach), [source]
        for bearing in _bearings(coat):
            dx, dy = by_bearing(bearing, far)
            boxes.append(source.moved(math.floor(dx), math.floor(dy)).grown(2))
        return around(boxes).meet(context.window)

    def _source_box(self, coat: Streak, context: CoatContext) -> Box:
        if coat.of == "silhouette":
            return ink_box(context.edge_chords(True)).grown(2)
        return context.shape.ink.grown(AROUND * context.em * context.scale)

    def cover(self, coat: Streak, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        plane = np.ascontiguousarray(self._blown(coat, context, box)[-1])
        return Cover(plane, outside=True, face=False)

    def source(self, coat: Streak, context: CoatContext, paint: PaintContext) -> Planes:
        if coat.of == "silhouette":
            return super().source(coat, context, paint)
        return straight(self._blown(coat, context, paint.box), solid=True)

    def _blown(self, coat: Streak, context: CoatContext, box: Box) -> Planes:
        """(1, H, W) of the silhouette, or (4, H, W) premultiplied of the picture."""
        far = context.px(coat.reach) + 4
        source = self._source_box(coat, context).meet(box.grown(far))
        if source.empty or box.empty:
            return np.zeros((4, box.height, box.width), np.float32)
        own = tuple(getattr(coat, name) for name in self.coverage)
        seen = None
        if coat.of == "picture" and context.backdrop is not None:
            seen = context.backdrop.key("lit")
        where = (context.units, context.frames.piece, context.outset, context.shape.key, source)
        key = ("streaks", own, box, *where, seen)

        def make() -> Planes:
            wind = Wind(
                _bearings(coat),
                context.px(coat.reach),
                coat.onset,
                coat.uneven,
                context.px(coat.width),
                round(coat.seed),
            )
            corner = context.frames.piece[:2]
            planes = self._source(coat, context, source)
            return streaks(planes, source, wind, easing.table(coat.falloff), corner, box)

        return context.cache.get(key, make)

    def _source(self, coat: Streak, context: CoatContext, box: Box) -> Planes:
        if coat.of == "silhouette":
            return rasterise(context.edge_chords(True), box)[0][None]
        if context.backdrop is None:
            return np.zeros((4, box.height, box.width), np.float32)
        return context.backdrop.planes("lit", 1.0, box)

    def samples(self) -> tuple[Streak, ...]:
        return Streak(id="sample"), Streak(id="sample", of="picture", count=2)


def _bearings(coat: Streak) -> tuple[float, ...]:
    return tuple(coat.bearing + coat.fan * n for n in range(round(coat.count)))
