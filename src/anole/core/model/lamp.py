"""The light that coats follow."""

from __future__ import annotations

from typing import Annotated

from msgspec import Struct

from .colour import Colour
from .fields import Angle, angle, meta, number


class Lamp(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A light far away: where it comes from, how wide, what colour, how strong."""

    bearing: Annotated[Angle, meta("Bearing", "Where the light comes from: 0 is the top")] = 320.0
    elevation: Annotated[float, angle("Elevation", "How high the light stands", 1, 80)] = 42.0
    size: Annotated[
        float,
        number(
            "Width",
            "The wider, the softer are shadows",
            0,
            4,
            soft=(0, 2),
            step=0.01,
            at_zero="a point",
        ),
    ] = 0.6
    colour: Annotated[Colour, meta("Colour", "Colour of the light")] = Colour(255, 244, 214)
    strength: Annotated[
        float, number("Strength", "How much the light does", 0, 4, soft=(0, 2), step=0.01)
    ] = 1.0
