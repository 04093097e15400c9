"""One colour."""

from __future__ import annotations

from collections.abc import Hashable

import numpy as np

from ..arrays import Planes
from ..model import Colour, ColourPaint
from .context import PaintContext
from .kind import PaintKind


class ColourKind(PaintKind[ColourPaint]):
    """One colour everywhere."""

    struct = ColourPaint
    title = "colour"

    def rasterise(self, paint: ColourPaint, context: PaintContext) -> Planes:
        colour = np.array(paint.colour.floats, np.float32)
        return np.repeat(colour[:, None, None], context.box.width, 2)

    def value(self, paint: ColourPaint, context: PaintContext) -> Hashable:
        return paint

    def opaque(self, paint: ColourPaint) -> bool:
        return paint.colour.a == 255

    def begun(self, colour: Colour) -> ColourPaint:
        return ColourPaint(colour=colour)

    def first_colour(self, paint: ColourPaint) -> Colour:
        return paint.colour
