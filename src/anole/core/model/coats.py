"""The coats: one frozen struct each. Field order is the order of the panel."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Struct

from .colour import Colour
from .fields import Angle, Arithmetic, BlendField, Id, Lift, Name, Opacity, meta, number
from .lamp import Lamp
from .length import Length, Position
from .moulding import Moulding
from .paints import ColourPaint, Paint, Pattern
from .span import Span
from .stop import Stop, Stops

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


class CoatBase(Struct, frozen=True, cache_hash=True, kw_only=True, tag_field="kind"):
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
    plane: Annotated[
        Literal["board", "face"],
        meta("Lies on", "With a pose: made on the letters as they are seen, or on their flat face and turned with it"),
    ] = "board"  # fmt: skip


class Repeat(Struct, frozen=True, cache_hash=True, kw_only=True):
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


class Fill(CoatBase, frozen=True, cache_hash=True, kw_only=True, tag="fill"):
    """Paints the face."""

    paint: PaintField = ColourPaint(colour=Colour(255, 236, 200))
    repeat: Annotated[
        Repeat | None, meta("Laid again", "The same paint several times, moved by chance")
    ] = None


class Stroke(CoatBase, frozen=True, cache_hash=True, kw_only=True, tag="stroke"):
    """Paints a span along the edge."""

    paint: PaintField = ColourPaint(colour=Colour(32, 18, 36))
    span: SpanField = em_span(-0.06, 0.0)
    join: Join = "round"
    limit: Annotated[
        float, number("Limit", "Longest mitre, in widths", 1, 100, soft=(1, 10), step=0.1, when={"join": ("mitre",)})
    ] = 4.0  # fmt: skip
    silhouette: Silhouette = "letters"


class Glow(CoatBase, frozen=True, cache_hash=True, kw_only=True, tag="glow"):
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


class Shadow(CoatBase, frozen=True, cache_hash=True, kw_only=True, tag="shadow"):
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


class Gleam(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A highlight where the surface mirrors the lamp to the eye."""

    strength: Annotated[float, number("Strength", "Of the highlight", 0, 4, soft=(0, 1.5), unit="%", factor=100, step=0.01)] = 0.6  # fmt: skip
    tightness: Annotated[float, number("Tightness", "Small and hard, or wide and soft", 1, 500, soft=(1, 120), step=1)] = 30  # fmt: skip
    paint: Annotated[Paint, meta("Paint", "What the highlight is coloured with")] = ColourPaint(
        colour=Colour(255, 250, 235)
    )


Ramp = Annotated[
    Stops, meta("Ramp", "From the darkest over flat, at the half, to the brightest", ramp=True)
]
SHADING = (
    Stop(0.0, Colour(0, 0, 0, 190)), Stop(0.5, Colour(0, 0, 0, 0)), Stop(0.5, Colour(255, 255, 255, 0)),
    Stop(1.0, Colour(255, 255, 255, 210)),
)  # fmt: skip


class Relief(CoatBase, frozen=True, cache_hash=True, kw_only=True, tag="relief"):
    """Gives a span a cross-section and lights it."""

    span: SpanField = em_span(0.0, 0.05)
    moulding: Annotated[Moulding, meta("Moulding", "The cross-section")] = Moulding()
    height: Annotated[
        Length, meta("Height", "Of the moulding's top; below zero it is sunk", soft=(-80, 80), signed=True)
    ] = Length(0.05, "em")  # fmt: skip
    rounding: Annotated[
        float, number("Rounding", "From a crisp ridge to a swollen form", 0, 1, unit="%", factor=100, step=0.01)
    ] = 0.0  # fmt: skip
    ramp: Ramp = SHADING
    gleam: Annotated[Gleam | None, meta("Gleam", "A highlight")] = None
    silhouette: Silhouette = "letters"
    lamp: Annotated[Lamp | None, meta("Lamp", "A lamp of its own, or the board's")] = None


class Grain(CoatBase, frozen=True, cache_hash=True, kw_only=True, tag="grain"):
    """The face roughened by a pattern and lit."""

    pattern: Annotated[Pattern, meta("Pattern", "Its light and dark are high and low")] = Pattern(generator="leather")  # fmt: skip
    amount: Annotated[
        Length, meta("Amount", "Height of the pattern's brightest", soft=(-20, 20), signed=True)
    ] = Length(0.015, "em")  # fmt: skip
    edge: Annotated[float, number("Edge", "How far it fades toward the rim", 0, 1, unit="%", factor=100, step=0.01)] = 0.2  # fmt: skip
    ramp: Ramp = SHADING
    lamp: Annotated[Lamp | None, meta("Lamp", "A lamp of its own, or the board's")] = None


class Sheen(CoatBase, frozen=True, cache_hash=True, kw_only=True, tag="sheen"):
    """Soft bands across the face."""

    paint: PaintField = ColourPaint(colour=Colour(255, 255, 255))
    opacity: Opacity = 0.5
    bearing: Annotated[Angle, meta("Bearing", "Which way the bands follow each other")] = 115.0
    pitch: Annotated[Length, meta("Pitch", "From one band to the next", soft=(4, 400), low=0.01)] = Length(0.5, "em")  # fmt: skip
    width: Annotated[float, number("Width", "Share of a band in the pitch", 0.01, 1, unit="%", factor=100, step=0.01)] = 0.5  # fmt: skip
    phase: Annotated[float, number("Phase", "Moves the bands along", -10, 10, soft=(0, 1), unit="%", factor=100, step=0.01)] = 0.0  # fmt: skip
    drift: Annotated[float, number("Drift", "Bends the bands with the letter's form", -10, 10, soft=(-1, 1), step=0.01, signed=True)] = 0.25  # fmt: skip
    bow: Annotated[float, number("Bow", "Bends the bands over the whole", -10, 10, soft=(-1, 1), step=0.01, signed=True)] = 0.0  # fmt: skip
    unevenness: Annotated[float, number("Unevenness", "Bands of different strength", 0, 1, unit="%", factor=100, step=0.01)] = 0.2  # fmt: skip
    seed: Annotated[float, number("Seed", "Another number, another chance", 0, 9999, step=1)] = 1


class Gloss(CoatBase, frozen=True, cache_hash=True, kw_only=True, tag="gloss"):
    """A shine cut off by a line or an oval."""

    paint: PaintField = ColourPaint(colour=Colour(255, 255, 255))
    opacity: Opacity = 0.6
    form: Annotated[Literal["line", "oval"], meta("Cut by", "A line, or an oval")] = "line"
    frame: Annotated[
        Literal["letter", "line", "piece"], meta("Laid over", "The box that is cut")
    ] = "piece"
    height: Annotated[float, number("At", "Height of the cut, from the top", -2, 3, soft=(0, 1), unit="%", factor=100, step=0.01)] = 0.5  # fmt: skip
    angle: Annotated[float, number("Angle", "Turns the cut clockwise", -180, 180, soft=(-45, 45), unit="°", step=0.5, signed=True)] = 0.0  # fmt: skip
    bend: Annotated[float, number("Bend", "Bows the cut; of an oval its width", -4, 4, soft=(-0.5, 0.5), step=0.01, signed=True)] = 0.12  # fmt: skip
    wave: Annotated[float, number("Wave", "Waves of the cut, of the height", 0, 2, soft=(0, 0.3), unit="%", factor=100, step=0.005)] = 0.0  # fmt: skip
    side: Annotated[Literal["above", "below"], meta("Side", "Of the cut that shines")] = "above"
    inset: Annotated[Length, meta("Inset", "From the letters' edge", soft=(0, 60), low=0)] = Length(
        0.015, "em"
    )
    soften: Annotated[Length, meta("Soften", "Of its borders", soft=(0, 40), low=0)] = Length(
        0.004, "em"
    )
    far: Annotated[float, number("Far end", "Strength away from the cut", 0, 1, unit="%", factor=100, step=0.01)] = 1.0  # fmt: skip
    at_cut: Annotated[float, number("At the cut", "Strength at the cut", 0, 1, unit="%", factor=100, step=0.01)] = 0.35  # fmt: skip


Coat = Fill | Stroke | Glow | Shadow | Relief | Grain | Sheen | Gloss
