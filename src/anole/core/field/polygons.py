"""Outlines united and grown in integer coordinates, where no rounding can tear them."""

from __future__ import annotations

import contextlib
from collections.abc import Iterable, Sequence

import numpy as np
import pyclipper

from ..arrays import Chords
from .outset import StrokeOutset

Polygons = list[list[list[int]]]
"""Closed contours, each a list of points in integer coordinates."""
NOTHING: Chords = np.zeros((0, 4))
STEPS = float(1 << 14)
"""Integer steps to a px."""
CLOSED = 1e-6
"""px between a chord and the next of its contour, at most."""
ARC = 0.01
"""px by which the chords of a round corner may be off."""


def to_polygons(chords: Chords) -> Polygons:
    """Chords (m, 4) px, in order along each contour, in integer coordinates."""
    if not len(chords):
        return []
    apart = np.abs(chords[1:, :2] - chords[:-1, 2:]) > CLOSED
    breaks = np.flatnonzero(apart.any(1)) + 1
    rings = np.split(np.rint(chords[:, :2] * STEPS).astype(np.int64), breaks)
    return [ring.tolist() for ring in rings if len(ring) > 2]


def to_chords(polygons: Polygons) -> Chords:
    """(m, 4) float64 px."""
    sides = []
    for polygon in polygons:
        points = np.array(polygon, float) / STEPS
        sides.append(np.hstack([points, np.roll(points, -1, 0)]))
    return np.concatenate([NOTHING, *sides])


def clipped(
    how: int,
    subject: Iterable[list[list[int]]],
    clip: Iterable[list[list[int]]] = (),
    rule: int = pyclipper.PFT_NONZERO,
) -> Polygons:
    """One of pyclipper's operations; nothing where no subject encloses an area. Raises
    ClipperException for outlines that it gives up."""
    engine, there = pyclipper.Pyclipper(), 0
    for kind, polygons in ((pyclipper.PT_SUBJECT, subject), (pyclipper.PT_CLIP, clip)):
        for polygon in polygons:
            with contextlib.suppress(pyclipper.ClipperException):  # of no area
                there += engine.AddPath(polygon, kind, True) and kind == pyclipper.PT_SUBJECT
    return engine.Execute(how, rule, pyclipper.PFT_NONZERO) if there else []


def united(polygons: Iterable[list[list[int]]]) -> Polygons:
    """All that is covered more than zero times over."""
    return clipped(pyclipper.CT_UNION, polygons)


def united_outlines(outlines: Sequence[Chords]) -> Chords:
    """(m, 4) px: all that several outlines cover."""
    return to_chords(united(p for outline in outlines for p in to_polygons(outline)))


def with_strokes(chords: Chords, strokes: Sequence[StrokeOutset]) -> Chords:
    """(m, 4) px: an outline with what strokes add to it, corners turned as each says."""
    if not strokes or not len(chords):
        return chords
    polygons = to_polygons(chords)
    return to_chords(united(p for stroke in strokes for p in _grown(polygons, stroke)))


def offset(polygons: Polygons, by: float, join: int) -> Polygons:
    """Polygons grown by px, or shrunk below 0; join : one of pyclipper's."""
    if not by:
        return polygons
    engine = pyclipper.PyclipperOffset(4.0, ARC * STEPS)
    engine.AddPaths(polygons, join, pyclipper.ET_CLOSEDPOLYGON)
    return engine.Execute(by * STEPS)


def _grown(polygons: Polygons, stroke: StrokeOutset) -> Polygons:
    """What one stroke leads to."""
    if stroke.join == "cut":
        return united([*polygons, *_strips(polygons, stroke.by)])
    engine = pyclipper.PyclipperOffset(max(stroke.limit, 1.0), ARC * STEPS)
    join = pyclipper.JT_MITER if stroke.join == "mitre" else pyclipper.JT_ROUND
    engine.AddPaths(polygons, join, pyclipper.ET_CLOSEDPOLYGON)
    return engine.Execute(stroke.by * STEPS)


def _strips(polygons: Polygons, by: float) -> Polygons:
    """Beside each edge a strip, and at each corner the triangle of a cut."""
    found: Polygons = []
    for polygon in polygons:
        points = np.array(polygon, float)
        ways = np.roll(points, -1, 0) - points
        lengths = np.maximum(np.hypot(*ways.T), 1e-9)[:, None]
        out = np.column_stack([ways[:, 1], -ways[:, 0]]) / lengths * (by * STEPS)
        ends = np.roll(points, -1, 0)
        strips = np.stack([points, ends, ends + out, points + out], 1)
        cuts = np.stack([ends, ends + out, ends + np.roll(out, -1, 0)], 1)
        found += np.rint(strips).astype(np.int64).tolist()
        found += np.rint(cuts).astype(np.int64).tolist()
    return [_positive(polygon) for polygon in found]


def _positive(polygon: list[list[int]]) -> list[list[int]]:
    return polygon if pyclipper.Area(polygon) >= 0 else polygon[::-1]
