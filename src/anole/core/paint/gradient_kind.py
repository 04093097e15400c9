"""Gradient: what the paint declares of itself."""

from __future__ import annotations

from collections.abc import Hashable

import msgspec
import numpy as np

from ..arrays import Planes, Points
from ..model import Colour, Gradient, Stop
from . import gradient_handles
from .clusters import pair_of
from .context import PaintContext
from .gradient import folded, rasterise, rasterise_along, rasterise_grouped
from .handles import Laying, PaintHandle
from .kind import PaintKind
from .stops import STEPS, table_of

MOST_RUNS = 12
"""Of a repeated one, shown side by side in a section."""


class GradientKind(PaintKind[Gradient]):
    """Stops along a line, round a point, about it, or along an edge."""

    struct = Gradient
    title = "gradient"

    def rasterise(self, paint: Gradient, context: PaintContext) -> Planes:
        if paint.shape == "edge" and context.edge is not None:
            edge = context.edge
            return rasterise_along(paint, edge.field(context.box), edge.outer, edge.inner)
        letters = context.frames.letters
        if paint.frame in ("letter", "word", "line") and letters is not None and letters.units:
            return rasterise_grouped(paint, letters, context.box)
        frame = context.frames.board if paint.frame == "board" else context.frames.piece
        return rasterise(paint, frame, context.box)

    def value(self, paint: Gradient, context: PaintContext) -> Hashable:
        edge = context.edge if paint.shape == "edge" else None
        run = None if edge is None else (edge.key, edge.outer, edge.inner)
        return (paint, context.frames, run)

    def opaque(self, paint: Gradient) -> bool:
        return all(stop.colour.a == 255 for stop in paint.stops)

    def over_board(self, paint: Gradient) -> bool:
        return paint.frame == "board"

    def turned(self, paint: Gradient, degrees: float) -> Gradient:
        return msgspec.structs.replace(paint, angle=(paint.angle + degrees) % 360)

    def begun(self, colour: Colour) -> Gradient:
        """To a dark of its hue."""
        return Gradient(stops=(Stop(0.0, colour), Stop(1.0, pair_of(colour)[1])))

    def first_colour(self, paint: Gradient) -> Colour:
        return paint.stops[0].colour

    def handles(self, paint: Gradient, laid: Laying) -> list[PaintHandle]:
        return gradient_handles.handles(paint, laid)

    def pulled(self, paint: Gradient, laid: Laying, kind: str, at: Points) -> Gradient:
        return gradient_handles.pulled(paint, laid, kind, at)

    def in_section(self, paint: Gradient, count: int, em: float) -> Planes:
        """From its start to its end."""
        runs = 1 if paint.spread == "pad" else min(max(1 / paint.scale, 1), MOST_RUNS)
        t = folded((np.arange(count) + 0.5) / count * runs, paint.spread)
        return table_of(paint)[:, np.clip((t * STEPS).astype(int), 0, STEPS - 1)]
