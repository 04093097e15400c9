"""Copies: the letters again and again along a path."""

from __future__ import annotations

from typing import Annotated, Literal

from ..colour import Colour
from ..fields import angle, length, meta, number, share
from ..length import Length
from ..paints import ColourPaint
from .base import WHOLE, Coat, PaintField

PATH, CHANGE = "The path", "From near to far"
MOST_COPIES = 200


class Copies(Coat, frozen=True, cache_hash=True, kw_only=True, tag="copies"):
    """Copies of the silhouette, or of all that the piece paints, along a line or a bow."""

    of: Annotated[
        Literal["silhouette", "picture"],
        meta(
            "Copies of",
            "The silhouette in a paint, or the letters as they are painted",
            words={"silhouette": "the silhouette", "picture": "the painted letters"},
        ),
    ] = "silhouette"
    silhouette: Annotated[
        Literal["letters", "whole"],
        meta(
            "Follows the edge of",
            "The letters alone, or with their strokes",
            when={"of": ("silhouette",)},
            words=WHOLE,
        ),
    ] = "whole"
    paint: PaintField = ColourPaint(colour=Colour(24, 26, 40))
    count: Annotated[
        float, number("Count", "How many", 1, MOST_COPIES, soft=(1, 40), step=1, group=PATH)
    ] = 6.0
    to_x: Annotated[
        Length, length("Across", "Where the last one lies", (-400, 400), group=PATH)
    ] = Length(0.12, "em")
    to_y: Annotated[Length, length("Down", "Where the last one lies", (-400, 400), group=PATH)] = (
        Length(0.12, "em")
    )
    bow: Annotated[
        float,
        share("Bow", "Bends the path to a side, of its length", -3, 3, soft=(-1, 1), group=PATH),
    ] = 0.0
    grow: Annotated[
        float, number("Size", "Of the last one", 0.05, 10, soft=(0.2, 2), step=0.01, group=CHANGE)
    ] = 1.0
    turn: Annotated[float, angle("Turn", "Of the last one", soft=(-90, 90), group=CHANGE)] = 0.0
    near: Annotated[float, share("Strength near", "Of the first one", group=CHANGE)] = 1.0
    far: Annotated[float, share("Strength far", "Of the last one", group=CHANGE)] = 1.0
