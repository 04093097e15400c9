"""Where the lines of a block stand: how large each is set, where it starts, and how low it lies."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import NamedTuple

import numpy as np

from .fonts import FontFile
from .glyphs import Axes
from .ink_profile import NO_INK, InkProfile, ink_profile, joined, step_between
from .joining import PlacedGlyph
from .shaping import Line

LEAST_STEP = 0.5
"""Of the height of capitals: lines whose shapes would let them pass each other stay below each other."""


class SetLine(NamedTuple):
    """A line with its glyphs on a baseline at 0: from x0 to x1 it has its advance widths, em; `size`
    is its own em."""

    glyphs: tuple[PlacedGlyph, ...]
    x0: float
    x1: float
    size: float


class _Measured(NamedTuple):
    """A shaped line, and between which x it counts as wide, em of its own."""

    line: Line
    left: float
    right: float

    @property
    def width(self) -> float:
        return self.right - self.left


def _start(spare: float, align: str, rightward: bool) -> float:
    """Where a line starts; start and end follow the direction of its writing."""
    if align == "centre":
        return spare / 2
    at_left = (align == "start") == rightward or align == "justify"
    return 0.0 if at_left else spare


def set_lines(
    lines: Sequence[Line], align: str, least: float | None, file: FontFile, axes: Axes
) -> tuple[list[SetLine], float]:
    """Each line at its size and start, and the width of them all, em.

    least : None: each is of one em; else the ink of each is as wide as that of the longest, but where
        the smallest would be less than this share of the largest
    """
    plain = least is None
    measured = [_Measured(o, 0.0, o.width) if plain else _inked(o, file, axes) for o in lines]
    longest = max((one.width for one in measured), default=0.0)
    found = []
    for row, one in enumerate(measured):
        size = 1.0 if least is None or one.width <= 0 else min(longest / one.width, 1 / least)
        spare = longest - one.width * size
        x0 = _start(spare, align, one.line.rightward) - one.left * size
        glyphs = tuple(
            PlacedGlyph(
                g.file, g.glyph, x0 + g.x * size, g.y * size, row, (row, g.letter), size,
                axes if g.file == file else (),
            )
            for g in one.line.glyphs
        )  # fmt: skip
        found.append(SetLine(glyphs, x0, x0 + one.line.width * size, size))
    return found, longest


def _inked(line: Line, file: FontFile, axes: Axes) -> _Measured:
    """Wide from its first ink to its last; a line without ink by its advance widths."""
    ends = []
    for g in line.glyphs:
        at = PlacedGlyph(g.file, g.glyph, 0, 0, 0, (0, 0), 1.0, axes if g.file == file else ())
        if at.shape.box is not None:
            ends += [g.x + at.shape.box[0], g.x + at.shape.box[2]]
    return _Measured(line, min(ends, default=0.0), max(ends, default=line.width))


def by_baselines(lines: Sequence[SetLine], leading: float) -> list[float]:
    """Baselines `leading` em apart, larger where a line is set larger; em, the first at 0."""
    steps = np.cumsum([line.size for line in lines]) - (lines[0].size if lines else 0.0)
    return [float(step) * leading for step in steps]


def by_ink(
    lines: Sequence[SetLine], gap: float, caps: float, rules: Callable[[SetLine], InkProfile]
) -> tuple[list[float], InkProfile]:
    """Baselines so that no ink of two lines is nearer than `gap` em, and the ink of all; the first at
    0. caps : height of capitals, em; rules : the ink of a line's underline and strike"""
    downs: list[float] = []
    above, before = NO_INK, NO_INK
    for line in lines:
        curves = [glyph.curves for glyph in line.glyphs]
        profile = ink_profile(np.concatenate(curves)) if curves else NO_INK
        profile = joined(profile, rules(line))
        down = 0.0
        if downs:
            down = downs[-1] + LEAST_STEP * caps * line.size
            if profile.empty or before.empty:
                down = downs[-1] + max(caps * line.size + gap, 0.0)
            down = max(down, step_between(above, profile, gap))
        downs.append(down)
        above, before = joined(above, profile.moved(down)), profile
    return downs, above
