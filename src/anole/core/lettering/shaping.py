"""HarfBuzz: a line of text to glyphs with positions."""

from __future__ import annotations

import functools
import unicodedata
from typing import NamedTuple

import uharfbuzz as hb

from .fonts import FontFile, load


class Placed(NamedTuple):
    """A glyph on its line: font index, pen position in em (y down), the letter it came from."""

    glyph: int
    x: float
    y: float
    letter: int


class Line(NamedTuple):
    """A shaped line; `width` in em, without the tracking after its last letter."""

    glyphs: tuple[Placed, ...]
    width: float


def drawable(text: str) -> str:
    """The text with what no font can draw taken out: lone surrogates, control characters."""
    kept = []
    for char in text:
        category = unicodedata.category(char)
        if category == "Cs":
            kept.append("�")
        elif category == "Cc" and char not in "\n\t":
            continue
        else:
            kept.append(" " if char == "\t" else char)
    return "".join(kept)


@functools.lru_cache(512)
def shape_line(file: FontFile, text: str, tracking: float) -> Line:
    """Shape one line; `tracking` in em is added between clusters."""
    if not text:
        return Line((), 0.0)
    face = load(file)
    buffer = hb.Buffer()
    buffer.add_str(text)
    buffer.guess_segment_properties()
    hb.shape(face.hb_font, buffer)
    glyphs: list[Placed] = []
    pen, cluster = 0.0, None
    for info, at in zip(buffer.glyph_infos, buffer.glyph_positions, strict=True):
        if cluster is not None and info.cluster != cluster:
            pen += tracking
        cluster = info.cluster
        x, y = pen + at.x_offset / face.upem, -at.y_offset / face.upem
        glyphs.append(Placed(info.codepoint, x, y, info.cluster))
        pen += at.x_advance / face.upem
    return Line(tuple(glyphs), pen)
