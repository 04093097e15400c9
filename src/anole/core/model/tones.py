"""Tone operations: how painted colours are changed, one after the other."""

from __future__ import annotations

import functools
from typing import TYPE_CHECKING, Annotated

from msgspec import Meta, Struct

from .colour import Colour
from .fields import Seed, Switched, angle, length, meta, number, share
from .length import Length
from .open_union import OpenUnion
from .stop import Stops

_fine = functools.partial(share, step=0.005)


class ToneBase(Struct, frozen=True, cache_hash=True, kw_only=True, tag_field="kind"):
    """What every operation has."""

    on: Switched = True


class Levels(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="levels"):
    """Black and white points in and out, and the middle between them."""

    black: Annotated[float, _fine("Black", "What becomes black")] = 0.0
    white: Annotated[float, _fine("White", "What becomes white")] = 1.0
    gamma: Annotated[
        float, number("Middle", "Above 1 lightens the middle", 0.05, 20, soft=(0.2, 5), step=0.01)
    ] = 1.0
    low: Annotated[float, _fine("Lowest", "What black is written as")] = 0.0
    high: Annotated[float, _fine("Highest", "What white is written as")] = 1.0


class Curves(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="curves"):
    """A smooth curve through five heights, at a quarter's distance each."""

    at_0: Annotated[float, _fine("At 0", "Height of the curve at black")] = 0.0
    at_25: Annotated[float, _fine("At a quarter", "Height of the curve there")] = 0.25
    at_50: Annotated[float, _fine("At half", "Height of the curve there")] = 0.5
    at_75: Annotated[float, _fine("At three quarters", "Height of the curve there")] = 0.75
    at_100: Annotated[float, _fine("At 1", "Height of the curve at white")] = 1.0


Factor = Annotated[float, Meta(ge=0, le=100)]
Shift = Annotated[float, Meta(ge=-100, le=100)]


class Cdl(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="cdl"):
    """ASC CDL: (colour * slope + offset) ^ power for each channel, then saturation."""

    slope: Annotated[
        tuple[Factor, Factor, Factor], meta("Slope", "Factors of red, green, blue")
    ] = (
        1.0,
        1.0,
        1.0,
    )
    offset: Annotated[
        tuple[Shift, Shift, Shift], meta("Offset", "Added to red, green, blue", step=0.005)
    ] = (0.0, 0.0, 0.0)
    power: Annotated[
        tuple[Factor, Factor, Factor], meta("Power", "Exponents of red, green, blue")
    ] = (
        1.0,
        1.0,
        1.0,
    )
    saturation: Annotated[
        float, number("Saturation", "0 is grey, 1 as it is", 0, 10, soft=(0, 2), step=0.01)
    ] = 1.0


class Exposure(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="exposure"):
    """Light in stops: one more doubles it."""

    stops: Annotated[
        float,
        number("Stops", "One more doubles the light", -20, 20, soft=(-4, 4), step=0.05),
    ] = 0.0


class Perceptual(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="perceptual"):
    """Hue, chroma and lightness moved in OKLCH."""

    hue: Annotated[float, angle("Hue", "Turns every hue", -360, 360, soft=(-180, 180))] = 0.0
    chroma: Annotated[
        float, share("Chroma", "Factor of the colours' strength", 0, 10, soft=(0, 2))
    ] = 1.0
    lightness: Annotated[float, _fine("Lightness", "Added to the lightness", -1, 1)] = 0.0


class Tint(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="tint"):
    """Every colour on the way to one colour, at its own lightness."""

    colour: Annotated[Colour, meta("Colour", "Where the colours go")] = Colour(230, 160, 60)
    amount: Annotated[float, _fine("Amount", "How far they go")] = 0.5


class Invert(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="invert"):
    """Light to dark and dark to light."""

    amount: Annotated[float, _fine("Amount", "How far")] = 1.0


class Grey(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="grey"):
    """Colours to greys of their own luminance."""

    amount: Annotated[float, _fine("Amount", "How far")] = 1.0


class GradientMap(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="ink-ramp"):
    """Luminance mapped to a gradient: darkest to the first colour, brightest to the last."""

    stops: Annotated[Stops, meta("Ramp", "From the darkest to the brightest")]
    amount: Annotated[float, _fine("Amount", "How far")] = 1.0


class Blur(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="blur"):
    """A Gaussian blur."""

    radius: Annotated[
        Length, length("Radius", "Twice the deviation", (0, 60), low=0, high=4000)
    ] = Length(0.02, "em")


class Bloom(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="bloom"):
    """What is bright shines over its neighbours."""

    radius: Annotated[Length, length("Radius", "How far it shines", (0, 120), low=0, high=4000)] = (
        Length(0.06, "em")
    )
    strength: Annotated[float, _fine("Strength", "Of the light added", 0, 4)] = 0.6
    threshold: Annotated[float, _fine("From", "What is bright enough to shine")] = 0.6


class Posterise(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="flats"):
    """A few flat steps of each channel."""

    steps: Annotated[
        float, number("Tones", "Flat tones of each channel", 2, 64, soft=(2, 12), step=1)
    ] = 5


class Speckle(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="speckle"):
    """Seeded noise, the same at every render scale."""

    amount: Annotated[float, _fine("Amount", "How strong")] = 0.15
    size: Annotated[Length, length("Size", "Of a speck", (0.5, 12), low=0.01, high=1000)] = Length(
        0.008, "em"
    )
    coloured: Annotated[bool, meta("Coloured", "Each channel by itself")] = False
    seed: Seed = 1


TONES = OpenUnion(
    "tone operation",
    Levels,
    Curves,
    Cdl,
    Exposure,
    Perceptual,
    Tint,
    Invert,
    Grey,
    GradientMap,
    Blur,
    Bloom,
    Posterise,
    Speckle,
)
"""Every kind of operation that a list of tones may hold."""
if TYPE_CHECKING:
    Tone = ToneBase
    Tones = tuple[ToneBase, ...]
else:
    Tone = TONES
    Tones = Annotated[
        tuple[TONES, ...],
        Meta(max_length=32),
        meta("Tone", "Changes to the colours, in their order"),
    ]
