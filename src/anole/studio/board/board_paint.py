"""The board as the view shows it: the desk round it, its picture, its border and its size."""

from __future__ import annotations

import functools

from PyQt6.QtCore import QPointF, QRect, QRectF, Qt
from PyQt6.QtGui import QBrush, QColor, QPainter, QPen, QPixmap

from ...core.model import Board
from ..look import theme
from ..look.painting import painting
from ..look.view_transform import ViewTransform
from ..rendering.frames import Frame


def _around(whole: QRect, area: QRectF) -> list[QRect]:
    """What the board leaves free of the view, and a pixel under its edge: most is not filled."""
    hole = area.toAlignedRect().adjusted(2, 2, -2, -2).intersected(whole)
    if hole.isEmpty():
        return [whole]
    w, h = whole.width(), whole.height()
    x0, y0, x1, y1 = hole.left(), hole.top(), hole.right() + 1, hole.bottom() + 1
    return [
        QRect(0, 0, w, y0),
        QRect(0, y1, w, h - y1),
        QRect(0, y0, x0, y1 - y0),
        QRect(x1, y0, w - x1, y1 - y0),
    ]


@functools.lru_cache(2)
def _checks(dark: str, light: str) -> QBrush:
    tile = QPixmap(24, 24)
    tile.fill(QColor(dark))
    with painting(tile) as painter:
        painter.fillRect(0, 0, 12, 12, QColor(light))
        painter.fillRect(12, 12, 12, 12, QColor(light))
    return QBrush(tile)


def checks() -> QBrush:
    """What shows where nothing is painted."""
    return _checks(theme.theme().sunk, theme.theme().raised)


def paint(
    painter: QPainter,
    view: QRect,
    board: Board,
    frame: Frame | None,
    now: ViewTransform,
    ratio: float,
) -> None:
    """All but what tools draw; `ratio`: device px for one of the view."""
    area = now.rect(0, 0, board.width, board.height)
    for side in _around(view, area):
        painter.fillRect(side, theme.colour("desk"))
    seen = area.intersected(QRectF(view))
    if frame is None or not _hidden(seen, frame, now):
        painter.fillRect(seen, checks())
    if frame is not None:
        _draw(painter, frame, now, ratio)
    painter.setPen(QPen(theme.colour("line"), 1))
    painter.drawRect(area.adjusted(-0.5, -0.5, 0.5, 0.5))
    painter.setPen(theme.colour("dim"))
    painter.setFont(theme.font(11))
    label = f"{board.width} × {board.height}"
    painter.drawText(QPointF(max(area.x(), 6), max(area.y() - 8, 14)), label)


def paint_lit(painter: QPainter, area: QRectF) -> None:
    """A bright frame round an area, with a dark rim: it is seen on any picture."""
    box = area.adjusted(-5, -5, 5, 5)
    painter.setBrush(Qt.BrushStyle.NoBrush)
    for shade, wide in (("desk", 5.0), ("leaf", 2.4)):
        painter.setPen(QPen(theme.colour(shade), wide))
        painter.drawRoundedRect(box, 5, 5)


def paint_words(painter: QPainter, view: QRect, words: str) -> None:
    """A line at the foot of the view, on any picture."""
    painter.setFont(theme.font(13))
    metrics = painter.fontMetrics()
    words = metrics.elidedText(words, Qt.TextElideMode.ElideRight, view.width() - 60)
    wide, high = metrics.horizontalAdvance(words) + 28, metrics.height() + 12
    box = QRectF((view.width() - wide) / 2, view.height() - high - 14, wide, high)
    painter.setPen(QPen(theme.colour("line"), 1))
    painter.setBrush(theme.colour("panel"))
    painter.drawRoundedRect(box, high / 2, high / 2)
    painter.setPen(theme.colour("text"))
    painter.drawText(box, Qt.AlignmentFlag.AlignCenter, words)


def _frame_rect(frame: Frame, now: ViewTransform) -> QRectF:
    box, scale = frame.box, frame.scale
    return now.rect(box.x0 / scale, box.y0 / scale, box.width / scale, box.height / scale)


def _hidden(seen: QRectF, frame: Frame, now: ViewTransform) -> bool:
    """Whether the picture lies over all that is seen of the board."""
    return frame.opaque and _frame_rect(frame, now).adjusted(-1, -1, 1, 1).contains(seen)


def _draw(painter: QPainter, frame: Frame, now: ViewTransform, ratio: float) -> None:
    """Pixel by pixel where the picture has the screen's own size, else stretched."""
    rect, size = _frame_rect(frame, now), frame.image.size()
    same = abs(rect.width() * ratio - size.width()) < 0.75
    if same and abs(rect.height() * ratio - size.height()) < 0.75:
        frame.image.setDevicePixelRatio(ratio)
        corner = QPointF(round(rect.x() * ratio) / ratio, round(rect.y() * ratio) / ratio)
        painter.drawImage(corner, frame.image)
    else:
        painter.drawImage(rect, frame.image, QRectF(frame.image.rect()))
