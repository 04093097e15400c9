"""Glyphs at their spots to one outline, overlaps united."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from typing import NamedTuple

import numpy as np
import skia

from . import skia_paths
from .fonts import FontFile
from .glyphs import Axes, glyph, upem_of
from .touching import groups


class Spot(NamedTuple):
    """A glyph in a block: where its origin stands in em, its line, and the letter it belongs to."""

    file: FontFile
    glyph: int
    x: float
    y: float
    line: int
    letter: tuple[int, int]


class _Part(NamedTuple):
    """A box in em, and the path at its place."""

    box: tuple[float, float, float, float]
    spot: Spot | None
    rule: tuple[float, ...] = ()


def united(
    spots: Iterable[Spot], axes: Axes = (), rules: Iterable[tuple[float, ...]] = ()
) -> np.ndarray:
    """(n, 4, 2) cubics of all glyphs and rules; those whose boxes overlap are united first."""
    parts = []
    known = {}
    for spot in spots:
        # looked up by number first: hashing a font's record for each letter costs more
        key = (id(spot.file), spot.glyph)
        if key not in known:
            known[key] = glyph(spot.file, spot.glyph, axes)
        box = known[key].box
        if box is not None:
            at = (box[0] + spot.x, box[1] + spot.y, box[2] + spot.x, box[3] + spot.y)
            parts.append(_Part(at, spot))
    parts += [_Part((r[0], r[1], r[2], r[3]), None, r) for r in rules]
    curves, moves = [], []
    for group in groups(parts):
        first = group[0]
        if len(group) > 1:
            curves.append(_together(group, axes))
        elif first.spot is None:
            curves.append(skia_paths.curves(_rule_path(first.rule, 1.0)))
        else:
            curves.append(known[id(first.spot.file), first.spot.glyph].curves)
            moves.append((first.spot.x, first.spot.y))
            continue
        moves.append((0.0, 0.0))
    if not curves:
        return np.zeros((0, 4, 2))
    # all moved at once: a title has many small letters
    by = np.repeat(np.array(moves), [len(c) for c in curves], axis=0)
    return np.concatenate(curves) + by[:, None]


def _rule_path(rule: tuple[float, ...], unit: float) -> skia.Path:
    path = skia.Path()
    path.addRect(skia.Rect(*(v * unit for v in rule)))
    return path


def _together(group: Sequence[_Part], axes: Axes) -> np.ndarray:
    """Union at the scale of font units, where Skia's tolerances suit outlines."""
    unit = 2048.0
    moved: list[tuple[skia.Path, float, float]] = []
    for part in group:
        if part.spot is None:
            moved.append((_rule_path(part.rule, unit), 0.0, 0.0))
            continue
        found = glyph(part.spot.file, part.spot.glyph, axes)
        path = skia.Path(found.path)
        scale = unit / upem_of(part.spot.file)
        if scale != 1:
            path.transform(skia.Matrix.Scale(scale, scale))
        moved.append((path, part.spot.x * unit, part.spot.y * unit))
    return skia_paths.curves(skia_paths.joined(moved)) / unit
