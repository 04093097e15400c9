"""Whether nothing can be seen through a paint."""

from __future__ import annotations

from ..model import ColourPaint, Gradient, Paint


def solid(paint: Paint) -> bool:
    """True where the paint is surely opaque everywhere."""
    if paint.speckle > 0:
        return False
    if isinstance(paint, ColourPaint):
        return paint.colour.a == 255
    return isinstance(paint, Gradient) and all(stop.colour.a == 255 for stop in paint.stops)
