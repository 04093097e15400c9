"""Painting the build-up: the ground, the letter as a block, and the coats as one joined drawing."""

from __future__ import annotations

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QImage, QPainter, QPen, QPolygonF

from ....core.field.mouldings import height as moulding_height
from ....core.model import Coat, Relief, Shadow
from ... import theme
from .axis import thrown
from .marks import handles, label, ruler, uprights
from .profile import row_pixels
from .scene import FOOT, LABELS, STRIP, Scene, drawing_area, handle_xs


def paint(painter: QPainter, scene: Scene) -> None:
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    area = drawing_area(scene)
    _ground_and_letter(painter, scene, area)
    for coat, row in zip(scene.coats, scene.rows, strict=True):
        _coat(painter, scene, coat, row)
    uprights(painter, scene, area)
    ruler(painter, scene)
    for coat, row in zip(scene.coats, scene.rows, strict=True):
        label(painter, scene, coat, row)
        if coat.id == scene.chosen:
            handles(painter, scene, coat, row)


def _ground_and_letter(painter: QPainter, scene: Scene, area: QRectF) -> None:
    axis = scene.axis
    ground = QRectF(area.left(), area.top(), axis.edge - area.left(), area.height() + FOOT)
    letter = QRectF(axis.edge, area.top() - 12, axis.right - axis.edge, area.height() + FOOT + 12)
    painter.fillRect(QRectF(ground.left(), area.bottom(), ground.width(), FOOT),
                     theme.colour("ground"))  # fmt: skip
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


def _coat(painter: QPainter, scene: Scene, coat: Coat, row: QRectF) -> None:
    """A coat's true paint with its true falloff, exactly on its span."""
    axis = scene.axis
    xs = np.arange(int(axis.left), int(axis.right)) + 0.5
    pixels = row_pixels(coat, axis.positions(xs), scene.cut, scene.board)[None]
    image = QImage(pixels.data, len(xs), 1, len(xs) * 4, QImage.Format.Format_RGBA8888)  # type: ignore[call-overload]
    painter.save()
    painter.setOpacity(1.0 if coat.on else 0.12)
    painter.drawImage(QRectF(int(axis.left), row.top(), len(xs), row.height()), image)
    painter.restore()
    seen = np.flatnonzero(pixels[0, :, 3] > 3)
    if len(seen):
        box = QRectF(int(axis.left) + seen[0], row.top(), seen[-1] - seen[0] + 1, row.height())
        painter.setPen(QPen(theme.colour("desk", 0.55), 1))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.drawRect(box)
    if isinstance(coat, Shadow) and coat.on:
        _arrow(painter, scene, coat, row)
    if isinstance(coat, Relief):
        _section(painter, scene, coat, row)


def _section(painter: QPainter, scene: Scene, coat: Relief, row: QRectF) -> None:
    """A relief shows its moulding's outline on its span."""
    xs = handle_xs(scene, coat)
    if xs is None or row.height() < 8:
        return
    p = np.linspace(0, 1, 80)
    h = moulding_height(coat.moulding, p)
    if coat.height.value < 0:
        h = 1 - h
    room = row.height() - 6
    line = QPolygonF([
        QPointF(min(xs) + (max(xs) - min(xs)) * x, row.bottom() - 3 - room * y)
        for x, y in zip(p.tolist(), h.tolist(), strict=True)
    ])  # fmt: skip
    line.append(QPointF(scene.axis.right, row.bottom() - 3 - room * float(h[-1])))
    for shade, width in (("desk", 3.4), ("text", 1.5)):
        painter.setPen(QPen(theme.colour(shade, 1.0 if coat.on else 0.4), width))
        painter.drawPolyline(line)


def _arrow(painter: QPainter, scene: Scene, coat: Shadow, row: QRectF) -> None:
    """Lifted coats show how far they are thrown."""
    far, _ = thrown(coat, scene.cut, scene.board)
    base = scene.cut.base(coat)
    inside = coat.falls == "inside"
    start = scene.axis.x(0.0 if inside else -base)
    end = scene.axis.x(far if inside else -base - far)
    y = row.center().y()
    tip = 5 if end > start else -5
    for shade, width in (("desk", 4.0), ("text", 1.6)):
        painter.setPen(QPen(theme.colour(shade), width, cap=Qt.PenCapStyle.RoundCap))
        painter.drawLine(QPointF(start, y), QPointF(end, y))
        painter.drawPolyline(
            QPolygonF([QPointF(end - tip, y - 4), QPointF(end, y), QPointF(end - tip, y + 4)])
        )


def paint_strip(painter: QPainter, scene: Scene) -> None:
    """The rendered pixels along a line across the edge, in the same scale."""
    area = drawing_area(scene)
    top = area.bottom() + FOOT + 8
    painter.setFont(theme.font(11))
    painter.setPen(theme.colour("dim"))
    painter.drawText(
        QRectF(4, top, LABELS - 8, STRIP), Qt.AlignmentFlag.AlignVCenter, "as rendered"
    )
    box = QRectF(int(scene.axis.left), top, int(scene.axis.right) - int(scene.axis.left), STRIP)
    painter.fillRect(box, theme.colour("sunk"))
    if scene.strip is not None and scene.strip.shape[0] == int(box.width()):
        count = scene.strip.shape[0]
        image = QImage(scene.strip.data, count, 1, count * 4, QImage.Format.Format_RGBA8888)  # type: ignore[call-overload]
        painter.drawImage(box, image)
    painter.setPen(QPen(theme.colour("line"), 1))
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.drawRect(box)
    painter.setPen(QPen(theme.colour("text"), 1.6))
    painter.drawLine(QPointF(scene.axis.edge, top - 3), QPointF(scene.axis.edge, top + STRIP + 3))
