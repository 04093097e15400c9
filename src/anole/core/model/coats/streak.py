"""Streak: wind-blown smears behind the letters, in one direction or several."""

from __future__ import annotations

from typing import Annotated, Literal

from ..colour import Colour
from ..fields import Seed, angle, length, meta, number, share
from ..length import Length
from ..paints import ColourPaint
from .base import Coat, Falloff, PaintField

WIND, LINES = "The wind", "The lines"
MOST_BEARINGS = 6


class Streak(Coat, frozen=True, cache_hash=True, kw_only=True, tag="streak"):
    """Smears of the silhouette, or of what the piece paints, that fade with the wind."""

    of: Annotated[
        Literal["silhouette", "picture"],
        meta(
            "Streaks of",
            "The silhouette in a paint, or the letters as they are painted",
            words={"silhouette": "the silhouette", "picture": "the painted letters"},
        ),
    ] = "silhouette"
    paint: PaintField = ColourPaint(colour=Colour(255, 244, 214))
    bearing: Annotated[
        float,
        angle("Bearing", "Where the first one blows: 0 is the top", soft=(0, 360), group=WIND),
    ] = 100.0
    count: Annotated[
        float, number("Directions", "How many", 1, MOST_BEARINGS, step=1, group=WIND)
    ] = 1.0
    fan: Annotated[
        float,
        angle(
            "Angle between", "From one direction to the next", -180, 180, soft=(-90, 90), group=WIND
        ),
    ] = 20.0
    reach: Annotated[
        Length, length("Length", "Of the longest line", (0, 600), low=0, group=WIND)
    ] = Length(0.7, "em")
    onset: Annotated[
        float, share("Edge needed", "How strong an edge must be for a line to begin", group=LINES)
    ] = 0.1
    falloff: Annotated[
        Falloff, meta("Falloff", "How lines fade", group=LINES, control="pictures")
    ] = "ease-in"
    uneven: Annotated[
        float, share("Uneven", "How much the lines differ in length", group=LINES)
    ] = 0.7
    width: Annotated[
        Length, length("Line width", "Of one line", (0.5, 20), low=0.1, group=LINES)
    ] = Length(0.012, "em")
    seed: Annotated[Seed, meta("Seed", "Another number, other lines", group=LINES)] = 1
