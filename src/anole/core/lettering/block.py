"""A block of lettering: lines set one under the other, and the outline of it all, in em."""

from __future__ import annotations

import functools
from typing import NamedTuple

import numpy as np

from ..model import Font, Lettering
from . import skia_paths
from .fonts import FontFile, find, load
from .glyphs import glyph
from .shaping import drawable, shape_line

GREATEST_GROUP = 400
"""Glyphs united at once; only heaps of thousands of letters on one spot go beyond."""


class Setting(NamedTuple):
    """All that the outline of a block depends on; leading and tracking in em."""

    text: str
    font: Font
    tracking: float
    leading: float
    align: str


class Block(NamedTuple):
    """Outlines in em, y down, the first baseline at 0.

    `box` runs from the first line's capitals to the last baseline, and is what a piece is
    placed by; `tall` from the first ascent to the last descent.
    """

    curves: np.ndarray
    box: tuple[float, float, float, float]
    tall: tuple[float, float, float, float]
    file: FontFile
    found: bool


def setting_of(piece: Lettering, dpi: float) -> Setting:
    em = piece.size.px(1.0, dpi)
    return Setting(
        piece.text, piece.font, piece.tracking / 1000, piece.leading.px(em, dpi) / em, piece.align
    )


@functools.lru_cache(128)
def block(setting: Setting) -> Block:
    """Set the words and unite their outlines."""
    file, found = find(setting.font)
    lines = [
        shape_line(file, text, setting.tracking) for text in drawable(setting.text).split("\n")
    ]
    width = max((line.width for line in lines), default=0.0)
    share = {"start": 0.0, "centre": 0.5, "end": 1.0}[setting.align]
    placed = [
        (g.glyph, g.x + share * (width - line.width), g.y + row * setting.leading)
        for row, line in enumerate(lines)
        for g in line.glyphs
    ]
    last = (len(lines) - 1) * setting.leading
    return Block(
        _united(file, placed),
        (0.0, -file.cap_height, width, last),
        (0.0, -file.ascent, width, last + file.descent),
        file,
        found,
    )


def _united(file: FontFile, placed: list[tuple[int, float, float]]) -> np.ndarray:
    """Curves of all glyphs; those whose boxes overlap are united first."""
    upem = load(file).upem
    parts = []
    for group in _groups(file, placed):
        if len(group) == 1:
            index, x, y = group[0]
            parts.append(glyph(file, index).curves + (x, y))
        else:
            moved = ((glyph(file, i).path, x * upem, y * upem) for i, x, y in group)
            path = skia_paths.joined(moved)
            parts.append(skia_paths.curves(path) / upem)
    return np.concatenate(parts) if parts else np.zeros((0, 4, 2))


def _groups(
    file: FontFile, placed: list[tuple[int, float, float]]
) -> list[list[tuple[int, float, float]]]:
    """Glyphs whose boxes touch, swept from left to right."""
    boxed = []
    for index, x, y in placed:
        box = glyph(file, index).box
        if box is not None:
            boxed.append(((box[0] + x, box[1] + y, box[2] + x, box[3] + y), (index, x, y)))
    boxed.sort(key=lambda entry: entry[0][0])
    groups: list[tuple[list[float], list[tuple[int, float, float]]]] = []
    live: list[tuple[list[float], list[tuple[int, float, float]]]] = []
    for box, item in boxed:
        live = [g for g in live if g[0][2] >= box[0]]
        hits = [g for g in live if g[0][1] <= box[3] and g[0][3] >= box[1]]
        if not hits or len(hits[0][1]) >= GREATEST_GROUP:
            fresh = (list(box), [item])
            groups.append(fresh)
            live.append(fresh)
            continue
        home = hits[0]
        for other in hits[1:]:
            home[1].extend(other[1])
            _widen(home[0], other[0])
            live = [g for g in live if g is not other]
            groups = [g for g in groups if g is not other]
        home[1].append(item)
        _widen(home[0], box)
    return [items for _, items in groups]


def _widen(box: list[float], other: list[float] | tuple[float, ...]) -> None:
    box[0], box[1] = min(box[0], other[0]), min(box[1], other[1])
    box[2], box[3] = max(box[2], other[2]), max(box[3], other[3])
