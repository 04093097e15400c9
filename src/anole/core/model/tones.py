"""Tone operations: how painted colours are changed, one after the other."""

from __future__ import annotations

from typing import Annotated

from msgspec import Meta, Struct

from .colour import Colour
from .fields import meta, number
from .length import Length
from .stop import Stops


def _share(title: str, about: str, low: float = 0.0, high: float = 1.0, **extra: object) -> Meta:
    signed = low < 0
    return number(title, about, low, high, unit="%", factor=100, step=0.005, signed=signed, **extra)


class ToneBase(Struct, frozen=True, cache_hash=True, kw_only=True, tag_field="kind"):
    """What every operation has."""

    on: bool = True


class Levels(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="levels"):
    """Black and white points in and out, and the middle between them."""

    black: Annotated[float, _share("Black", "What becomes black")] = 0.0
    white: Annotated[float, _share("White", "What becomes white")] = 1.0
    gamma: Annotated[float, number("Middle", "Above 1 lightens the middle", 0.05, 20, soft=(0.2, 5), step=0.01)] = 1.0  # fmt: skip
    low: Annotated[float, _share("Lowest", "What black is written as")] = 0.0
    high: Annotated[float, _share("Highest", "What white is written as")] = 1.0


class Curves(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="curves"):
    """A smooth curve through five heights, at a quarter's distance each."""

    shadows: Annotated[float, _share("At 0", "Height of the curve at black")] = 0.0
    darks: Annotated[float, _share("At a quarter", "Height of the curve there")] = 0.25
    middles: Annotated[float, _share("At half", "Height of the curve there")] = 0.5
    lights: Annotated[float, _share("At three quarters", "Height of the curve there")] = 0.75
    tops: Annotated[float, _share("At 1", "Height of the curve at white")] = 1.0


class Cdl(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="cdl"):
    """ASC CDL: (colour * slope + offset) ^ power for each channel, then saturation."""

    slope: Annotated[tuple[float, float, float], meta("Slope", "Factors of red, green, blue")] = (1.0, 1.0, 1.0)  # fmt: skip
    offset: Annotated[tuple[float, float, float], meta("Offset", "Added to red, green, blue", step=0.005)] = (0.0, 0.0, 0.0)  # fmt: skip
    power: Annotated[tuple[float, float, float], meta("Power", "Exponents of red, green, blue")] = (1.0, 1.0, 1.0)  # fmt: skip
    saturation: Annotated[float, number("Saturation", "0 is grey, 1 as it is", 0, 10, soft=(0, 2), step=0.01)] = 1.0  # fmt: skip


class Exposure(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="exposure"):
    """Light in stops: one more doubles it."""

    stops: Annotated[float, number("Stops", "One more doubles the light", -20, 20, soft=(-4, 4), step=0.05, signed=True)] = 0.0  # fmt: skip


class Perceptual(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="perceptual"):
    """Hue, chroma and lightness moved in OKLCH."""

    hue: Annotated[float, number("Hue", "Turns every hue", -360, 360, soft=(-180, 180), unit="°", step=1, signed=True)] = 0.0  # fmt: skip
    chroma: Annotated[float, number("Chroma", "Factor of the colours' strength", 0, 10, soft=(0, 2), unit="%", factor=100, step=0.01)] = 1.0  # fmt: skip
    lightness: Annotated[float, _share("Lightness", "Added to the lightness", -1, 1)] = 0.0


class Tint(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="tint"):
    """Every colour on the way to one colour, at its own lightness."""

    colour: Annotated[Colour, meta("Colour", "Where the colours go")] = Colour(230, 160, 60)
    amount: Annotated[float, _share("Amount", "How far they go")] = 0.5


class Invert(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="invert"):
    """Light to dark and dark to light."""

    amount: Annotated[float, _share("Amount", "How far")] = 1.0


class Grey(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="grey"):
    """Colours to greys of their own luminance."""

    amount: Annotated[float, _share("Amount", "How far")] = 1.0


class InkRamp(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="ink-ramp"):
    """Luminance mapped to a gradient: darkest to the first colour, brightest to the last."""

    stops: Annotated[Stops, meta("Ramp", "From the darkest to the brightest")]
    amount: Annotated[float, _share("Amount", "How far")] = 1.0


class Blur(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="blur"):
    """A Gaussian blur."""

    radius: Annotated[Length, meta("Radius", "Twice the deviation", soft=(0, 60), low=0, high=4000)] = Length(0.02, "em")  # fmt: skip


class Bloom(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="bloom"):
    """What is bright shines over its neighbours."""

    radius: Annotated[Length, meta("Radius", "How far it shines", soft=(0, 120), low=0, high=4000)] = Length(0.06, "em")  # fmt: skip
    strength: Annotated[float, _share("Strength", "Of the light added", 0, 4)] = 0.6
    threshold: Annotated[float, _share("From", "What is bright enough to shine")] = 0.6


class Flats(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="flats"):
    """A few flat steps of each channel."""

    steps: Annotated[float, number("Steps", "Flat steps of each channel", 2, 64, soft=(2, 12), step=1)] = 5  # fmt: skip


class Speckle(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="grain"):
    """Seeded noise, the same at every render scale."""

    amount: Annotated[float, _share("Amount", "How strong")] = 0.15
    size: Annotated[Length, meta("Size", "Of a grain", soft=(0.5, 12), low=0.01, high=1000)] = Length(0.008, "em")  # fmt: skip
    coloured: Annotated[bool, meta("Coloured", "Each channel by itself")] = False
    seed: Annotated[float, number("Seed", "Another number, another chance", 0, 9999, step=1)] = 1


Tone = (
    Levels | Curves | Cdl | Exposure | Perceptual | Tint | Invert | Grey | InkRamp | Blur | Bloom
    | Flats | Speckle
)  # fmt: skip
Tones = Annotated[
    tuple[Tone, ...], Meta(max_length=32), meta("Tone", "Changes to the colours, in their order")
]
