"""The last good outlines of words, so that they can be drawn where their font is missing."""

from __future__ import annotations

from typing import Annotated

from msgspec import Meta, Struct


class StoredLine(Struct, frozen=True, cache_hash=True):
    """One shaped line in em: for each glyph its number, x, y and the letter it came from."""

    glyphs: tuple[tuple[int, float, float, int], ...]
    width: float
    rightward: bool = True


class Outlines(Struct, frozen=True, cache_hash=True, kw_only=True):
    """Glyphs as cubics in 1/10000 em (eight whole numbers each), and the lines they stand in.

    `of` is the digest of the words and the font they were shaped with.
    """

    of: str
    glyphs: Annotated[tuple[str, ...], Meta(max_length=20_000)]
    lines: Annotated[tuple[StoredLine, ...], Meta(max_length=20_000)]
    cap_height: Annotated[float, Meta(gt=0, le=10)] = 0.7
    ascent: Annotated[float, Meta(ge=-10, le=10)] = 0.9
    descent: Annotated[float, Meta(ge=-10, le=10)] = 0.25
