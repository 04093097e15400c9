"""Fill: the paint of the face."""

from __future__ import annotations

from typing import Annotated

from msgspec import Struct

from ..colour import Colour
from ..fields import PAINT, Seed, angle, meta, number, share
from ..paints import ColourPaint
from .base import Coat, PaintField


class Repeat(Struct, frozen=True, cache_hash=True, kw_only=True):
    """The same paint laid several times, moved by chance, each blended on the last."""

    count: Annotated[
        float, number("Times", "How often it is laid", 1, 64, soft=(1, 16), step=1)
    ] = 4
    shift: Annotated[
        float, share("Shift", "Up to how far it moves, of the frame", 0, 10, soft=(0, 1))
    ] = 0.3
    turn: Annotated[float, angle("Turn", "Up to how far it turns", 0, 360, soft=(0, 180))] = 0.0
    seed: Seed = 1


class Fill(Coat, frozen=True, cache_hash=True, kw_only=True, tag="fill"):
    """Paints the face."""

    paint: PaintField = ColourPaint(colour=Colour(255, 236, 200))
    repeat: Annotated[
        Repeat | None,
        meta("Repeat", "The same paint several times, moved by chance", group=PAINT),
    ] = None
