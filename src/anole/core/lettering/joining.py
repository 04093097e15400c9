"""Glyphs at their spots to one outline, overlaps united."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from typing import Any, NamedTuple

import numpy as np
import skia

from . import skia_paths
from .fonts import FontFile
from .glyphs import Axes, glyph, upem_of

GREATEST_GROUP = 120
"""Glyphs united at once; only heaps of hundreds of letters on one spot go beyond."""


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
    for spot in spots:
        box = glyph(spot.file, spot.glyph, axes).box
        if box is not None:
            at = (box[0] + spot.x, box[1] + spot.y, box[2] + spot.x, box[3] + spot.y)
            parts.append(_Part(at, spot))
    parts += [_Part((r[0], r[1], r[2], r[3]), None, r) for r in rules]
    curves = [
        _alone(group[0], axes) if len(group) == 1 else _together(group, axes)
        for group in groups(parts)
    ]
    return np.concatenate(curves) if curves else np.zeros((0, 4, 2))


def _alone(part: _Part, axes: Axes) -> np.ndarray:
    if part.spot is None:
        return skia_paths.curves(_rule_path(part.rule, 1.0))
    return glyph(part.spot.file, part.spot.glyph, axes).curves + (part.spot.x, part.spot.y)


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


def groups(parts: Iterable[Any]) -> list[list[Any]]:
    """Parts (with a `box`) whose boxes touch, swept from left to right."""
    found: list[tuple[list[float], list[Any]]] = []
    live: list[tuple[list[float], list[Any]]] = []
    for part in sorted(parts, key=lambda p: p.box[0]):
        box = part.box
        live = [g for g in live if g[0][2] >= box[0]]
        hits = [g for g in live if g[0][1] <= box[3] and g[0][3] >= box[1]]
        if not hits or len(hits[0][1]) >= GREATEST_GROUP:
            fresh = (list(box), [part])
            found.append(fresh)
            live.append(fresh)
            continue
        home = hits[0]
        for other in hits[1:]:
            home[1].extend(other[1])
            _widen(home[0], other[0])
            live = [g for g in live if g is not other]
            found = [g for g in found if g is not other]
        home[1].append(part)
        _widen(home[0], box)
    return [members for _, members in found]


def _widen(box: list[float], other: Sequence[float]) -> None:
    box[0], box[1] = min(box[0], other[0]), min(box[1], other[1])
    box[2], box[3] = max(box[2], other[2]), max(box[3], other[3])
