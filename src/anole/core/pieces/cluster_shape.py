"""The silhouette of a cluster: its pieces' outlines, with what their strokes add, united."""

from __future__ import annotations

import contextlib
from collections.abc import Sequence

import numpy as np
import pyclipper

from ..arrays import Chords
from ..box import EMPTY
from ..cache import Cache
from ..coats.context import CoatContext
from ..coats.kind import CoatKind
from ..coats.registry import kind_of as coat_kind
from ..coats.shape import sound_outline
from ..field.outset import StrokeOutset
from ..field.shape_fields import bounds
from ..model import Board, Coat, Coated
from .coated import context_of
from .kind import CoatedKind
from .view import View

NOTHING: Chords = np.zeros((0, 4))
STEPS = float(1 << 14)
"""Whole numbers to a px."""
ARC = 0.01
"""px by which the chords of a round corner may be off."""
Polygons = list[list[list[int]]]


def growing(piece: object) -> tuple[Coat, ...]:
    """The coats that add to a piece's silhouette."""
    style = piece.style if isinstance(piece, Coated) else ()
    return tuple(c for c in style if c.on and type(coat_kind(c)).outset is not CoatKind.outset)


def _context(piece: Coated, kind: CoatedKind, dpi: float, scale: float) -> CoatContext:
    """The surroundings of its coats, as far as these say what they add."""
    board = Board(width=1, height=1, dpi=dpi)

    def none(*_: object) -> np.ndarray:
        raise AssertionError("a silhouette needs no picture")

    view = View(board, scale, EMPTY, Cache(1 << 24), none, lambda _: False)
    return context_of(kind.shape(piece, view), growing(piece), view)


def _polygons(chords: Chords) -> Polygons:
    """Closed contours in whole numbers."""
    if not len(chords):
        return []
    breaks = np.flatnonzero((chords[1:, :2] != chords[:-1, 2:]).any(1)) + 1
    rings = np.split(np.rint(chords[:, :2] * STEPS).astype(np.int64), breaks)
    return [ring.tolist() for ring in rings if len(ring) > 2]


def _chords(polygons: Polygons) -> Chords:
    sides = []
    for polygon in polygons:
        points = np.array(polygon, float) / STEPS
        sides.append(np.hstack([points, np.roll(points, -1, 0)]))
    return np.concatenate([NOTHING, *sides])


def _united(polygons: Polygons) -> Polygons:
    engine, there = pyclipper.Pyclipper(), 0
    for polygon in polygons:
        with contextlib.suppress(pyclipper.ClipperException):  # of no area
            there += bool(engine.AddPath(polygon, pyclipper.PT_SUBJECT, True))
    if not there:
        return []
    rule = pyclipper.PFT_NONZERO
    return engine.Execute(pyclipper.CT_UNION, rule, rule)


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


def _outset(polygons: Polygons, stroke: StrokeOutset) -> Polygons:
    """What a stroke leads to, its corners turned as it says."""
    if stroke.join == "cut":
        return _united([*polygons, *_strips(polygons, stroke.by)])
    engine = pyclipper.PyclipperOffset(max(stroke.limit, 1.0), ARC * STEPS)
    join = pyclipper.JT_MITER if stroke.join == "mitre" else pyclipper.JT_ROUND
    engine.AddPaths(polygons, join, pyclipper.ET_CLOSEDPOLYGON)
    return engine.Execute(stroke.by * STEPS)


def _whole(piece: Coated, kind: CoatedKind, dpi: float, scale: float) -> Chords:
    """The outline of one piece with its strokes."""
    chords = sound_outline(kind.chords(piece, dpi, scale))
    strokes = _context(piece, kind, dpi, scale).outset.strokes if growing(piece) else ()
    if not strokes or not len(chords):
        return chords
    polygons = _polygons(chords)
    return _chords(_united([p for stroke in strokes for p in _outset(polygons, stroke)]))


def _apart(parts: Sequence[Chords]) -> bool:
    """Whether no two of them touch, as far as their boxes tell."""
    boxes = np.array([bounds(part) for part in parts])
    order = np.argsort(boxes[:, 0])
    x0, y0, x1, y1 = boxes[order].T
    for n in range(len(boxes)):
        # only those that begin before this one ends can touch it
        last = int(np.searchsorted(x0, x1[n], "right"))
        if ((y0[n + 1 : last] <= y1[n]) & (y0[n] <= y1[n + 1 : last])).any():
            return False
    return True


def silhouette(pieces: Sequence[tuple[Coated, CoatedKind]], dpi: float, scale: float) -> Chords:
    """(m, 4) float64 px at a render scale: all that pieces and their strokes cover. Outlines that
    touch no other stay as they are, to the float."""
    return united_outlines([_whole(piece, kind, dpi, scale) for piece, kind in pieces])


def united_outlines(outlines: Sequence[Chords]) -> Chords:
    """(m, 4): all that several outlines cover. Those that touch no other stay to the float."""
    parts = [part for part in outlines if len(part)]
    if len(parts) < 2 or _apart(parts):
        return np.concatenate([NOTHING, *parts])
    return _chords(_united([polygon for part in parts for polygon in _polygons(part)]))
