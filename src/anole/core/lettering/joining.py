"""Glyphs at their places to one outline, overlaps united."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np
import skia

from ..arrays import Curves, Values
from . import skia_paths
from .fonts import FontFile
from .glyphs import Axes, Glyph, glyph, upem_of
from .touching import touching


class PlacedGlyph(NamedTuple):
    """A glyph in a block: where its origin stands in em, its line, and the letter it belongs to; how
    large its line is set, in em, and the variable axes of its font."""

    file: FontFile
    glyph: int
    x: float
    y: float
    line: int
    letter: tuple[int, int]
    size: float = 1.0
    axes: Axes = ()

    @property
    def shape(self) -> Glyph:
        """Its glyph, of one em."""
        return glyph(self.file, self.glyph, self.axes)

    @property
    def curves(self) -> Curves:
        """(n, 4, 2) em: its outline where it stands."""
        curves = self.shape.curves
        return (curves if self.size == 1 else curves * self.size) + (self.x, self.y)


Rule = tuple[float, ...]


def united(glyphs: Sequence[PlacedGlyph], rules: Sequence[Rule] = ()) -> Curves:
    """(n, 4, 2) cubics of all glyphs and rules; those whose boxes overlap are united first."""
    drawn, inked, places, boxes = _inked(glyphs)
    parts: list[PlacedGlyph | Rule] = [*inked, *rules]
    if not parts:
        return np.zeros((0, 4, 2))
    boxes = np.concatenate([boxes, np.array(rules, float).reshape(-1, 4)])
    labels = touching(boxes)
    alone = np.bincount(labels)[labels] == 1
    # all that stand alone are moved at once: a title has many small letters
    plain = np.flatnonzero(alone[: len(inked)])
    curves = [drawn[n] for n in plain]
    by = np.repeat(places[plain], [len(c) for c in curves], axis=0)
    made = [np.concatenate(curves) + by[:, None]] if curves else []
    for label in dict.fromkeys(labels[~alone].tolist()):
        group = [parts[n] for n in np.flatnonzero(labels == label)]
        made.append(_together(group))
    lone = [rule for rule, single in zip(rules, alone[len(inked) :], strict=True) if single]
    made += [skia_paths.wound(skia_paths.rectangle(*rule), 1.0).curves for rule in lone]
    return np.concatenate(made)


def _inked(
    glyphs: Sequence[PlacedGlyph],
) -> tuple[list[Curves], list[PlacedGlyph], Values, Values]:
    """Of the placed glyphs that have ink: the curves, the glyph, its place, and its box there, em."""
    known: dict[tuple[int, int], Glyph] = {}
    shapes: list[Glyph] = []
    inked: list[PlacedGlyph] = []
    for placed in glyphs:
        # looked up by number first: hashing a font's record for each letter costs more
        key = (id(placed.file), placed.glyph)
        if key not in known:
            known[key] = placed.shape
        if known[key].box is not None:
            shapes.append(known[key])
            inked.append(placed)
    places = np.array([(s.x, s.y) for s in inked]).reshape(-1, 2)
    boxes = np.array([g.box for g in shapes], float).reshape(-1, 4)
    drawn = [g.curves for g in shapes]
    sizes = np.array([s.size for s in inked])
    if (sizes != 1).any():
        boxes = boxes * sizes[:, None]
        drawn = [curves * size for curves, size in zip(drawn, sizes, strict=True)]
    return drawn, inked, places, boxes + places[:, [0, 1, 0, 1]]


def _together(group: Sequence[PlacedGlyph | Rule]) -> Curves:
    """Union at the scale of font units, where Skia's tolerances suit outlines."""
    unit = 2048.0
    moved: list[tuple[skia.Path, float, float]] = []
    for part in group:
        if not isinstance(part, PlacedGlyph):
            moved.append((skia_paths.rectangle(*(v * unit for v in part)), 0.0, 0.0))
            continue
        path = skia.Path(part.shape.path)
        scale = unit / upem_of(part.file) * part.size
        if scale != 1:
            path.transform(skia.Matrix.Scale(scale, scale))
        moved.append((path, part.x * unit, part.y * unit))
    return skia_paths.joined(moved, unit) / unit
