"""Areas united twice: in curves, and in integer coordinates to see whether the curves came out right."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from typing import NamedTuple

import numpy as np
import pyclipper
import skia

from ..arrays import Chords, Curves
from ..box import Box
from ..field.coverage import rasterise
from ..field.polygons import Polygons, clipped
from ..lettering.bent import positive
from ..lettering.flatten import flatten
from ..lettering.skia_paths import contours_of, union
from .errors import SvgError

UNIT = 1000.0
"""Units to which an SVG's height is brought: Skia counts in float32."""
FINE, STEPS = 0.02, 1024.0
"""Units by which chords may be off, and integer steps to a unit."""
LOOK, LIKE = 256.0, 0.1
"""px across at which both unions are compared, and by how much their coverages may differ."""


class Part(NamedTuple):
    """One painted area in units, and the areas that clip it, each of them parts again."""

    path: skia.Path
    even_odd: bool
    clips: tuple[tuple[Part, ...], ...] = ()


def _filled(part: Part) -> skia.Path:
    path = skia.Path(part.path)
    if part.even_odd:
        path.setFillType(skia.PathFillType.kEvenOdd)
    for clip in part.clips:
        path = skia.Op(path, _in_curves(clip), skia.kIntersect_PathOp)
    return path


def _in_curves(parts: Iterable[Part]) -> skia.Path:
    builder = skia.OpBuilder()
    for part in parts:
        builder.add(_filled(part), skia.kUnion_PathOp)
    return builder.resolve()


def _polygons(path: skia.Path) -> Polygons:
    """Closed polygons in integer coordinates."""
    found = []
    for cubics in contours_of(path):
        points = np.rint(flatten(cubics, FINE)[:, :2] * STEPS).astype(np.int64)
        if len(points) > 2:
            found.append(points.tolist())
    return found


def _clipped(how: int, subject: Polygons, clip: Polygons, rule: int) -> Polygons:
    try:
        return clipped(how, subject, clip, rule)
    except pyclipper.ClipperException as error:
        raise SvgError("its outlines are too tangled to be united") from error


def _in_numbers(parts: Iterable[Part]) -> Polygons:
    whole: Polygons = []
    for part in parts:
        rule = pyclipper.PFT_EVENODD if part.even_odd else pyclipper.PFT_NONZERO
        area = _clipped(pyclipper.CT_UNION, _polygons(part.path), [], rule)
        for clip in part.clips:
            area = _clipped(
                pyclipper.CT_INTERSECTION, area, _in_numbers(clip), pyclipper.PFT_NONZERO
            )
        whole += area
    return _clipped(pyclipper.CT_UNION, whole, [], pyclipper.PFT_NONZERO)


def _chords(polygons: Sequence[Sequence[Sequence[int]]]) -> Chords:
    closed = [np.array(polygon, float) / STEPS for polygon in polygons]
    sides = [np.hstack([points, np.roll(points, -1, 0)]) for points in closed]
    return positive(np.concatenate([np.zeros((0, 4)), *sides]))


def _alike(chords: Chords, curves: Curves) -> bool:
    """Whether both cover the same."""
    if not len(chords) or not len(curves):
        return len(chords) == len(curves)
    low, high = chords.reshape(-1, 2).min(0), chords.reshape(-1, 2).max(0)
    zoom = LOOK / max(float((high - low).max()), 1e-6)
    box = Box(-2, -2, *(int(side) + 3 for side in (high - low) * zoom))
    ours = rasterise((chords - np.tile(low, 2)) * zoom, box)[0]
    theirs = rasterise(positive(flatten((curves - low) * zoom, FINE)), box)[0]
    return bool(np.abs(ours - theirs).max() < LIKE)


def united(parts: Sequence[Part]) -> Curves:
    """(n, 4, 2) cubics in units: all that the parts cover. Unions of curves fail now and then;
    where they do, polygons that are nowhere off by more than FINE take their place.
    Raises SvgError."""
    chords = _chords(_in_numbers(parts))
    try:
        curves = union(_in_curves(parts), UNIT).curves
        if _alike(chords, curves):
            return curves
    except RuntimeError:  # too tangled for Skia
        pass
    a, b = chords[:, None, :2], chords[:, None, 2:]
    return np.concatenate([a, a + (b - a) / 3, b - (b - a) / 3, b], 1)
