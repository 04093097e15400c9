"""Painting the build-up: the ground, the letter as a block, and the coats as one joined drawing."""

from __future__ import annotations

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QPainter, QPen, QPolygonF

from ....core.coats.registry import kind_of
from ....core.coats.section import throw_at
from ....core.model import Coat
from ...look import theme
from ...look.pixel_images import image_of
from .labels import paint_label
from .marks import handles as paint_handles
from .marks import ruler, uprights
from .profile import row_pixels
from .state import FOOT, LABELS, STRIP, BuildUpState
from .tags import has_tag, paint_tags


def paint(painter: QPainter, state: BuildUpState) -> None:
    """The whole picture, from the letter's cut to the names."""
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    area = state.area
    _ground_and_letter(painter, state, area)
    lefts = dict.fromkeys((coat.id for coat in state.coats), state.axis.edge)
    for coat, row in zip(state.coats, state.rows, strict=True):
        if coat.id not in state.failed and not has_tag(coat):
            lefts[coat.id] = _coat(painter, state, coat, row)
    uprights(painter, state, area)
    ruler(painter, state)
    paint_tags(painter, state)
    for coat, row in zip(state.coats, state.rows, strict=True):
        if has_tag(coat):
            continue
        paint_label(painter, state, coat, row, lefts[coat.id])
        if coat.id == state.chosen:
            paint_handles(painter, state, coat, row)


def _ground_and_letter(painter: QPainter, state: BuildUpState, area: QRectF) -> None:
    axis = state.axis
    ground = QRectF(area.left(), area.top(), axis.edge - area.left(), area.height() + FOOT)
    letter = QRectF(axis.edge, area.top() - 12, axis.right - axis.edge, area.height() + FOOT + 12)
    painter.fillRect(
        QRectF(ground.left(), area.bottom(), ground.width(), FOOT), theme.colour("ground")
    )
    painter.fillRect(letter, theme.colour("letter"))
    painter.save()
    painter.setClipRect(letter)
    painter.setPen(QPen(theme.colour("dim", 0.18), 1))
    for n in range(int((letter.width() + letter.height()) / 9) + 1):
        x = letter.left() + n * 9
        painter.drawLine(QPointF(x, letter.top()), QPointF(x - letter.height(), letter.bottom()))
    painter.restore()
    painter.setPen(theme.colour("text"))
    painter.setFont(theme.font(11))
    low = area.bottom() + FOOT - 10
    painter.drawText(QPointF(ground.left() + 6, low), "ground")
    painter.drawText(QPointF(letter.left() + 6, low), "letter")


def _coat(painter: QPainter, state: BuildUpState, coat: Coat, row: QRectF) -> float:
    """A coat's true paint with its true falloff, exactly on its span; returns where it begins."""
    axis = state.axis
    xs = np.arange(int(axis.left), int(axis.right)) + 0.5
    pixels = row_pixels(coat, state.section, axis.positions(xs))[None]
    painter.save()
    painter.setOpacity(1.0 if state.is_seen(coat) else 0.12)
    painter.drawImage(QRectF(int(axis.left), row.top(), len(xs), row.height()), image_of(pixels))
    painter.restore()
    seen = np.flatnonzero(pixels[0, :, 3] > 3)
    if len(seen):
        box = QRectF(int(axis.left) + seen[0], row.top(), seen[-1] - seen[0] + 1, row.height())
        painter.setPen(QPen(theme.colour("desk", 0.55), 1))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.drawRect(box)
    _arrow(painter, state, coat, row)
    _cross_section(painter, state, coat, row)
    handles, throw = (
        state.handles(coat),
        throw_at(coat, state.section) if state.is_seen(coat) else None,
    )
    lefts = [*(handles or ()), *(axis.x(at) for at in throw or ())]
    if len(seen):
        lefts.append(int(axis.left) + int(seen[0]))
    return min(lefts, default=axis.edge)


def _cross_section(painter: QPainter, state: BuildUpState, coat: Coat, row: QRectF) -> None:
    """A coat with a cross-section shows its outline on its span."""
    xs, share = state.handles(coat), np.linspace(0, 1, 80)
    heights = kind_of(coat).heights(coat, share)
    if xs is None or heights is None or row.height() < 8:
        return
    room = row.height() - 6
    points = [
        QPointF(min(xs) + (max(xs) - min(xs)) * x, row.bottom() - 3 - room * y)
        for x, y in zip(share.tolist(), heights.tolist(), strict=True)
    ]
    line = QPolygonF([*points, QPointF(state.axis.right, points[-1].y())])
    for shade, width in (("desk", 3.4), ("text", 1.5)):
        painter.setPen(QPen(theme.colour(shade, 1.0 if state.is_seen(coat) else 0.4), width))
        painter.drawPolyline(line)


def _arrow(painter: QPainter, state: BuildUpState, coat: Coat, row: QRectF) -> None:
    """Thrown coats show how far."""
    throw = throw_at(coat, state.section)
    if throw is None or not state.is_seen(coat):
        return
    start, end = (state.axis.x(at) for at in throw)
    y = row.center().y()
    tip = 5 if end > start else -5
    for shade, width in (("desk", 4.0), ("text", 1.6)):
        painter.setPen(QPen(theme.colour(shade), width, cap=Qt.PenCapStyle.RoundCap))
        painter.drawLine(QPointF(start, y), QPointF(end, y))
        painter.drawPolyline(
            QPolygonF([QPointF(end - tip, y - 4), QPointF(end, y), QPointF(end - tip, y + 4)])
        )


def paint_strip(painter: QPainter, state: BuildUpState) -> None:
    """The rendered pixels along a line across the edge, in the same scale."""
    area = state.area
    top = area.bottom() + FOOT + 8
    painter.setFont(theme.font(11))
    painter.setPen(theme.colour("dim"))
    painter.drawText(
        QRectF(4, top, LABELS - 8, STRIP), Qt.AlignmentFlag.AlignVCenter, "as rendered"
    )
    box = QRectF(int(state.axis.left), top, int(state.axis.right) - int(state.axis.left), STRIP)
    painter.fillRect(box, theme.colour("sunk"))
    if state.strip is not None and state.strip.shape[0] == int(box.width()):
        painter.drawImage(box, image_of(state.strip[None]))
    painter.setPen(QPen(theme.colour("line"), 1))
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.drawRect(box)
    painter.setPen(QPen(theme.colour("text"), 1.6))
    painter.drawLine(QPointF(state.axis.edge, top - 3), QPointF(state.axis.edge, top + STRIP + 3))


def paint_lit(painter: QPainter, state: BuildUpState, lit: str | None) -> None:
    """The row of a coat that is lit, over all its width."""
    for coat, row in zip(state.coats, state.rows, strict=True):
        if coat.id == lit:
            box = row if has_tag(coat) else row.adjusted(-LABELS + 2, 1, 2, -1)
            painter.setPen(QPen(theme.colour("leaf"), 2))
            painter.setBrush(theme.colour("leaf", 0.3))
            painter.drawRoundedRect(box, 4, 4)
