"""Short words for the numbers and colours of the built-in styles."""

from __future__ import annotations

from anole.core.model import Colour, ColourPaint, Ink, Lamp, Length, Position, Span, Stop


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
