"""Pool: soft spots of light or dark over the board, and its dark corners."""

from __future__ import annotations

from typing import Annotated

from msgspec import Meta, Struct

from ..colour import Colour
from ..fields import meta, number, share
from ..paints import ColourPaint, Paint
from .base import Across, Down, Piece

MOST_SPOTS = 200


class Spot(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A soft disc: full as far as `hardness` of its radius, gone at the radius."""

    x: Across = 0.0
    y: Down = 0.0
    radius: Annotated[
        float, number("Radius", "Board px", 0.5, 64_000, soft=(10, 1500), unit="px", step=1)
    ] = 200.0
    hardness: Annotated[float, share("Hardness", "How much of it is full", 0, 0.98)] = 0.0
    strength: Annotated[float, share("Strength", "How much of the paint it shows")] = 0.6


class Rim(Struct, frozen=True, cache_hash=True, kw_only=True):
    """Along the board's border, darkest in the corners."""

    reach: Annotated[
        float, share("Reach", "How far it comes in, of the way to the middle", 0.01, 1)
    ] = 0.45
    roundness: Annotated[float, share("Roundness", "From the board's own form to an oval")] = 0.7
    strength: Annotated[float, share("Strength", "How much of the paint it shows")] = 0.5


class Pool(Piece, frozen=True, cache_hash=True, kw_only=True, tag="pool"):
    """Soft spots of one paint, and a rim of it."""

    paint: Annotated[Paint, meta("Paint", "What the pool is painted with")] = ColourPaint(
        colour=Colour(255, 236, 196)
    )
    spots: Annotated[
        tuple[Spot, ...],
        Meta(max_length=MOST_SPOTS),
        meta("Spots", "Each is placed, sized and hardened on the board"),
    ] = ()
    rim: Annotated[Rim | None, meta("Rim", "Along the board's border")] = None
