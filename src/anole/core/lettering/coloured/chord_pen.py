"""A glyph's outline as chords: Skia draws a curve a little differently where its canvas ends amid it,
and a picture is to be the same however it is cut."""

from __future__ import annotations

import math

import skia

Point = tuple[float, float]
MOST = 64
"""Chords of a curve."""


class ChordPen:
    """Takes HarfBuzz's pen calls into a Skia path of lines, both in font units, y up.

    within : by which a chord may lie beside its curve
    """

    def __init__(self, within: float) -> None:
        self.path = skia.Path()
        self._within, self._at = within, (0.0, 0.0)

    def moveTo(self, p: Point) -> None:
        self.path.moveTo(*p)
        self._at = p

    def lineTo(self, p: Point) -> None:
        self.path.lineTo(*p)
        self._at = p

    def qCurveTo(self, c: Point, p: Point) -> None:
        (ax, ay), (cx, cy), (px, py) = self._at, c, p
        # a quadratic's chord lies at most an eighth of its second difference beside it
        count = self._count(math.hypot(ax - 2 * cx + px, ay - 2 * cy + py) / 4)
        for k in range(1, count):
            t = k / count
            a, b, d = (1 - t) ** 2, 2 * t * (1 - t), t * t
            self.path.lineTo(a * ax + b * cx + d * px, a * ay + b * cy + d * py)
        self.lineTo(p)

    def curveTo(self, b: Point, c: Point, p: Point) -> None:
        (ax, ay), (bx, by), (cx, cy), (px, py) = self._at, b, c, p
        bend = max(math.hypot(ax - 2 * bx + cx, ay - 2 * by + cy),
                   math.hypot(bx - 2 * cx + px, by - 2 * cy + py))  # fmt: skip
        # a cubic's second derivative is at most six times the larger second difference
        count = self._count(bend * 6 / 8)
        for k in range(1, count):
            t = k / count
            s = 1 - t
            w, x, y, z = s**3, 3 * t * s * s, 3 * t * t * s, t**3
            self.path.lineTo(w * ax + x * bx + y * cx + z * px, w * ay + x * by + y * cy + z * py)
        self.lineTo(p)

    def _count(self, beside: float) -> int:
        """Chords for a curve that one chord would lie so far beside."""
        return min(max(math.ceil(math.sqrt(beside / self._within)), 1), MOST)

    def closePath(self) -> None:
        self.path.close()

    def endPath(self) -> None:
        self.path.close()
