"""How a paint is held on the board: an open ring where it starts, an arrowhead where it ends, each
in its stop's colour; a four-way mark moves it, a bow turns it."""

from __future__ import annotations

import math
from typing import Any

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QPainter, QPainterPath, QPolygonF

from ...core.model import Gradient
from ..look import theme
from ..look.four_ways import paint_four_ways, paint_twice
from ..look.qt_colour import to_qt
from .paint_handles import Grip

RING, HEAD, BOW = 6.5, 13.0, 9.0
ENDS = ("end", "turn")
Placed = list[tuple[Grip, QPointF]]


def _stop_colour(paint: Any, kind: str) -> QColor:
    """The colour that the paint has at a grip."""
    if not isinstance(paint, Gradient):
        return theme.colour("text")
    first, last = paint.stops[0].colour, paint.stops[-1].colour
    if paint.reversed:
        first, last = last, first
    return to_qt(last if kind in ENDS else first)


def paint_grips(painter: QPainter, paint: Any, placed: Placed) -> None:
    """All marks of a paint, and the line between them."""
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    (_, first), (_, last) = placed[0], placed[-1]
    way = last - first
    length = math.hypot(way.x(), way.y())
    unit = way / length if length > 1e-6 else QPointF(1, 0)
    start, end = first + unit * RING, last - unit * (HEAD - 2)
    if length > RING + HEAD:
        paint_twice(painter, lambda: painter.drawLine(start, end), 1.4)
    for grip, spot in placed:
        colour = _stop_colour(paint, grip.kind)
        if grip.kind == "end":
            _arrowhead(painter, spot, unit, colour)
        elif grip.kind == "move":
            paint_four_ways(painter, spot)
        elif grip.kind == "turn":
            _bow(painter, spot, unit)
        else:
            _ring(painter, spot, colour)


def _ring(painter: QPainter, spot: QPointF, colour: QColor) -> None:
    painter.setBrush(colour)
    paint_twice(painter, lambda: painter.drawEllipse(spot, RING, RING), 2.0)
    painter.setBrush(Qt.BrushStyle.NoBrush)


def _arrowhead(painter: QPainter, tip: QPointF, unit: QPointF, colour: QColor) -> None:
    across = QPointF(-unit.y(), unit.x())
    back = tip - unit * HEAD
    head = QPolygonF([tip, back + across * 6.5, back + unit * 3, back - across * 6.5])
    painter.setBrush(colour)
    paint_twice(painter, lambda: painter.drawPolygon(head), 2.0)
    painter.setBrush(Qt.BrushStyle.NoBrush)


def _bow(painter: QPainter, spot: QPointF, unit: QPointF) -> None:
    """A bent arrow round the mark that moves: pulled round, it turns; pulled out, it grows."""
    degrees = math.degrees(math.atan2(-unit.y(), unit.x()))
    middle = spot - unit * BOW
    path = QPainterPath()
    box = QRectF(middle.x() - BOW, middle.y() - BOW, 2 * BOW, 2 * BOW)
    path.arcMoveTo(box, degrees - 62)
    path.arcTo(box, degrees - 62, 124)
    tips = []
    for sign in (-1, 1):
        turn = math.radians(degrees + sign * 62)
        tip = middle + QPointF(math.cos(turn), -math.sin(turn)) * BOW
        along = QPointF(sign * math.sin(turn), sign * math.cos(turn)) * -1
        out = QPointF(math.cos(turn), -math.sin(turn))
        tips.append((tip, tip + along * 4 + out * 3.2, tip + along * 4 - out * 3.2))
    for tip, one, other in tips:
        path.moveTo(one)
        path.lineTo(tip)
        path.lineTo(other)
    paint_twice(painter, lambda: painter.drawPath(path), 1.8)
