"""The one door to Skia's path operations: outlines to paths, union, and back.

Curves cross this door as (n, 4, 2) float64 cubic Béziers, y down, closed contours.
"""

from __future__ import annotations

from collections.abc import Iterable
from typing import NamedTuple

import numpy as np
import skia

from ..arrays import Chords, Curves, Indices, Points, Records
from .winding import backward

_VERB = skia.Path.Verb
SPUR = 4e-4
"""em, less than a unit of most fonts: curves that a union made and nobody drew."""
SHORT = 5.0
"""Times as long as that are lines out and back that are taken for spurs though they part a little."""


class PathPen:
    """Takes HarfBuzz's pen calls (font units, y up) into a Skia path (y down)."""

    def __init__(self) -> None:
        self.path = skia.Path()

    def moveTo(self, p: tuple[float, float]) -> None:
        self.path.moveTo(p[0], -p[1])

    def lineTo(self, p: tuple[float, float]) -> None:
        self.path.lineTo(p[0], -p[1])

    def qCurveTo(self, c: tuple[float, float], p: tuple[float, float]) -> None:
        self.path.quadTo(c[0], -c[1], p[0], -p[1])

    def curveTo(
        self, a: tuple[float, float], b: tuple[float, float], p: tuple[float, float]
    ) -> None:
        self.path.cubicTo(a[0], -a[1], b[0], -b[1], p[0], -p[1])

    def closePath(self) -> None:
        self.path.close()

    def endPath(self) -> None:
        self.path.close()


class United(NamedTuple):
    """A path whose contours do not cross, outer ones clockwise and holes the other way; and its
    curves, (n, 4, 2) cubics."""

    path: skia.Path
    curves: Curves


class _Contour:
    """One closed contour, as a path and as cubics."""

    def __init__(self, start: skia.Point) -> None:
        self.path = skia.Path()
        self.path.moveTo(start)
        self.start = self.here = _xy(start)
        self.cubics: list[Points] = []

    def add(self, verb: skia.Path.Verb, points: list[skia.Point]) -> None:
        p = [_xy(q) for q in points]
        if verb == _VERB.kLine_Verb:
            self.path.lineTo(points[1])
            p = _line(p[0], p[1])
        elif verb == _VERB.kQuad_Verb:
            self.path.quadTo(points[1], points[2])
            p = [p[0], (p[0] + 2 * p[1]) / 3, (2 * p[1] + p[2]) / 3, p[2]]
        else:
            self.path.cubicTo(points[1], points[2], points[3])
        self.cubics.append(np.array(p))
        self.here = self.cubics[-1][3]

    def close(self) -> None:
        self.path.close()
        if (self.here != self.start).any():
            self.cubics.append(np.array(_line(self.here, self.start)))
            self.here = self.start


def _xy(point: skia.Point) -> Points:
    return np.array([point.x(), point.y()])


def _line(a: Points, b: Points) -> list[Points]:
    return [a, a + (b - a) / 3, b - (b - a) / 3, b]


def _contours(path: skia.Path) -> list[_Contour]:
    contours: list[_Contour] = []
    for verb, points in path:
        if verb == _VERB.kMove_Verb:
            contours.append(_Contour(points[0]))
        elif verb not in (_VERB.kClose_Verb, _VERB.kDone_Verb):
            contours[-1].add(verb, points)
    for part in contours:
        part.close()
    return [part for part in contours if part.cubics]


def contours_of(path: skia.Path) -> list[Curves]:
    """Each closed contour of a path of lines, quadratic and cubic curves, (n, 4, 2) cubics."""
    return [np.array(part.cubics) for part in _contours(path)]


def _across(ways: Points, others: Points) -> Records:
    """How far the ends of some ways (n, 2) lie off the lines along others."""
    off = ways[:, 0] * others[:, 1] - ways[:, 1] * others[:, 0]
    return np.abs(off) / np.maximum(np.hypot(*others.T), 1e-12)


def _spikes(cubics: Curves, least: float) -> Indices:
    """Which of a contour's curves (n, 4, 2) are lines that the next one runs back along: closer
    than a tenth of `least`, or than half of it where they are hardly longer than it."""
    ways = cubics[:, 3] - cubics[:, 0]
    off = np.maximum(*(_across(cubics[:, k] - cubics[:, 0], ways) for k in (1, 2)))
    after = np.roll(ways, -1, 0)
    apart = np.minimum(_across(ways, after), _across(after, ways))
    wide = np.maximum.reduce([off, np.roll(off, -1), apart])
    short = np.maximum(np.hypot(*ways.T), np.hypot(*after.T)) < SHORT * least
    back = (ways * after).sum(1) < 0
    return np.flatnonzero(back & (wide < least * np.where(short, 0.5, 0.1)))


def _cleaned(cubics: Curves, least: float) -> Curves:
    """A contour (n, 4, 2) without curves and handles smaller than `least`, and without lines that
    run out and back: where edges cross at a sharp angle unions leave spurs that cover nothing, and
    a stroke's corners would stand on them."""
    kept = cubics[np.ptp(cubics, axis=1).max(1) >= least].copy()
    by = np.roll(kept[:, 3], 1, axis=0) - kept[:, 0]
    kept[:, :2] += by[:, None]
    for end, handle in ((0, 1), (3, 2)):
        hook = np.abs(kept[:, handle] - kept[:, end]).max(1, initial=0) < least
        kept[hook, handle] = kept[hook, end]
    spikes = _spikes(kept, least)
    if not len(spikes) or len(kept) < 3:
        return kept
    tip, back = spikes[0], (spikes[0] + 1) % len(kept)
    kept[tip] = _line(kept[tip, 0], kept[back, 3])
    return _cleaned(np.delete(kept, back, 0), least)


def wound(path: skia.Path, unit: float) -> United:
    """A path whose contours do not cross, each turned as its nesting asks for; `unit` is one em."""
    parts = _contours(path)
    turned = backward([np.array(part.cubics) for part in parts])
    made, curves = skia.Path(), [np.zeros((0, 4, 2))]
    for part, back in zip(parts, turned, strict=True):
        (made.reverseAddPath if back else made.addPath)(part.path)
        cubics = _cleaned(np.array(part.cubics), unit * SPUR)
        curves.append(cubics[::-1, ::-1] if back else cubics)
    return United(made, np.concatenate(curves))


def union(path: skia.Path, unit: float) -> United:
    """The outline of all that the path's contours cover (non-zero winding); `unit` is one em."""
    try:
        return wound(skia.Simplify(path), unit)
    except RuntimeError:  # too tangled for Skia: contours may go on crossing, as they did
        return wound(path, unit)


def joined(parts: Iterable[tuple[skia.Path, float, float]], unit: float) -> Curves:
    """Curves of several paths, each moved by (dx, dy), overlaps united; `unit` is one em."""
    whole = skia.Path()
    for path, dx, dy in parts:
        whole.addPath(path, dx, dy)
    return union(whole, unit).curves


def rectangle(x0: float, y0: float, x1: float, y1: float) -> skia.Path:
    """A path with one closed rectangle."""
    path = skia.Path()
    path.addRect(skia.Rect(x0, y0, x1, y1))
    return path


def united_chords(parts: Iterable[Curves]) -> Chords:
    """Union of closed polygons given as chords (m, 4) px; chords again."""
    whole = skia.Path()
    for chords in parts:
        breaks = np.flatnonzero((chords[1:, :2] != chords[:-1, 2:]).any(1)) + 1
        for contour in np.split(chords[:, :2], breaks):
            whole.addPoly([skia.Point(float(x), float(y)) for x, y in contour], True)
    curves = union(whole, 1.0).curves
    return np.hstack([curves[:, 0], curves[:, 3]])


def data_of(path: skia.Path) -> str:
    """SVG path data of a path of lines, quadratic and cubic curves."""
    letters = {
        _VERB.kMove_Verb: ("M", 0),
        _VERB.kLine_Verb: ("L", 1),
        _VERB.kQuad_Verb: ("Q", 1),
        _VERB.kCubic_Verb: ("C", 1),
        _VERB.kClose_Verb: ("Z", 9),
    }
    parts = []
    for verb, points in path:
        if verb in letters:
            letter, first = letters[verb]
            parts.append(letter + " ".join(f"{p.x():.6g} {p.y():.6g}" for p in points[first:]))
    return "".join(parts)


def path_of(cubics: Curves) -> skia.Path:
    """A path of cubics (n, 4, 2) whose contours follow each other."""
    path, end = skia.Path(), None
    for start, first, second, last in cubics.tolist():
        if start != end:
            path.moveTo(*start)
        path.cubicTo(*first, *second, *last)
        end = last
    return path
