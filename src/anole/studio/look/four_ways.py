"""The four-way mark: what can be moved in every direction is held by it."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QPainter, QPainterPath, QPen

from . import theme

CROSS = 10.0


def paint_twice(painter: QPainter, draw: Any, wide: float) -> None:
    """A light line with a dark rim: it is seen on any ground."""
    for shade, more in (("desk", 2.2), ("text", 0.0)):
        painter.setPen(
            QPen(
                theme.colour(shade),
                wide + more,
                cap=Qt.PenCapStyle.RoundCap,
                join=Qt.PenJoinStyle.RoundJoin,
            )
        )
        draw()


def paint_four_ways(painter: QPainter, spot: QPointF) -> None:
    """Arrows to all four sides of a spot."""
    path = QPainterPath()
    for dx, dy in ((1, 0), (-1, 0), (0, 1), (0, -1)):
        tip = spot + QPointF(dx, dy) * CROSS
        path.moveTo(spot)
        path.lineTo(tip)
        for side in (-3.5, 3.5):
            path.moveTo(tip)
            path.lineTo(tip - QPointF(dx, dy) * 3.5 + QPointF(-dy, dx) * side)
    paint_twice(painter, lambda: painter.drawPath(path), 1.6)
