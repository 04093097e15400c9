"""Sparkle: small flares on the letters."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta, Struct

from ..colour import Colour
from ..fields import angle, length, meta, number, share
from ..length import Length
from ..paints import ColourPaint
from .base import Coat, OwnLampField, PaintField

FOUND, FORM = "Found on the letters", "Form of a flare"
MOST_FLARES, MOST_FOUND = 500, 500
Within = {"soft": (0, 1), "step": 0.01}


class Flare(Struct, frozen=True, cache_hash=True, kw_only=True):
    """One placed by hand, in the coordinates of a letter: every equal letter carries it.

    letter : as the text has it; "" for all of the piece
    """

    letter: Annotated[str, Meta(max_length=16), meta("Letter", "Every such letter carries it")] = ""
    x: Annotated[float, share("Across", "Of the letter's box", -4, 5, **Within)] = 0.5
    y: Annotated[float, share("Down", "Of the letter's box", -4, 5, **Within)] = 0.2
    grow: Annotated[
        float, number("Size", "Of this one, times the coat's", 0.05, 20, soft=(0.2, 3), step=0.05)
    ] = 1.0
    turn: Annotated[float, angle("Turn", "Clockwise", soft=(-90, 90))] = 0.0
    strength: Annotated[float, share("Strength", "How bright it is")] = 1.0


class Sparkle(Coat, frozen=True, cache_hash=True, kw_only=True, tag="sparkle"):
    """Flares placed by hand, and found on the letters."""

    paint: PaintField = ColourPaint(colour=Colour(255, 255, 255))
    size: Annotated[
        Length, length("Size", "Across a flare", (4, 400), low=0, soft_unit="px", group=FORM)
    ] = Length(0.5, "em")
    points: Annotated[float, number("Points", "Rays of a flare", 2, 16, step=1, group=FORM)] = 4.0
    slimness: Annotated[float, share("Slimness", "How thin its rays are", group=FORM)] = 0.75
    halo: Annotated[float, share("Halo", "The soft light round it", group=FORM)] = 0.45
    turn: Annotated[float, angle("Turn", "Of all flares", soft=(-90, 90), group=FORM)] = 0.0
    flares: Annotated[
        tuple[Flare, ...],
        Meta(max_length=MOST_FLARES),
        meta("Placed by hand", "Click a letter on the board"),
    ] = ()
    find: Annotated[
        Literal["nothing", "corners", "light", "both"],
        meta(
            "Found on",
            "Corners, or rims that face the lamp",
            group=FOUND,
            words={"light": "rims in the light", "both": "corners and rims"},
        ),
    ] = "both"
    count: Annotated[
        float,
        number("Count", "How many at most", 0, MOST_FOUND, soft=(0, 40), step=1, group=FOUND),
    ] = 5.0
    smallest: Annotated[
        float, share("Smallest", "Of the size, by chance", 0.02, 1, group=FOUND)
    ] = 0.4
    weakest: Annotated[float, share("Weakest", "Of the strength, by chance", group=FOUND)] = 0.6
    seed: Annotated[
        float, number("Seed", "Another number, another chance", 0, 9999, step=1, group=FOUND)
    ] = 0.0
    lamp: OwnLampField = None
