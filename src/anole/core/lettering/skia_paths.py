"""The one door to Skia's path operations: outlines to paths, union, and back.

Curves cross this door as (n, 4, 2) float64 cubic Béziers, y down, closed contours.
"""

from __future__ import annotations

from collections.abc import Iterable

import numpy as np
import skia

_VERB = skia.Path.Verb


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


def union(path: skia.Path) -> skia.Path:
    """The outline of all that the path's contours cover (non-zero winding), outer ones clockwise.

    A path too tangled for Skia comes back as it was.
    """
    try:
        return skia.AsWinding(skia.Simplify(path))
    except RuntimeError:
        return path


def joined(parts: Iterable[tuple[skia.Path, float, float]]) -> skia.Path:
    """One path of several, each moved by (dx, dy), overlaps united."""
    whole = skia.Path()
    for path, dx, dy in parts:
        whole.addPath(path, dx, dy)
    return union(whole)


def united_chords(parts: Iterable[np.ndarray]) -> np.ndarray:
    """Union of closed polygons given as chords (m, 4); chords again."""
    whole = skia.Path()
    for chords in parts:
        breaks = np.flatnonzero((chords[1:, :2] != chords[:-1, 2:]).any(1)) + 1
        for contour in np.split(chords[:, :2], breaks):
            whole.addPoly([skia.Point(float(x), float(y)) for x, y in contour], True)
    found = curves(union(whole))
    return np.hstack([found[:, 0], found[:, 3]])


def path_of(cubics: np.ndarray) -> skia.Path:
    """A path of cubics (n, 4, 2) whose contours follow each other."""
    path, end = skia.Path(), None
    for start, first, second, last in cubics.tolist():
        if start != end:
            path.moveTo(*start)
        path.cubicTo(*first, *second, *last)
        end = last
    return path


def _line(a: np.ndarray, b: np.ndarray) -> np.ndarray:
    return np.array([a, a + (b - a) / 3, b - (b - a) / 3, b])


def curves(path: skia.Path) -> np.ndarray:
    """The path's closed contours as cubics, wound so that the covered area is positive."""
    out: list[np.ndarray] = []
    start = here = np.zeros(2)
    for verb, points in path:
        p = [np.array([q.x(), q.y()]) for q in points]
        if verb == _VERB.kMove_Verb:
            if (here != start).any():
                out.append(_line(here, start))
            start = here = p[0]
            continue
        if verb == _VERB.kLine_Verb:
            out.append(_line(p[0], p[1]))
        elif verb == _VERB.kQuad_Verb:
            out.append(np.array([p[0], (p[0] + 2 * p[1]) / 3, (2 * p[1] + p[2]) / 3, p[2]]))
        elif verb == _VERB.kCubic_Verb:
            out.append(np.array(p))
        if verb in (_VERB.kClose_Verb, _VERB.kDone_Verb):
            if (here != start).any():
                out.append(_line(here, start))
            here = start
        else:
            here = p[-1]
    if not out:
        return np.zeros((0, 4, 2))
    return _turned_positive(np.array(out))


def _turned_positive(cubics: np.ndarray) -> np.ndarray:
    a, b = cubics[:, 0], cubics[:, 3]
    area = float((a[:, 0] * b[:, 1] - b[:, 0] * a[:, 1]).sum())
    return cubics if area >= 0 else cubics[::-1, ::-1]
