"""Strokes for comparison: edges swept point by point, corners by a library's stroker, all filled
by another library on a raster of eight by eight places a pixel."""

from __future__ import annotations

import cv2
import numpy as np
import skia
from scipy import ndimage

from anole.core.box import Box

JOINS = {"mitre": skia.Paint.kMiter_Join, "cut": skia.Paint.kBevel_Join}
FINE, STEPS, STUB, SHORT = 8, 32, 1e-4, 0.3


def contours(cubics: np.ndarray) -> list[np.ndarray]:
    """Cubics (n, 4, 2) cut where a contour ends; those of no length left out."""
    ends = np.flatnonzero((cubics[1:, 0] != cubics[:-1, 3]).any(1)) + 1
    parts = [p[np.ptp(p, axis=1).max(1) > 1e-6] for p in np.split(cubics, ends)]
    return [part for part in parts if len(part)]


def _tangent(cubic: np.ndarray, end: bool) -> np.ndarray:
    points = cubic[::-1] if end else cubic
    ways = points[1:] - points[0]
    way = ways[np.argmax(np.hypot(*ways.T) > 1e-6)]
    return (-way if end else way) / np.hypot(*way)


def _points(cubic: np.ndarray) -> np.ndarray:
    """Points along a cubic, close to its ends too."""
    # a curve may bend far within its first or last thousandth
    close = 2.0 ** -np.arange(6, 13)
    t = np.sort(np.r_[np.linspace(0, 1, STEPS), close, 1 - close, STUB, 1 - STUB])[:, None]
    chord, (_, a, b, _) = cubic[3] - cubic[0], cubic - cubic[0]
    if max(abs(chord[0] * v[1] - chord[1] * v[0]) for v in (a, b)) < 1e-6:
        t = np.array([[0.0], [1.0]])
    u = 1 - t
    c = cubic
    found = u**3 * c[0] + 3 * u * u * t * c[1] + 3 * u * t * t * c[2] + t**3 * c[3]
    return found[np.r_[True, np.hypot(*np.diff(found, axis=0).T) > 1e-9]]


def _swept(cubic: np.ndarray, width: float, side: float) -> np.ndarray:
    """(n, 4, 2) convex shapes that a cubic sweeps, px."""
    q = _points(cubic)
    way = np.diff(q, axis=0)
    way /= np.hypot(*way.T)[:, None]
    out = np.stack([way[:, 1], -way[:, 0]], 1) * side * width
    a, b = q[:-1], q[1:]
    bands = np.stack([a, b, b + out, a + out], 1)
    fans = np.stack([a[1:], a[1:], a[1:] + out[:-1], a[1:] + out[1:]], 1)
    return np.concatenate([bands, fans])


def turn_at(before: np.ndarray, after: np.ndarray) -> tuple[float, float]:
    """Cross and dot product of the tangents where one cubic leads into another."""
    a, b = _tangent(before, True), _tangent(after, False)
    return float(a[0] * b[1] - a[1] * b[0]), float(a @ b)


def _corner(before: np.ndarray, after: np.ndarray, pen: skia.Paint) -> np.ndarray:
    a, b, at = _tangent(before, True), _tangent(after, False), after[0]
    path, line = skia.Path(), skia.Path()
    path.addPoly([skia.Point(*map(float, p)) for p in (at - a * SHORT, at, at + b * SHORT)], False)
    pen.getFillPath(path, line)
    move = skia.Path.Verb.kMove_Verb
    points = [p for verb, pts in line for p in (pts[:1] if verb == move else pts[1:])]
    return np.array([(p.x(), p.y()) for p in points])


def stroked(
    cubics: np.ndarray, box: Box, width: float, join: str, limit: float, outside: bool
) -> np.ndarray:
    """(H, W) coverage over `box` of a stroke on one side of outlines (n, 4, 2) px."""
    pen = skia.Paint(
        Style=skia.Paint.kStroke_Style,
        StrokeWidth=2 * width,
        StrokeJoin=JOINS[join],
        StrokeMiter=limit,
    )
    side = 1.0 if outside else -1.0
    picture = np.zeros((box.height * FINE, box.width * FINE), np.uint8)

    def fine(points: np.ndarray) -> np.ndarray:
        return np.rint((points - (box.x0, box.y0)) * FINE - 0.5).astype(np.int32)

    for part in contours(cubics):
        for n, cubic in enumerate(part):
            for shape in fine(_swept(cubic, width, side)):
                cv2.fillConvexPoly(picture, shape, 1)
            if turn_at(part[n - 1], cubic)[0] * side > 1e-9:
                cv2.fillPoly(picture, [fine(_corner(part[n - 1], cubic, pen))], 1)
    return picture.reshape(box.height, FINE, box.width, FINE).mean((1, 3))


def near_the_limit(cubics: np.ndarray, limit: float) -> bool:
    """Whether a corner's mitre is as long as the limit, so that rounding decides about it."""
    for part in contours(cubics):
        for n in range(len(part)):
            _, dot = turn_at(part[n - 1], part[n])
            length = 1 / np.sqrt(max((1 + dot) / 2, 1e-12))
            if abs(length / limit - 1) < 0.005:
                return True
    return False


def largest_spot(found: np.ndarray, true: np.ndarray, levels: float = 96) -> int:
    """px of the largest connected spot that differs by more than some levels of 255."""
    labels, count = ndimage.label(np.abs(found - true) > levels / 255, np.ones((3, 3)))
    return int(np.bincount(labels.ravel())[1:].max()) if count else 0
