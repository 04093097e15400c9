"""Gloss: a shine cut off by a line or an oval."""

from __future__ import annotations

from typing import Annotated, Literal

from ..colour import Colour
from ..fields import CUT, Opacity, angle, length, meta, number, share
from ..length import Length
from ..paints import ColourPaint
from .base import Coat, PaintField

BEND = {"soft": (-0.5, 0.5), "step": 0.01, "group": CUT}
TURN = {"soft": (-45, 45), "step": 0.5, "group": CUT}


class Gloss(Coat, frozen=True, cache_hash=True, kw_only=True, tag="gloss"):
    """A shine cut off by a line or an oval."""

    paint: PaintField = ColourPaint(colour=Colour(255, 255, 255))
    opacity: Opacity = 0.6
    form: Annotated[Literal["line", "oval"], meta("Cut by", "A line, or an oval", group=CUT)] = (
        "line"
    )
    frame: Annotated[
        Literal["letter", "line", "piece"], meta("Stretched over", "The box that is cut", group=CUT)
    ] = "piece"
    height: Annotated[
        float, share("Cut height", "Height of the cut, from the top", -2, 3, soft=(0, 1), group=CUT)
    ] = 0.5
    angle: Annotated[float, angle("Angle", "Turns the cut clockwise", -180, 180, **TURN)] = 0.0
    bend: Annotated[float, number("Bend", "Bows the cut; of an oval its width", -4, 4, **BEND)] = (
        0.12
    )
    wave: Annotated[
        float,
        share(
            "Wave", "Waves of the cut, of the height", 0, 2, soft=(0, 0.3), step=0.005, group=CUT
        ),
    ] = 0.0
    side: Annotated[
        Literal["above", "below"], meta("Side", "Of the cut that shines", group=CUT)
    ] = "above"
    inset: Annotated[
        Length, length("Inset", "From the letters' edge", (0, 60), low=0, group=CUT)
    ] = Length(0.015, "em")
    soften: Annotated[Length, length("Soften", "Of its borders", (0, 40), low=0, group=CUT)] = (
        Length(0.004, "em")
    )
    far: Annotated[float, share("Strength far off", "Strength away from the cut", group=CUT)] = 1.0
    at_cut: Annotated[float, share("Strength at the cut", "Strength at the cut", group=CUT)] = 0.35
