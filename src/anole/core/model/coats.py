"""The coats: one frozen struct each. Field order is the order of the panel."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Struct

from .colour import Colour
from .fields import Arithmetic, BlendField, Id, Lift, Name, Opacity, meta, number
from .lamp import Lamp
from .length import Length, Position
from .paints import ColourPaint, Paint
from .span import Span

PaintField = Annotated[Paint, meta("Paint", "What the coat is coloured with")]
SpanField = Annotated[Span, meta("Span", "Where the coat lies across the edge", soft=(-120, 120))]
Silhouette = Annotated[
    Literal["letters", "whole"],
    meta("Works on", "The letters alone, or with the strokes that add to them"),
]
Join = Annotated[
    Literal["round", "mitre", "cut"], meta("Corners", "How the stroke turns outer corners")
]


def em_span(start: float, end: float) -> Span:
    return Span(Position(start, "em"), Position(end, "em"))


class CoatBase(Struct, frozen=True, kw_only=True, tag_field="kind"):
    """What every coat has."""

    id: Id
    name: Name = ""
    on: bool = True
    opacity: Opacity = 1.0
    blend: BlendField = "normal"
    arithmetic: Arithmetic = (0.0, 1.0, 1.0, -0.5)
    seen: Annotated[
        Literal["everywhere", "outside", "inside"], meta("Seen", "Which side of the edge shows it")
    ] = "everywhere"


class Repeat(Struct, frozen=True, kw_only=True):
    """The same paint laid several times, moved by chance, each blended on the last."""

    count: Annotated[
        float, number("Times", "How often it is laid", 1, 64, soft=(1, 16), step=1)
    ] = 4
    shift: Annotated[
        float, number("Shift", "Up to how far it moves, of the frame", 0, 10, soft=(0, 1), unit="%", factor=100, step=0.01)
    ] = 0.3  # fmt: skip
    turn: Annotated[
        float, number("Turn", "Up to how far it turns", 0, 360, soft=(0, 180), unit="°", step=1)
    ] = 0.0
    seed: Annotated[float, number("Seed", "Another number, another chance", 0, 9999, step=1)] = 1


class Fill(CoatBase, frozen=True, kw_only=True, tag="fill"):
    """Paints the face."""

    paint: PaintField = ColourPaint(colour=Colour(255, 236, 200))
    repeat: Annotated[
        Repeat | None, meta("Laid again", "The same paint several times, moved by chance")
    ] = None


class Stroke(CoatBase, frozen=True, kw_only=True, tag="stroke"):
    """Paints a span along the edge."""

    paint: PaintField = ColourPaint(colour=Colour(32, 18, 36))
    span: SpanField = em_span(-0.06, 0.0)
    silhouette: Silhouette = "letters"


class Glow(CoatBase, frozen=True, kw_only=True, tag="glow"):
    """Colour that fades along a span, outward or inward."""

    paint: PaintField = ColourPaint(colour=Colour(255, 196, 84))
    span: Annotated[
        Span, meta("Span", "From full strength to nothing", soft=(-300, 120), directed=True)
    ] = em_span(0.0, -0.25)
    hot: Annotated[
        float,
        number(
            "Full for",
            "Share of the span at full strength",
            0,
            0.98,
            unit="%",
            factor=100,
            step=0.01,
        ),
    ] = 0.0
    softness: Annotated[
        float, number("Softness", "Rounds the glow's form", 0, 1, unit="%", factor=100, step=0.01)
    ] = 0.5
    falloff: Annotated[
        Literal["linear", "ease-in", "ease-out", "ease-in-out"],
        meta("Fades", "How the strength falls along the span"),
    ] = "ease-in"
    silhouette: Silhouette = "letters"


class Shadow(CoatBase, frozen=True, kw_only=True, tag="shadow"):
    """The silhouette lifted off the ground under the lamp, or sunk into it."""

    paint: PaintField = ColourPaint(colour=Colour(8, 12, 22))
    opacity: Opacity = 0.7
    lift: Lift = Length(0.08, "em")
    grow: Annotated[
        Length, meta("Grow", "Makes the shadow fatter or thinner", soft=(-120, 120), signed=True)
    ] = Length(0.0, "em")
    falls: Annotated[
        Literal["behind", "inside"], meta("Falls", "On the ground, or onto the face from its rim")
    ] = "behind"
    silhouette: Silhouette = "whole"
    lamp: Annotated[Lamp | None, meta("Lamp", "A lamp of its own, or the board's")] = None


Coat = Fill | Stroke | Glow | Shadow
