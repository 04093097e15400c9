"""A block of lettering: lines set one under the other, in em."""

from __future__ import annotations

import functools
import itertools
from typing import NamedTuple

from .. import isolation
from ..arrays import Curves
from ..model import Font, Lettering, Outlines
from . import stored_outlines
from .coloured.glyphs import has_pictures
from .fonts import FontFile, find, when_changed
from .glyphs import NO_GLYPH
from .ink_profile import NO_INK, STEP, InkProfile, joined, rectangle_profile
from .joining import PlacedGlyph, united
from .line_setting import SetLine, by_baselines, by_ink, set_lines
from .shaping import Line, drawable, shape_line, tracked

Box = tuple[float, float, float, float]


class TypeSetting(NamedTuple):
    """All that the layout of a block depends on; `text` is drawable; tracking, leading and gap in em.

    gap : between the ink of two lines; None where they stand by their baselines
    least : of the largest line's size, where all lines are as wide as the longest; None where not
    """

    text: str
    font: Font
    tracking: float
    leading: float
    align: str
    underline: bool = False
    strike: bool = False
    gap: float | None = None
    least: float | None = None


class Ruled(NamedTuple):
    """One line of a block: where it starts and ends, its baseline, and its own size, in em."""

    x0: float
    x1: float
    baseline: float
    size: float = 1.0


class Block(NamedTuple):
    """Glyphs at their places and the outline of them all, in em, y down, first baseline at 0.

    `box` is what a piece is placed by: from the first line's capitals to the last baseline, or round
    the ink where lines stand by that; `tall` from the first ascent to the last descent; `starts` has the place in the
    text where each line starts.
    """

    glyphs: tuple[PlacedGlyph, ...]
    lines: tuple[Ruled, ...]
    curves: Curves
    box: Box
    tall: Box
    file: FontFile
    found: bool
    starts: tuple[int, ...] = (0,)
    complete: bool = True

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
        piece.gap.px(em, dpi) / em if piece.lines == "ink" else None,
        piece.least if piece.widths == "longest" else None,
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


class _Incomplete(Exception):
    """A block that is not complete, so that nobody keeps it."""

    def __init__(self, made: Block) -> None:
        super().__init__()
        self.block = made


def block(setting: TypeSetting, stored: Outlines | None = None) -> Block:
    """Set the words and unite their outlines; `stored` ones stand in for a missing font."""
    try:
        return _kept(setting, stored)
    except _Incomplete as left:
        return left.block


@functools.lru_cache(128)
def _kept(setting: TypeSetting, stored: Outlines | None) -> Block:
    before = isolation.FETCHER.arrivals
    made = _block(setting, stored)
    # one that came meanwhile may have come too late
    if not any(map(has_pictures, made.fonts)) or (
        before == isolation.FETCHER.arrivals
        and not any(placed.shape is NO_GLYPH for placed in made.glyphs)
    ):
        return made
    raise _Incomplete(made._replace(complete=False))


def _block(setting: TypeSetting, stored: Outlines | None) -> Block:
    file, found = (stored_outlines.file_of(stored), False) if stored else find(setting.font)
    texts = setting.text.split("\n")
    lines = _lines(setting, file, stored)
    if setting.align == "justify" and setting.least is None:
        width = max((line.width for line in lines), default=0.0)
        lines = [_justified(line, text, width) for line, text in zip(lines, texts, strict=True)]
    axes = setting.font.axes.pairs
    rows, width = set_lines(lines, setting.align, setting.least, file, axes)
    ink = NO_INK
    if setting.gap is None:
        downs = by_baselines(rows, setting.leading)
    else:
        downs, ink = by_ink(
            rows, setting.gap, file.cap_height, lambda row: _ruled_ink(setting, file, row)
        )
    glyphs = tuple(
        g._replace(y=g.y + down) if down else g
        for row, down in zip(rows, downs, strict=True)
        for g in row.glyphs
    )
    ruled = tuple(
        Ruled(row.x0, row.x1, down, row.size) for row, down in zip(rows, downs, strict=True)
    )
    curves = united(glyphs, [rule for row in ruled for rule in _rules(setting, file, row)])
    box, tall = _boxes(ruled, width, file, ink)
    starts = tuple(itertools.accumulate((len(text) + 1 for text in texts), initial=0))[:-1]
    return Block(glyphs, ruled, curves, box, tall, file, found, starts)


when_changed(_kept.cache_clear)


def _boxes(
    lines: tuple[Ruled, ...], width: float, file: FontFile, ink: InkProfile
) -> tuple[Box, Box]:
    """The box that a block is placed by, and its tall one."""
    first, last = lines[0], lines[-1]
    caps = (0.0, -file.cap_height * first.size, width, last.baseline)
    tall = (0.0, -file.ascent * first.size, width, last.baseline + file.descent * last.size)
    if ink.empty:
        return caps, tall
    # a column may reach a little beyond what it holds
    x0 = min(0.0, ink.first * STEP) if ink.first < -1 else 0.0
    x1 = max(width, (ink.first + len(ink.top) - 1) * STEP)
    top, low = float(ink.top.min()), float(ink.low.max())
    return (x0, top, x1, low), (x0, min(tall[1], top), x1, max(tall[3], low))


def _rules(setting: TypeSetting, file: FontFile, line: Ruled | SetLine) -> list[Box]:
    """Rectangles x0, y0, x1, y1 of a line's underline and strike."""
    base = line.baseline if isinstance(line, Ruled) else 0.0
    return [
        (line.x0, base - (middle + thick / 2) * line.size, line.x1,
         base - (middle - thick / 2) * line.size)
        for wanted, (middle, thick) in (
            (setting.underline, file.underline),
            (setting.strike, file.strikeout),
        )
        if wanted and line.x1 > line.x0
    ]  # fmt: skip


def _ruled_ink(setting: TypeSetting, file: FontFile, line: SetLine) -> InkProfile:
    """The ink of a line's underline and strike on a baseline at 0."""
    ink = NO_INK
    for rule in _rules(setting, file, line):
        ink = joined(ink, rectangle_profile(rule))
    return ink
