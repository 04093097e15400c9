"""HarfBuzz: a line of text to glyphs with positions."""

from __future__ import annotations

import functools
import unicodedata
from typing import NamedTuple

import uharfbuzz as hb

from .fonts import FontFile, load, when_changed
from .itemise import Run, runs

Features = tuple[tuple[str, int], ...]
Axes = tuple[tuple[str, float], ...]


class ShapedGlyph(NamedTuple):
    """A glyph on its line: its font, pen position in em (y down), the letter it came from."""

    file: FontFile
    glyph: int
    x: float
    y: float
    letter: int


class Line(NamedTuple):
    """A shaped line; `width` in em, without the tracking after its last letter."""

    glyphs: tuple[ShapedGlyph, ...]
    width: float
    rightward: bool = True


EMPTY = Line((), 0.0)


_PLAIN = {n: None for n in range(32) if chr(n) not in "\n\t"} | {9: " ", 127: None}
"""What ASCII loses."""


def drawable(text: str) -> str:
    """The text with what no font can draw taken out: lone surrogates, control characters."""
    if text.isascii():
        return text.translate(_PLAIN)
    kept = []
    for char in text:
        category = unicodedata.category(char)
        if category == "Cs":
            kept.append("\ufffd")
        elif category == "Cc" and char not in "\n\t":
            continue
        else:
            kept.append(" " if char == "\t" else char)
    return "".join(kept)


def _shaped(text: str, run: Run, features: Features, axes: Axes) -> hb.Buffer:
    face = load(run.file, axes)
    buffer = hb.Buffer()
    # HarfBuzz sees the whole line, so that letters join over the borders of a run
    buffer.add_codepoints([ord(c) for c in text], run.start, run.end - run.start)
    buffer.direction = "rtl" if run.level % 2 else "ltr"
    buffer.script = run.script
    buffer.guess_segment_properties()
    hb.shape(face.hb_font, buffer, dict(features))
    return buffer


def shape_line(
    file: FontFile, text: str, tracking: float, features: Features = (), axes: Axes = ()
) -> Line:
    """Shape one line; `tracking` in em is added between clusters.

    features, axes : pairs of OpenType tag and value; axes only move the font asked for
    """
    return tracked(_plain_line(file, text, features, axes), tracking)


def tracked(line: Line, tracking: float) -> Line:
    """Open a line by `tracking` em between its clusters."""
    if not tracking or not line.glyphs:
        return line
    glyphs, gaps, before = [], -1, None
    for glyph in line.glyphs:
        gaps += glyph.letter != before
        before = glyph.letter
        glyphs.append(glyph._replace(x=glyph.x + gaps * tracking))
    return line._replace(glyphs=tuple(glyphs), width=line.width + gaps * tracking)


@functools.lru_cache(1024)
def _plain_line(file: FontFile, text: str, features: Features, axes: Axes) -> Line:
    if not text:
        return EMPTY
    base, parts = runs(text, file)
    glyphs: list[ShapedGlyph] = []
    pen = 0.0
    for run in parts:
        upem = load(run.file).upem
        buffer = _shaped(text, run, features, axes if run.file == file else ())
        for info, at in zip(buffer.glyph_infos, buffer.glyph_positions or (), strict=True):
            x, y = pen + at.x_offset / upem, -at.y_offset / upem
            glyphs.append(ShapedGlyph(run.file, info.codepoint, x, y, info.cluster))
            pen += at.x_advance / upem
    return Line(tuple(glyphs), pen, base % 2 == 0)


when_changed(_plain_line.cache_clear)
