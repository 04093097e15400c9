"""How one font is drawn in the picker: the words in it, its name, and the star."""

from __future__ import annotations

import math
from typing import Protocol

from PyQt6.QtCore import QModelIndex, QObject, QPointF, QRect, QRectF, QSize, Qt
from PyQt6.QtGui import QImage, QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import QStyle, QStyledItemDelegate, QStyleOptionViewItem

from ...look import theme
from .font_rows import FontRow

ROW, WORDS, STAR = 50, 26, 16


def sample_size(width: int) -> tuple[int, int]:
    """px of a sample's picture for a list that wide, at twice its size on the screen."""
    return max(width - 52, 40) * 2, WORDS * 2


def star_box(rect: QRect) -> QRectF:
    """Where the star stands in a row."""
    return QRectF(rect.right() - STAR - 10, rect.center().y() - STAR / 2, STAR, STAR)


def paint_star(painter: QPainter, box: QRectF, kept: bool) -> None:
    """A star, filled when the font is `kept`."""
    points = []
    for n in range(10):
        reach = box.width() / 2 * (1.0 if n % 2 == 0 else 0.44)
        turn = math.pi * n / 5
        points.append(box.center() + QPointF(math.sin(turn), -math.cos(turn)) * reach)
    painter.setPen(QPen(theme.colour("leaf" if kept else "line"), 1.2))
    painter.setBrush(theme.colour("leaf") if kept else Qt.BrushStyle.NoBrush)
    painter.drawPolygon(QPolygonF(points))


class FontPictures(Protocol):
    """What the list that owns the rows knows of them."""

    stems: dict[str, float]

    @property
    def favourites(self) -> list[str]:
        """Families that were starred."""

    def image_of(self, row: FontRow) -> QImage | None:
        """The words in a row's font; None until they are drawn."""


class FontDelegate(QStyledItemDelegate):
    """Draws a font as the words set in it, its name, and a star."""

    def __init__(self, owner: FontPictures, parent: QObject) -> None:
        super().__init__(parent)
        self._owner = owner

    def sizeHint(self, option: QStyleOptionViewItem, index: QModelIndex) -> QSize:
        return QSize(100, ROW)

    def paint(
        self, painter: QPainter | None, option: QStyleOptionViewItem, index: QModelIndex
    ) -> None:
        assert painter is not None
        row = index.data(Qt.ItemDataRole.UserRole)
        painter.save()
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        box = QRectF(option.rect).adjusted(2, 2, -2, -2)
        if option.state & QStyle.StateFlag.State_Selected:
            painter.setPen(QPen(theme.colour("leaf"), 1.6))
            painter.setBrush(theme.colour("raised"))
            painter.drawRoundedRect(box, 6, 6)
        elif option.state & QStyle.StateFlag.State_MouseOver:
            painter.setPen(QPen(theme.colour("line"), 1))
            painter.drawRoundedRect(box, 6, 6)
        image = self._owner.image_of(row)
        if image is not None:
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            place = QRectF(box.x() + 8, box.y() + 3, image.width() / 2, image.height() / 2)
            painter.drawImage(place, image)
        painter.setFont(theme.font(11))
        painter.setPen(theme.colour("dim"))
        stem = self._owner.stems.get(row.family)
        label = f"{row.family}, {row.genre}" + (f", stem {stem:.2f} em" if stem else "")
        room = box.width() - 52
        label = painter.fontMetrics().elidedText(label, Qt.TextElideMode.ElideRight, int(room))
        painter.drawText(QRectF(box.x() + 8, box.y() + 29, room, 15), 0, label)
        paint_star(painter, star_box(option.rect), row.family in self._owner.favourites)
        painter.restore()
