"""What marks are drawn with: paths in thousandths of a mark's size, about its middle."""

from __future__ import annotations

import math
from collections.abc import Iterable

import skia

from ..svg.shapes import oval
from ..svg.stroking import without_conics

SIZE = 1000.0
"""Units across a mark."""
Point = tuple[float, float]


def polar(angle: float, far: float) -> Point:
    """A point by degrees clockwise from up, and its distance."""
    turn = math.radians(angle)
    return far * math.sin(turn), -far * math.cos(turn)


def polygon(points: Iterable[Point]) -> skia.Path:
    """A closed polygon."""
    path = skia.Path()
    path.addPoly([skia.Point(*point) for point in points], True)
    return path


def disc(x: float, y: float, radius: float, high: float | None = None) -> skia.Path:
    """A disc, or an ellipse."""
    return oval(x, y, radius, radius if high is None else high)


def line(points: Iterable[Point], wide: float) -> skia.Path:
    """A line of one width with round ends and joins."""
    bare = skia.Path()
    for n, point in enumerate(points):
        (bare.lineTo if n else bare.moveTo)(*point)
    return thick(bare, wide)


def thick(bare: skia.Path, wide: float) -> skia.Path:
    """The area of a path's line."""
    paint = skia.Paint(
        Style=skia.Paint.kStroke_Style,
        StrokeWidth=wide,
        StrokeCap=skia.Paint.kRound_Cap,
        StrokeJoin=skia.Paint.kRound_Join,
    )
    area = skia.Path()
    paint.getFillPath(bare, area, None, 4.0)
    return without_conics(area)


def both(*parts: skia.Path) -> skia.Path:
    """All parts as one area."""
    whole = skia.OpBuilder()
    for part in parts:
        whole.add(part, skia.kUnion_PathOp)
    return whole.resolve()


def cut(area: skia.Path, *holes: skia.Path) -> skia.Path:
    """An area without others."""
    for hole in holes:
        area = skia.Op(area, hole, skia.kDifference_PathOp)
    return area


def turned(path: skia.Path, angle: float) -> skia.Path:
    """A path turned clockwise about the middle."""
    copy = skia.Path(path)
    copy.transform(skia.Matrix.RotateDeg(angle))
    return copy


def around(path: skia.Path, times: int) -> skia.Path:
    """A path repeated about the middle."""
    return both(*(turned(path, 360 * n / times) for n in range(times)))


def star(tips: Iterable[float], waist: float, bulge: float) -> skia.Path:
    """Tips at equal angles, the first upward, with sides that bend inwards.

    tips : distance of each; waist : distance of the sides' middles; bulge : 0 straight, 1 hollow
    """
    far = list(tips)
    step = 360 / len(far)
    path = skia.Path()
    path.moveTo(*polar(0, far[0]))
    for n, _ in enumerate(far):
        low = polar((n + 0.5) * step, waist)
        for start, end, angle in (
            (polar(n * step, far[n]), low, n * step),
            (low, polar((n + 1) * step, far[(n + 1) % len(far)]), (n + 1) * step),
        ):
            pull = polar(angle, waist * 1.1)
            x, y = (
                (1 - bulge) * (a + b) / 2 + bulge * c
                for a, b, c in zip(start, end, pull, strict=True)
            )
            path.quadTo(x, y, *end)
    path.close()
    return path
