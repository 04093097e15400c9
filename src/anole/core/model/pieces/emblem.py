"""Emblem: vector artwork, which wears a style like words do."""

from __future__ import annotations

from typing import Annotated

from msgspec import Meta

from ..fields import HIDDEN, length, meta
from ..length import Length
from ..tones import Tones
from .base import Coated, Sourced


class Emblem(Coated, Sourced, frozen=True, cache_hash=True, kw_only=True, tag="emblem"):
    """An SVG file of the board; its silhouette is all that it paints."""

    asset: Annotated[str, Meta(max_length=64), HIDDEN] = ""
    height: Annotated[
        Length, length("Height", "Of the artwork", (16, 2000), low=1, high=32_000, no_em=True)
    ] = Length(300.0, "px")
    own: Annotated[
        bool, meta("Its own colours", "Off: one silhouette, painted by its coats alone")
    ] = True
    tone: Tones = ()
