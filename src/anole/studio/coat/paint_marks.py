"""How a paint is held on the board: an open ring where it starts, an arrowhead where it ends, each
in its stop's colour; a four-way mark moves it, a bow turns it."""

from __future__ import annotations

import math

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QPainter, QPainterPath, QPolygonF

from ...core.paint.handles import PaintHandle
from ..look import theme
from ..look.four_ways import paint_four_ways, paint_twice
from ..look.qt_colour import to_qt

RING, HEAD, BOW = 6.5, 13.0, 9.0
ENDS = ("end", "turn")
WORDS = {
    "start": "Drag: where the colours start",
    "end": "Drag: where they end",
    "middle": "Drag: the middle",
    "move": "Drag: moves the paint inside the letters",
    "turn": "Drag: turns and sizes it",
}
Placed = list[tuple[PaintHandle, QPointF]]


def paint_grips(painter: QPainter, placed: Placed) -> None:
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
        colour = to_qt(grip.colour) if grip.colour is not None else theme.colour("text")
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
