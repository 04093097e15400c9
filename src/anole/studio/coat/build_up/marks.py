"""What is marked on the build-up: uprights, the ruler, the handles of the chosen band."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QPainter, QPen

from ....core.model import Coat
from ...look import theme
from .axis import nice_step
from .state import FOOT, RULER, STRIP, BuildUpState


def uprights(painter: QPainter, state: BuildUpState, area: QRectF) -> None:
    """The lines at the edge, at the core, and where the ruler breaks."""
    axis = state.axis
    top, low = RULER, area.bottom() + FOOT + STRIP + 10
    painter.setPen(QPen(theme.colour("text"), 1.6))
    painter.drawLine(QPointF(axis.edge, top), QPointF(axis.edge, low))
    if axis.is_broken:
        painter.setPen(QPen(theme.colour("dim"), 1, Qt.PenStyle.DotLine))
        painter.drawLine(QPointF(axis.broken, top + 8), QPointF(axis.broken, low))
    painter.setPen(QPen(theme.colour("text"), 1.2, Qt.PenStyle.DashLine))
    painter.drawLine(QPointF(axis.right, top), QPointF(axis.right, low))


def ruler(painter: QPainter, state: BuildUpState) -> None:
    """The scale above, its ticks and figures."""
    axis, section = state.axis, state.section
    painter.setPen(QPen(theme.colour("dim"), 1))
    painter.drawLine(QPointF(axis.left, RULER), QPointF(axis.right, RULER))
    size = 1.0 if state.unit == "px" else section.em
    painter.setFont(theme.font(11))
    metrics = painter.fontMetrics()
    _outermost(painter, state, size)
    start = axis.broken + 8 if axis.is_broken else axis.left
    for side, reach, room in (
        (-1, axis.near, axis.edge - axis.broken),
        (1, axis.core, axis.right - axis.edge),
    ):
        step = nice_step(reach / size, room, 34)
        for n in range(1, int(reach / size / step) + 1):
            x = axis.x(side * n * step * size)
            painter.drawLine(QPointF(x, RULER - 5), QPointF(x, RULER))
            text = f"{side * n * step:+.3g}".replace("-0.", "-.").replace("+0.", "+.")
            half = metrics.horizontalAdvance(text) / 2
            if side > 0 and x + half > axis.right - 8:
                continue
            if side < 0 and x + half > axis.edge - 16:
                continue
            painter.drawText(QPointF(max(x - half, start), RULER - 9), text)
    _words(painter, state)


def _outermost(painter: QPainter, state: BuildUpState, size: float) -> None:
    """Beyond the break: how far the drawing goes out, and the break in the ruler."""
    axis = state.axis
    if not axis.is_broken:
        return
    painter.drawLine(QPointF(axis.left, RULER - 5), QPointF(axis.left, RULER))
    text = f"{-axis.outer / size:+.3g}".replace("-0.", "-.")
    room = axis.broken - axis.left - 10
    if painter.fontMetrics().horizontalAdvance(text) <= room:
        painter.drawText(QPointF(axis.left, RULER - 9), text)
    for shade, wide in (("panel", 7.0), ("dim", 1.2)):
        painter.setPen(QPen(theme.colour(shade), wide))
        for x in (axis.broken - 2.5, axis.broken + 2.5) if shade == "dim" else (axis.broken,):
            painter.drawLine(QPointF(x - 2.5, RULER + 6), QPointF(x + 2.5, RULER - 6))
    painter.setPen(QPen(theme.colour("dim"), 1))


def _words(painter: QPainter, state: BuildUpState) -> None:
    """Over the ruler: the edge and the core, and what lies outside where there is room."""
    axis = state.axis
    painter.setFont(theme.font(12, True))
    painter.setPen(theme.colour("text"))
    metrics, room = painter.fontMetrics(), axis.right
    for place, word in ((axis.right, "core"), (axis.edge, "edge")):
        wide = metrics.horizontalAdvance(word)
        x = min(place - wide / 2, room - wide + (4 if word == "core" else -6))
        painter.drawText(QPointF(x, 14), word)
        room = x
    painter.setFont(theme.font(11))
    painter.setPen(theme.colour("dim"))
    word = f"outside, {state.unit}"
    if axis.left + painter.fontMetrics().horizontalAdvance(word) + 8 > room:
        word = "outside"
    if axis.left + painter.fontMetrics().horizontalAdvance(word) + 8 <= room:
        painter.drawText(QPointF(axis.left, 14), word)


def handles(painter: QPainter, state: BuildUpState, coat: Coat, row: QRectF) -> None:
    """The ends of the chosen coat's span."""
    xs = state.handles(coat)
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.setPen(QPen(theme.colour("leaf"), 1.6))
    if xs is None:
        return
    painter.drawRect(QRectF(QPointF(min(xs), row.top()), QPointF(max(xs), row.bottom())))
    painter.setFont(theme.font(11, True))
    for x in xs:
        grip = QRectF(
            x - 3.5, row.center().y() - min(row.height() / 2, 11) + 1, 7, min(row.height(), 22) - 2
        )
        painter.setPen(QPen(theme.colour("desk"), 1))
        painter.setBrush(theme.colour("leaf"))
        painter.drawRoundedRect(grip, 2, 2)
