"""Painting the build-up: the ground, the letter as a block, and the coats as one joined drawing."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QImage, QPainter, QPen, QPolygonF

from ...core.coats.registry import kind_of
from ...core.field.mouldings import height as moulding_height
from ...core.model import Board, Coat, Relief, Shadow
from .. import icons, theme
from .axis import Axis, Cut, ends, nice_step, thrown
from .profile import in_unit, row_pixels, summary

LABELS, RULER, STRIP, FOOT = 106.0, 40.0, 22.0, 30.0
EYE = 16.0


class Scene(NamedTuple):
    """One state of the drawing; rows are bottom first like the coats."""

    coats: tuple[Coat, ...]
    rows: tuple[QRectF, ...]
    axis: Axis
    cut: Cut
    board: Board
    chosen: str | None
    unit: str
    strip: np.ndarray | None
    focus: bool


def eye_box(row: QRectF) -> QRectF:
    return QRectF(4, row.center().y() - EYE / 2, EYE, EYE)


def drawing_area(scene: Scene) -> QRectF:
    top = min((row.top() for row in scene.rows), default=RULER)
    low = max((row.bottom() for row in scene.rows), default=RULER + 40)
    return QRectF(QPointF(scene.axis.left, top), QPointF(scene.axis.right, low))


def paint(painter: QPainter, scene: Scene) -> None:
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    area = drawing_area(scene)
    _ground_and_letter(painter, scene, area)
    for coat, row in zip(scene.coats, scene.rows, strict=True):
        _coat(painter, scene, coat, row)
    _uprights(painter, scene, area)
    _ruler(painter, scene)
    for coat, row in zip(scene.coats, scene.rows, strict=True):
        _label(painter, scene, coat, row)
        if coat.id == scene.chosen:
            _handles(painter, scene, coat, row)


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
    base = scene.cut.grown if coat.silhouette == "whole" else 0.0
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


def _uprights(painter: QPainter, scene: Scene, area: QRectF) -> None:
    axis = scene.axis
    top, low = RULER, area.bottom() + FOOT + STRIP + 10
    painter.setPen(QPen(theme.colour("text"), 1.6))
    painter.drawLine(QPointF(axis.edge, top), QPointF(axis.edge, low))
    painter.setPen(QPen(theme.colour("text"), 1.2, Qt.PenStyle.DashLine))
    painter.drawLine(QPointF(axis.right, top), QPointF(axis.right, low))


def _ruler(painter: QPainter, scene: Scene) -> None:
    axis, cut = scene.axis, scene.cut
    painter.setPen(QPen(theme.colour("dim"), 1))
    painter.drawLine(QPointF(axis.left, RULER), QPointF(axis.right, RULER))
    size = 1.0 if scene.unit == "px" else cut.em
    painter.setFont(theme.font(11))
    metrics = painter.fontMetrics()
    for side, reach, room in (
        (-1, axis.outer, axis.edge - axis.left), (1, axis.core, axis.right - axis.edge)
    ):  # fmt: skip
        step = nice_step(reach / size, room, 34)
        for n in range(1, int(reach / size / step) + 1):
            x = axis.x(side * n * step * size)
            painter.drawLine(QPointF(x, RULER - 5), QPointF(x, RULER))
            text = f"{side * n * step:+.3g}".replace("-0.", "-.").replace("+0.", "+.")
            half = metrics.horizontalAdvance(text) / 2
            if side > 0 and x + half > axis.right - 26:
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
    painter.drawText(QPointF(axis.left, 14), f"outside, {scene.unit}")


def _label(painter: QPainter, scene: Scene, coat: Coat, row: QRectF) -> None:
    chosen = coat.id == scene.chosen
    box = QRectF(0, row.top() + 1, LABELS - 6, row.height() - 2)
    if chosen:
        painter.setPen(QPen(theme.colour("leaf"), 1.4 if scene.focus else 1))
        painter.setBrush(theme.colour("leaf", 0.16))
        painter.drawRoundedRect(box.adjusted(0.5, 0.5, -0.5, -0.5), 5, 5)
    shade = "text" if coat.on else "dim"
    eye = eye_box(row)
    if row.height() >= 14:
        icons.draw(painter, "eye" if coat.on else "eye-off", eye, getattr(theme.theme(), shade))
    x, room = eye.right() + 6, box.right() - eye.right() - 10
    tall = row.height() >= 32
    title = kind_of(coat).title
    painter.setFont(theme.font(12 if row.height() < 20 else 13, True))
    painter.setPen(theme.colour(shade))
    second = summary(coat, scene.cut, scene.unit)
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
    pair = ends(coat, scene.cut)
    start = (
        scene.axis.x(min(pair))
        if pair
        else scene.axis.x(0 if coat.__class__.__name__ == "Fill" else -1e9)
    )
    painter.setPen(QPen(theme.colour("leaf" if chosen else "line"), 1.4 if chosen else 1))
    painter.drawLine(QPointF(box.right(), row.center().y()), QPointF(start, row.center().y()))


def handle_xs(scene: Scene, coat: Coat) -> tuple[float, float] | None:
    """Where a span's two ends are drawn, `from` first."""
    pair = ends(coat, scene.cut)
    return None if pair is None else (scene.axis.x(pair[0]), scene.axis.x(pair[1]))


def _handles(painter: QPainter, scene: Scene, coat: Coat, row: QRectF) -> None:
    xs = handle_xs(scene, coat)
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.setPen(QPen(theme.colour("leaf"), 1.6))
    if xs is None:
        return
    painter.drawRect(QRectF(QPointF(min(xs), row.top()), QPointF(max(xs), row.bottom())))
    painter.setFont(theme.font(11, True))
    for x in xs:
        grip = QRectF(x - 3.5, row.center().y() - min(row.height() / 2, 11) + 1, 7,
                      min(row.height(), 22) - 2)  # fmt: skip
        painter.setPen(QPen(theme.colour("desk"), 1))
        painter.setBrush(theme.colour("leaf"))
        painter.drawRoundedRect(grip, 2, 2)


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


def tip(scene: Scene, coat: Coat) -> str:
    """What a screen reader or a tooltip says of a coat."""
    pair = ends(coat, scene.cut)
    where = (
        ""
        if pair is None
        else f", from {in_unit(pair[0], scene.cut, scene.unit)} "
        f"to {in_unit(pair[1], scene.cut, scene.unit)} {scene.unit}"
    )
    return f"{kind_of(coat).title} {coat.name}{where}{'' if coat.on else ', switched off'}"
