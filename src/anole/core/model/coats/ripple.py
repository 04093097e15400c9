"""Ripple: the piece displaced by waves, turbulence, a picture or what lies beneath."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta

from ..fields import Seed, angle, length, meta, number, share
from ..length import Length
from .base import ShapingCoat

ACROSS, DOWN, BY = "To the sides", "Up and down", "How far"
WAVES, TURBULENCE = {"by": ("waves",)}, {"by": ("turbulence",)}
LIGHT, IMAGE = {"by": ("image", "ground")}, {"by": ("image",)}


def _height(group: str) -> Meta:
    return length("Height", "Of the waves", (-60, 60), group=group, when=WAVES)


def _long(group: str) -> Meta:
    return length("Wave length", "From crest to crest", (8, 600), low=2, group=group, when=WAVES)


def _phase(group: str) -> Meta:
    return share("Phase", "Of a wave", -100, 100, soft=(0, 1), group=group, when=WAVES)


class Ripple(ShapingCoat, frozen=True, cache_hash=True, kw_only=True, tag="ripple"):
    """Moves the outlines before any coat sees them, or what the coats beneath have painted."""

    drives: Annotated[
        Literal["outline", "picture"],
        meta(
            "Moves",
            "The letters themselves, or what the coats beneath have painted",
            words={"outline": "the letters", "picture": "what is painted beneath"},
        ),
    ] = "outline"
    by: Annotated[
        Literal["waves", "turbulence", "image", "ground"],
        meta(
            "By",
            "What moves it",
            words={"image": "a picture's light", "ground": "the light of the background"},
        ),
    ] = "waves"
    height_x: Annotated[Length, _height(ACROSS)] = Length(0.04, "em")
    length_x: Annotated[Length, _long(ACROSS)] = Length(0.5, "em")
    phase_x: Annotated[float, _phase(ACROSS)] = 0.0
    height_y: Annotated[Length, _height(DOWN)] = Length(0.0, "em")
    length_y: Annotated[Length, _long(DOWN)] = Length(0.5, "em")
    phase_y: Annotated[float, _phase(DOWN)] = 0.0
    amount: Annotated[
        Length,
        length(
            "Amount",
            "How far it moves at most",
            (-80, 80),
            group=BY,
            when={"by": ("turbulence", "image", "ground")},
        ),
    ] = Length(0.06, "em")
    scale: Annotated[
        Length,
        length("Size", "Of the largest whirls", (8, 600), low=2, group=BY, when=TURBULENCE),
    ] = Length(0.4, "em")
    octaves: Annotated[
        float, number("Detail", "Octaves", 1, 8, step=1, group=BY, when=TURBULENCE)
    ] = 3.0
    seed: Annotated[
        Seed, meta("Seed", "Another number, other whirls", group=BY, when=TURBULENCE)
    ] = 1
    asset: Annotated[
        str,
        Meta(
            max_length=64,
            title="Picture",
            description="Its light moves the piece",
            extra={"control": "stamp", "group": BY, "when": IMAGE},
        ),
    ] = ""
    bearing: Annotated[
        float,
        angle(
            "Bearing",
            "Where what is light moves: 0 is the top",
            soft=(0, 360),
            group=BY,
            when=LIGHT,
        ),
    ] = 0.0
    smooth: Annotated[
        Length, length("Smooth", "Of the light and dark", (0, 60), low=0, group=BY, when=LIGHT)
    ] = Length(0.02, "em")
