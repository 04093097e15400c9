"""Picture: a raster image in a frame, which wears a style like words do."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta

from ..fields import HIDDEN, length, meta, number, share
from ..length import Length
from ..tones import Tones
from .base import Coated, Sourced


class Picture(Coated, Sourced, frozen=True, cache_hash=True, kw_only=True, tag="picture"):
    """A picture file of the board, cut by its frame; its silhouette is what is not clear of it."""

    asset: Annotated[str, Meta(max_length=64), HIDDEN] = ""
    width: Annotated[
        Length, length("Width", "Of the frame", (16, 2000), low=1, high=32_000, no_em=True)
    ] = Length(400.0, "px")
    height: Annotated[
        Length, length("Height", "Of the frame", (16, 2000), low=1, high=32_000, no_em=True)
    ] = Length(300.0, "px")
    fit: Annotated[
        Literal["cover", "contain", "stretch"], meta("Fit", "How the picture meets its frame")
    ] = "cover"
    zoom: Annotated[
        float, number("Zoom", "Larger within the frame", 0.01, 100, soft=(0.5, 4), step=0.01)
    ] = 1.0
    shift_x: Annotated[
        float, share("Shift across", "Within the frame, of its width", -10, 10, soft=(-0.5, 0.5))
    ] = 0.0
    shift_y: Annotated[
        float, share("Shift down", "Within the frame, of its height", -10, 10, soft=(-0.5, 0.5))
    ] = 0.0
    tone: Tones = ()
