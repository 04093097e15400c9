"""Thickness: solid letters with lit side walls."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Struct

from ..colour import Colour
from ..fields import length, meta, share
from ..length import Length
from ..paints import ColourPaint, Paint
from .base import WHOLE, Coat, OwnLampField, PaintField

WAY, WALLS = "Which way", "The walls"
TOWARD, THROW, POSED = {"way": ("toward",)}, {"way": ("throw",)}, {"way": ("pose",)}


class WallRim(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A line of its own where the walls meet the face."""

    width: Annotated[Length, length("Width", "Along the depth", (0.5, 20), low=0)] = Length(
        0.012, "em"
    )
    paint: Annotated[Paint, meta("Paint", "What the rim is painted with")] = ColourPaint(
        colour=Colour(255, 255, 255)
    )


class Thickness(Coat, frozen=True, cache_hash=True, kw_only=True, tag="thickness"):
    """Walls from the face's edge to a back that lies aside, or toward a vanishing point."""

    way: Annotated[
        Literal["throw", "toward", "pose"],
        meta(
            "Walls run",
            "All the same way, toward a point, or straight back from letters in a pose",
            group=WAY,
            words={
                "throw": "all the same way",
                "toward": "toward a point",
                "pose": "straight back, as posed",
            },
        ),
    ] = "throw"
    throw_x: Annotated[
        Length,
        length("Across", "Where the back lies", (-300, 300), group=WAY, when=THROW),
    ] = Length(0.06, "em")
    throw_y: Annotated[
        Length,
        length("Down", "Where the back lies", (-300, 300), group=WAY, when=THROW),
    ] = Length(0.12, "em")
    point_x: Annotated[
        float,
        share("Point across", "Of the board", -20, 20, soft=(-1, 2), group=WAY, when=TOWARD),
    ] = 0.5
    point_y: Annotated[
        float,
        share("Point down", "Of the board", -20, 20, soft=(-1, 2), group=WAY, when=TOWARD),
    ] = 1.1
    depth: Annotated[
        float, share("Depth", "Of the way to the point", 0, 0.95, group=WAY, when=TOWARD)
    ] = 0.3
    straight: Annotated[
        Length, length("Depth", "Straight back in space", (0, 1000), low=0, group=WAY, when=POSED)
    ] = Length(0.3, "em")
    silhouette: Annotated[
        Literal["letters", "whole"],
        meta(
            "Follows the edge of",
            "The letters alone, or with their strokes",
            group=WALLS,
            words=WHOLE,
        ),
    ] = "whole"
    paint: PaintField = ColourPaint(colour=Colour(150, 50, 60))
    wall_light: Annotated[
        float, share("Light on walls", "How much the lamp tells them apart", group=WALLS)
    ] = 0.6
    taper: Annotated[
        float, share("Taper", "How far the back shrinks toward the core", group=WALLS)
    ] = 0.0
    rim: Annotated[WallRim | None, meta("Rim", "Where walls meet the face", group=WALLS)] = None
    lamp: OwnLampField = None
