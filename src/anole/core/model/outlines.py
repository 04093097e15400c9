"""The last good outlines of words, so that they can be drawn where their font is missing."""

from __future__ import annotations

from typing import Annotated

from msgspec import Meta, Struct

MOST = 20_000
"""Letters of one piece."""
Index = Annotated[int, Meta(ge=0, lt=MOST)]
Coordinate = Annotated[float, Meta(ge=-1e6, le=1e6)]
Glyph = Annotated[str, Meta(max_length=1_000_000, pattern=r"^(?:-?\d{1,8}(?: |$))*$")]


class StoredLine(Struct, frozen=True, cache_hash=True):
    """One shaped line in em: for each glyph its number, x, y and the letter it came from."""

    glyphs: Annotated[
        tuple[tuple[Index, Coordinate, Coordinate, Index], ...], Meta(max_length=MOST)
    ]
    width: Coordinate
    rightward: bool = True


class Outlines(Struct, frozen=True, cache_hash=True, kw_only=True):
    """Glyphs as cubics in 1/10000 em (eight whole numbers each), and the lines they stand in.

    `of` is the digest of the words and the font they were shaped with.
    """

    of: Annotated[str, Meta(max_length=128)]
    glyphs: Annotated[tuple[Glyph, ...], Meta(max_length=MOST)]
    lines: Annotated[tuple[StoredLine, ...], Meta(max_length=MOST)]
    cap_height: Annotated[float, Meta(gt=0, le=10)] = 0.7
    ascent: Annotated[float, Meta(ge=-10, le=10)] = 0.9
    descent: Annotated[float, Meta(ge=-10, le=10)] = 0.25
