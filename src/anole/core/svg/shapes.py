"""Basic shapes and path data to Skia paths (SVG 2, sections 9 and 10)."""

from __future__ import annotations

import math
from xml.etree.ElementTree import Element

import skia
from fontTools.svgLib.path import parse_path

from .errors import SvgError, SvgTroubles
from .numbers import length, numbers
from .parsing import local

MOST_POINTS, MOST_DATA = 200_000, 8_000_000
EIGHTH = 4 / 3 * math.tan(math.pi / 16)
"""A cubic's handles for an eighth of a circle: it is off by 4e-6 of the radius."""


class _Pen:
    """Takes the calls of the parser of path data into a path, y down as it is."""

    def __init__(self) -> None:
        self.path, self.points = skia.Path(), 0

    def _count(self) -> None:
        self.points += 1
        if self.points > MOST_POINTS:
            raise SvgError(f"it has a path of more than {MOST_POINTS:,} points")

    def moveTo(self, p: tuple[float, float]) -> None:
        self._count()
        self.path.moveTo(*p)

    def lineTo(self, p: tuple[float, float]) -> None:
        self._count()
        self.path.lineTo(*p)

    def qCurveTo(self, *p: tuple[float, float]) -> None:
        self._count()
        self.path.quadTo(*p[0], *p[1])

    def curveTo(self, *p: tuple[float, float]) -> None:
        self._count()
        self.path.cubicTo(*p[0], *p[1], *p[2])

    def closePath(self) -> None:
        self.path.close()

    def endPath(self) -> None:
        pass


def data_path(data: str, troubles: SvgTroubles) -> skia.Path:
    """A path of path data; as far as it can be read, as the standard says."""
    if len(data) > MOST_DATA:
        raise SvgError("it has a path with more data than can be drawn")
    pen = _Pen()
    try:
        parse_path(data, pen)
    except SvgError:
        raise
    except Exception:  # the parser raises whatever it stumbles over
        troubles.add("the rest of a path that cannot be read")
    return pen.path


def _polygon(text: str, closed: bool) -> skia.Path:
    found = numbers(text)
    if len(found) > 2 * MOST_POINTS:
        raise SvgError(f"it has a path of more than {MOST_POINTS:,} points")
    path = skia.Path()
    points = list(zip(found[::2], found[1::2], strict=False))
    for n, point in enumerate(points):
        (path.lineTo if n else path.moveTo)(*point)
    if closed and points:
        path.close()
    return path


def _eighth(
    path: skia.Path, centre: tuple[float, float], radii: tuple[float, float], a: float
) -> None:
    """Lead `path` on by an eighth of an ellipse, from its angle `a` (radians), as one cubic."""
    (cx, cy), (rx, ry), b = centre, radii, a + math.pi / 4
    ca, sa, cb, sb = math.cos(a), math.sin(a), math.cos(b), math.sin(b)
    path.cubicTo(
        cx + rx * (ca - EIGHTH * sa),
        cy + ry * (sa + EIGHTH * ca),
        cx + rx * (cb + EIGHTH * sb),
        cy + ry * (sb - EIGHTH * cb),
        cx + rx * cb,
        cy + ry * sb,
    )


def oval(cx: float, cy: float, rx: float, ry: float) -> skia.Path:
    """An ellipse of eight cubics, clockwise from the right."""
    path = skia.Path()
    path.moveTo(cx + rx, cy)
    for n in range(8):
        _eighth(path, (cx, cy), (rx, ry), n * math.pi / 4)
    path.close()
    return path


def _rounded(x: float, y: float, wide: float, high: float, rx: float, ry: float) -> skia.Path:
    """A rectangle whose corners are quarters of ellipses."""
    corners = (
        (x + wide - rx, y + ry, -math.pi / 2),
        (x + wide - rx, y + high - ry, 0.0),
        (x + rx, y + high - ry, math.pi / 2),
        (x + rx, y + ry, math.pi),
    )
    path = skia.Path()
    path.moveTo(x + rx, y)
    for cx, cy, start in corners:
        path.lineTo(cx + rx * math.cos(start), cy + ry * math.sin(start))
        for n in (0, 1):
            _eighth(path, (cx, cy), (rx, ry), start + n * math.pi / 4)
    path.close()
    return path


def _rect(element: Element, size: tuple[float, float]) -> skia.Path:
    x, y = length(element.get("x"), size[0]), length(element.get("y"), size[1])
    wide, high = length(element.get("width"), size[0]), length(element.get("height"), size[1])
    path = skia.Path()
    if wide <= 0 or high <= 0:
        return path
    rx = length(element.get("rx"), size[0], default=-1.0)
    ry = length(element.get("ry"), size[1], default=-1.0)
    rx, ry = (ry if rx < 0 else rx), (rx if ry < 0 else ry)
    rx, ry = min(max(rx, 0.0), wide / 2), min(max(ry, 0.0), high / 2)
    if rx and ry:
        return _rounded(x, y, wide, high, rx, ry)
    path.addRect(skia.Rect(x, y, x + wide, y + high))
    return path


def _ellipse(element: Element, size: tuple[float, float]) -> skia.Path:
    cx, cy = length(element.get("cx"), size[0]), length(element.get("cy"), size[1])
    if local(element) == "circle":
        rx = ry = length(element.get("r"), math.hypot(*size) / math.sqrt(2))
    else:
        rx = length(element.get("rx"), size[0], default=-1.0)
        ry = length(element.get("ry"), size[1], default=-1.0)
        rx, ry = (ry if rx < 0 else rx), (rx if ry < 0 else ry)
    return oval(cx, cy, rx, ry) if rx > 0 and ry > 0 else skia.Path()


def _line(element: Element, size: tuple[float, float]) -> skia.Path:
    path = skia.Path()
    path.moveTo(length(element.get("x1"), size[0]), length(element.get("y1"), size[1]))
    path.lineTo(length(element.get("x2"), size[0]), length(element.get("y2"), size[1]))
    return path


def shape(element: Element, size: tuple[float, float], troubles: SvgTroubles) -> skia.Path | None:
    """The path of a shape; None for what is none. `size` is the viewport's, for percentages."""
    name = local(element)
    if name == "path":
        return data_path(element.get("d", ""), troubles)
    if name == "rect":
        return _rect(element, size)
    if name in ("circle", "ellipse"):
        return _ellipse(element, size)
    if name == "line":
        return _line(element, size)
    if name in ("polygon", "polyline"):
        return _polygon(element.get("points", ""), name == "polygon")
    return None
