"""Sheen: soft bands across the face."""

from __future__ import annotations

from typing import Annotated

from ..colour import Colour
from ..fields import BANDS, Opacity, angle, length, number, share
from ..length import Length
from ..paints import ColourPaint
from .base import Coat, PaintField

BEND = {"soft": (-1, 1), "step": 0.01, "group": BANDS}


class Sheen(Coat, frozen=True, cache_hash=True, kw_only=True, tag="sheen"):
    """Soft bands across the face."""

    paint: PaintField = ColourPaint(colour=Colour(255, 255, 255))
    opacity: Opacity = 0.5
    bearing: Annotated[
        float, angle("Bearing", "Which way the bands follow each other", soft=(0, 360), group=BANDS)
    ] = 115.0
    pitch: Annotated[
        Length, length("Pitch", "From one band to the next", (4, 400), low=0.01, group=BANDS)
    ] = Length(0.5, "em")
    width: Annotated[
        float, share("Width", "Share of a band in the pitch", 0.01, 1, group=BANDS)
    ] = 0.5
    phase: Annotated[
        float, share("Phase", "Moves the bands along", -10, 10, soft=(0, 1), group=BANDS)
    ] = 0.0
    drift: Annotated[
        float, number("Drift", "Bends the bands with the letter's form", -10, 10, **BEND)
    ] = 0.25
    bow: Annotated[float, number("Bow", "Bends the bands over the whole", -10, 10, **BEND)] = 0.0
    unevenness: Annotated[
        float, share("Unevenness", "Bands of different strength", group=BANDS)
    ] = 0.2
    seed: Annotated[
        float, number("Seed", "Another number, another chance", 0, 9999, step=1, group=BANDS)
    ] = 1
