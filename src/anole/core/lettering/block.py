"""A block of lettering: lines set one under the other, in em."""

from __future__ import annotations

import functools
import itertools
from typing import NamedTuple

from ..arrays import Curves
from ..model import Font, Lettering, Outlines
from . import stored_outlines
from .fonts import FontFile, find, when_changed
from .joining import PlacedGlyph, united
from .shaping import Line, drawable, shape_line, tracked


class TypeSetting(NamedTuple):
    """All that the layout of a block depends on; `text` is drawable, leading and tracking in em."""

    text: str
    font: Font
    tracking: float
    leading: float
    align: str
    underline: bool = False
    strike: bool = False


class Ruled(NamedTuple):
    """One line of a block: where it starts and ends, and its baseline, in em."""

    x0: float
    x1: float
    baseline: float


class Block(NamedTuple):
    """Glyphs at their places and the outline of them all, in em, y down, first baseline at 0.

    `box` runs from the first line's capitals to the last baseline, and is what a piece is
    placed by; `tall` from the first ascent to the last descent; `starts` has the place in the
    text where each line starts.
    """

    glyphs: tuple[PlacedGlyph, ...]
    lines: tuple[Ruled, ...]
    curves: Curves
    box: tuple[float, float, float, float]
    tall: tuple[float, float, float, float]
    file: FontFile
    found: bool
    starts: tuple[int, ...] = (0,)

    @property
    def fonts(self) -> frozenset[FontFile]:
        """Every font that draws a letter of it."""
        # by identity first: hashing a record for each letter costs more
        return frozenset({id(placed.file): placed.file for placed in self.glyphs}.values())


def setting_of(piece: Lettering, dpi: float) -> TypeSetting:
    """All of a piece that decides where its glyphs stand, in em of its size."""
    em = piece.size.px(1.0, dpi)
    return TypeSetting(
        drawable(piece.text),
        piece.font,
        piece.tracking / 1000,
        piece.leading.px(em, dpi) / em,
        piece.align,
        piece.underline,
        piece.strike,
    )


def _lines(setting: TypeSetting, file: FontFile, stored: Outlines | None) -> list[Line]:
    if stored is not None:
        return [tracked(line, setting.tracking) for line in stored_outlines.lines(stored)]
    features = tuple((tag, int(value)) for tag, value in setting.font.features.pairs)
    axes = setting.font.axes.pairs
    return [
        shape_line(file, text, setting.tracking, features, axes)
        for text in setting.text.split("\n")
    ]


def _justified(line: Line, text: str, width: float) -> Line:
    """Spread the words of a line over a width; a line of one word spreads its letters."""
    spare = width - line.width
    letters = sorted({g.letter for g in line.glyphs})
    gaps = [at for at in letters if at < len(text) and text[at].isspace()] or letters[:-1]
    if spare <= 1e-9 or not gaps:
        return line
    order = {letter: n for n, letter in enumerate(dict.fromkeys(g.letter for g in line.glyphs))}
    opened = {order[at] for at in gaps}
    step = spare / len(gaps)
    glyphs = tuple(
        g._replace(x=g.x + step * sum(n < order[g.letter] for n in opened)) for g in line.glyphs
    )
    return line._replace(glyphs=glyphs, width=width)


def _start(line: Line, width: float, align: str) -> float:
    """Where a line starts; start and end follow the direction of its writing."""
    spare = width - line.width
    if align == "centre":
        return spare / 2
    at_left = (align == "start") == line.rightward or align == "justify"
    return 0.0 if at_left else spare


@functools.lru_cache(128)
def block(setting: TypeSetting, stored: Outlines | None = None) -> Block:
    """Set the words and unite their outlines; `stored` ones stand in for a missing font."""
    file, found = (stored_outlines.file_of(stored), False) if stored else find(setting.font)
    texts = setting.text.split("\n")
    lines = _lines(setting, file, stored)
    width = max((line.width for line in lines), default=0.0)
    if setting.align == "justify":
        lines = [_justified(line, text, width) for line, text in zip(lines, texts, strict=True)]
    glyphs, ruled = [], []
    for row, line in enumerate(lines):
        x0, y0 = _start(line, width, setting.align), row * setting.leading
        ruled.append(Ruled(x0, x0 + line.width, y0))
        glyphs += [
            PlacedGlyph(g.file, g.glyph, x0 + g.x, y0 + g.y, row, (row, g.letter))
            for g in line.glyphs
        ]
    last = (len(lines) - 1) * setting.leading
    curves = united(tuple(glyphs), setting.font.axes.pairs, _rules(setting, file, ruled))
    starts = tuple(itertools.accumulate((len(text) + 1 for text in texts), initial=0))[:-1]
    return Block(
        tuple(glyphs),
        tuple(ruled),
        curves,
        (0.0, -file.cap_height, width, last),
        (0.0, -file.ascent, width, last + file.descent),
        file,
        found,
        starts,
    )


when_changed(block.cache_clear)


def _rules(
    setting: TypeSetting, file: FontFile, lines: list[Ruled]
) -> tuple[tuple[float, ...], ...]:
    """Rectangles x0, y0, x1, y1 of underlines and strikes."""
    rules = []
    for line in lines:
        for wanted, middle, thick in (
            (setting.underline, *file.underline),
            (setting.strike, *file.strikeout),
        ):
            if wanted and line.x1 > line.x0:
                y = line.baseline - middle
                rules.append((line.x0, y - thick / 2, line.x1, y + thick / 2))
    return tuple(rules)
