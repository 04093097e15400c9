"""What every coat has, and fields that several share."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta, Struct

from ..colour import Colour
from ..fields import (
    BLENDING,
    EDGE,
    HIDDEN,
    LIGHT,
    PAINT,
    Arithmetic,
    BlendField,
    Id,
    Name,
    Opacity,
    Switched,
    meta,
)
from ..lamp import Lamp
from ..length import Position
from ..paints import Paint
from ..span import Span
from ..stop import Stop, Stops

PaintField = Annotated[Paint, meta("Paint", "What the coat is coloured with", group=PAINT)]
SpanField = Annotated[
    Span, meta("Span", "Where the coat lies across the edge", soft=(-120, 120), group=EDGE)
]
WORKS_ON = "The letters alone, or with the strokes, walls and copies that add to them"
WHOLE = {"whole": "letters and strokes"}
ShapeFields = Annotated[
    Literal["letters", "whole"], meta("Follows the edge of", WORKS_ON, group=EDGE, words=WHOLE)
]
Falloff = Literal["linear", "ease-in", "ease-out", "ease-in-out"]
"""CSS easing functions by name."""
OwnLampField = Annotated[
    Lamp | None, meta("Lamp", "A lamp of its own, or the board's", group=LIGHT)
]
Ramp = Annotated[
    Stops,
    meta(
        "Ramp",
        "From the darkest over flat, at the half, to the brightest",
        control="ramp",
        group=LIGHT,
    ),
]
MOST_NOTE = 300
SIDES = {"outside": "outside the letters", "inside": "inside them"}
SHADING = (
    Stop(0.0, Colour(0, 0, 0, 190)),
    Stop(0.5, Colour(0, 0, 0, 0)),
    Stop(0.5, Colour(255, 255, 255, 0)),
    Stop(1.0, Colour(255, 255, 255, 210)),
)


def em_span(start: float, end: float) -> Span:
    """A span whose ends are shares of an em."""
    return Span(Position(start, "em"), Position(end, "em"))


class Coat(Struct, frozen=True, cache_hash=True, kw_only=True, tag_field="kind"):
    """What every coat has."""

    id: Id
    name: Name = ""
    note: Annotated[str, Meta(max_length=MOST_NOTE), HIDDEN] = ""
    """One sentence: why it is there."""
    on: Switched = True
    opacity: Opacity = 1.0
    blend: BlendField = "normal"
    arithmetic: Arithmetic = (0.0, 1.0, 1.0, -0.5)
    clip_side: Annotated[
        Literal["everywhere", "outside", "inside"],
        meta("Show", "Which side of the edge shows it", group=BLENDING, words=SIDES),
    ] = "everywhere"
    plane: Annotated[
        Literal["board", "face"],
        meta(
            "In a pose",
            "With a pose: made on the letters as they are seen, or on their flat face and "
            "turned with it",
            group=BLENDING,
            posed=True,
            words={"board": "faces the viewer", "face": "turns with the letters"},
        ),
    ] = "board"


class ActingCoat(Coat, frozen=True, cache_hash=True, kw_only=True):
    """A coat that acts on what others paint: it is not blended with them."""

    blend: Annotated[BlendField, HIDDEN] = "normal"
    clip_side: Annotated[Literal["everywhere", "outside", "inside"], HIDDEN] = "everywhere"
    plane: Annotated[Literal["board", "face"], HIDDEN] = "board"


class ShapingCoat(ActingCoat, frozen=True, cache_hash=True, kw_only=True):
    """A coat that paints nothing, but moves what others paint."""

    opacity: Annotated[Opacity, HIDDEN] = 1.0
