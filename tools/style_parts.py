"""Short words for the numbers and colours of the built-in styles."""

from __future__ import annotations

from typing import Any, cast

import msgspec

from anole.core.model import (
    Coat,
    Colour,
    ColourPaint,
    Fill,
    Glow,
    Gradient,
    Ink,
    Lamp,
    Length,
    Moulding,
    Paint,
    Pattern,
    Position,
    Relief,
    Shadow,
    Span,
    Stop,
    Stroke,
)


def span(start: str, end: str) -> Span:
    return Span(Position.parse(start), Position.parse(end))


def colour(text: str, speckle: float = 0.0, seed: int = 1) -> ColourPaint:
    return ColourPaint(colour=Colour.parse(text), speckle=speckle, speckle_seed=seed)


def stops(*parts: tuple[float, str]) -> tuple[Stop, ...]:
    return tuple(Stop(at, Colour.parse(text)) for at, text in parts)


def em(value: float) -> Length:
    return Length(value, "em")


def inks(*texts: str) -> tuple[Ink, ...]:
    return tuple(Ink.parse(text) for text in texts)


DOWN = Lamp(bearing=0, elevation=45, size=0)
HIGH = Lamp(bearing=335, elevation=50, size=1.4)


NO_ID = "-"


def stack(*coats: Coat) -> tuple[Coat, ...]:
    """Coats from the lowest to the topmost, numbered."""
    return tuple(msgspec.structs.replace(coat, id=str(n)) for n, coat in enumerate(coats, 1))


def fill(name: str, paint: Paint | str, **fields: Any) -> Fill:
    return Fill(id=NO_ID, name=name, paint=_paint(paint), **fields)


def stroke(name: str, start: str, end: str, paint: Paint | str, **fields: Any) -> Stroke:
    return Stroke(id=NO_ID, name=name, span=span(start, end), paint=_paint(paint), **fields)


def glow(name: str, start: str, end: str, paint: Paint | str, **fields: Any) -> Glow:
    return Glow(id=NO_ID, name=name, span=span(start, end), paint=_paint(paint), **fields)


def shadow(name: str, lift: float, paint: Paint | str, **fields: Any) -> Shadow:
    return Shadow(id=NO_ID, name=name, lift=em(lift), paint=_paint(paint), **fields)


def relief(name: str, start: str, end: str, profile: str, height: float, **fields: Any) -> Relief:
    moulding = Moulding(profile=cast("Any", profile))
    return Relief(
        id=NO_ID, name=name, span=span(start, end), moulding=moulding, height=em(height), **fields
    )


def pattern(generator: str, size: float, *colours: str, **fields: Any) -> Pattern:
    return Pattern(generator=cast("Any", generator), size=em(size), inks=inks(*colours), **fields)


def run(*parts: tuple[float, str], **fields: Any) -> Gradient:
    """A gradient from the head down, or however its fields say."""
    return Gradient(stops=stops(*parts), **fields)


def lamp(bearing: float, elevation: float, size: float = 0.6, **fields: Any) -> Lamp:
    return Lamp(bearing=bearing, elevation=elevation, size=size, **fields)


def _paint(paint: Paint | str) -> Paint:
    return colour(paint) if isinstance(paint, str) else paint
