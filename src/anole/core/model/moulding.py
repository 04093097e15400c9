"""Mouldings: cross-sections, height over the way across a span, both 0..1."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta, Struct

from .fields import HIDDEN, Name, meta, number

Profile = Literal[
    "chamfer",
    "hollow",
    "round-over",
    "ogee",
    "scoop",
    "bead",
    "step",
    "reeds",
    "flutes",
    "louvres",
    "drawn",
]
Place = Annotated[float, Meta(ge=0, le=1)]
COUNTED = ("reeds", "flutes", "louvres")


class Moulding(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A joiner's profile, or one that was drawn: points from left to right."""

    profile: Annotated[
        Profile, meta("Profile", "The cross-section from the span's outer end to its inner end")
    ] = "chamfer"
    count: Annotated[
        float,
        number(
            "How many",
            "Reeds, flutes or louvres side by side",
            1,
            32,
            soft=(1, 8),
            step=1,
            when={"profile": COUNTED},
        ),
    ] = 3
    turned: Annotated[bool, meta("Flipped", "High outside and low inside")] = False
    points: Annotated[
        tuple[tuple[Place, Place], ...], Meta(min_length=2, max_length=64), HIDDEN
    ] = (
        (0.0, 0.0),
        (0.35, 0.2),
        (0.65, 0.8),
        (1.0, 1.0),
    )


class NamedMoulding(Struct, frozen=True, cache_hash=True):
    """A moulding with a name."""

    name: Name
    moulding: Moulding
