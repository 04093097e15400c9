"""Shadow: the silhouette lifted off the ground under the lamp, or sunk into it."""

from __future__ import annotations

from typing import Annotated, Literal

from ..colour import Colour
from ..fields import LIGHT, Opacity, length, meta
from ..length import Length
from ..paints import ColourPaint
from .base import WHOLE, WORKS_ON, Coat, OwnLampField, PaintField


class Shadow(Coat, frozen=True, cache_hash=True, kw_only=True, tag="shadow"):
    """The silhouette lifted off the ground under the lamp, or sunk into it."""

    paint: PaintField = ColourPaint(colour=Colour(8, 12, 22))
    opacity: Opacity = 0.7
    lift: Annotated[
        Length,
        length("Lift", "How far the letters float above the ground", (0, 300), low=0, group=LIGHT),
    ] = Length(0.08, "em")
    grow: Annotated[
        Length,
        length("Grow", "Makes the shadow fatter or thinner", (-120, 120), group=LIGHT),
    ] = Length(0.0, "em")
    falls: Annotated[
        Literal["behind", "inside"],
        meta("Shadow lies", "On the ground, or onto the face from its rim", group=LIGHT),
    ] = "behind"
    lamp: OwnLampField = None
    silhouette: Annotated[
        Literal["letters", "whole"], meta("Follows the edge of", WORKS_ON, group=LIGHT, words=WHOLE)
    ] = "whole"
