"""Ground: what covers the board."""

from __future__ import annotations

from typing import Annotated

from ..colour import Colour
from ..fields import meta
from ..paints import ColourPaint, Paint
from .base import Piece


class Ground(Piece, frozen=True, cache_hash=True, kw_only=True, tag="ground"):
    """Covers the board."""

    paint: Annotated[Paint, meta("Paint", "What the ground is painted with")] = ColourPaint(
        colour=Colour(24, 42, 60)
    )
