"""What is written and marked on the build-up: uprights, the ruler, labels, handles."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QPainter, QPen

from ....core.coats.registry import kind_of
from ....core.model import Coat
from ... import icons, theme
from .axis import nice_step
from .state import FOOT, LABELS, RULER, STRIP, BuildUpState, eye_box


def uprights(painter: QPainter, state: BuildUpState, area: QRectF) -> None:
    axis = state.axis
    top, low = RULER, area.bottom() + FOOT + STRIP + 10
    painter.setPen(QPen(theme.colour("text"), 1.6))
    painter.drawLine(QPointF(axis.edge, top), QPointF(axis.edge, low))
    painter.setPen(QPen(theme.colour("text"), 1.2, Qt.PenStyle.DashLine))
    painter.drawLine(QPointF(axis.right, top), QPointF(axis.right, low))


def ruler(painter: QPainter, state: BuildUpState) -> None:
    axis, section = state.axis, state.section
    painter.setPen(QPen(theme.colour("dim"), 1))
    painter.drawLine(QPointF(axis.left, RULER), QPointF(axis.right, RULER))
    size = 1.0 if state.unit == "px" else section.em
    painter.setFont(theme.font(11))
    metrics = painter.fontMetrics()
    for side, reach, room in (
        (-1, axis.outer, axis.edge - axis.left),
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
            painter.drawText(QPointF(max(x - half, axis.left), RULER - 9), text)
    painter.setFont(theme.font(12, True))
    painter.setPen(theme.colour("text"))
    for x, word in ((axis.edge, "edge"), (axis.right, "core")):
        wide = painter.fontMetrics().horizontalAdvance(word)
        x = min(x - wide / 2, axis.right - wide + 4)
        painter.drawText(QPointF(x, 14), word)
    painter.setFont(theme.font(11))
    painter.setPen(theme.colour("dim"))
    painter.drawText(QPointF(axis.left, 14), f"outside, {state.unit}")


def label(painter: QPainter, state: BuildUpState, coat: Coat, row: QRectF) -> None:
    chosen = coat.id == state.chosen
    box = QRectF(0, row.top() + 1, LABELS - 6, row.height() - 2)
    if chosen:
        painter.setPen(QPen(theme.colour("leaf"), 1.4 if state.focus else 1))
        painter.setBrush(theme.colour("leaf", 0.16))
        painter.drawRoundedRect(box.adjusted(0.5, 0.5, -0.5, -0.5), 5, 5)
    shade = "text" if coat.on else "dim"
    eye = eye_box(row)
    if row.height() >= 14:
        if coat.id in state.failed:
            icons.draw(painter, "triangle-alert", eye, theme.theme().coral)
        else:
            name = "eye" if coat.on else "eye-off"
            icons.draw(painter, name, eye, getattr(theme.theme(), shade))
    x, room = eye.right() + 6, box.right() - eye.right() - 10
    tall = row.height() >= 32
    title = kind_of(coat).title
    painter.setFont(theme.font(12 if row.height() < 20 else 13, True))
    painter.setPen(theme.colour(shade))
    second = state.summary(coat)
    if not tall and coat.name:
        title = f"{title} {coat.name}"
    metrics = painter.fontMetrics()
    title = metrics.elidedText(title, Qt.TextElideMode.ElideRight, int(room))
    line = QRectF(x, row.center().y() - (17 if tall else 9), room, 18)
    painter.drawText(line, Qt.AlignmentFlag.AlignVCenter, title)
    if tall:
        painter.setFont(theme.font(11))
        painter.setPen(theme.colour("dim"))
        second = painter.fontMetrics().elidedText(second, Qt.TextElideMode.ElideRight, int(room))
        painter.drawText(line.translated(0, 16), Qt.AlignmentFlag.AlignVCenter, second)
    xs = state.handles(coat)
    start = state.axis.edge if xs is None else min(xs)
    painter.setPen(QPen(theme.colour("leaf" if chosen else "line"), 1.4 if chosen else 1))
    painter.drawLine(QPointF(box.right(), row.center().y()), QPointF(start, row.center().y()))


def handles(painter: QPainter, state: BuildUpState, coat: Coat, row: QRectF) -> None:
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
