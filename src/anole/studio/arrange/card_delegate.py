"""How one piece is drawn in the list: its picture, name and kind, and whether it is shown and locked."""

from __future__ import annotations

from typing import Protocol

from PyQt6.QtCore import QModelIndex, QObject, QRect, QRectF, QSize, Qt
from PyQt6.QtGui import QImage, QPainter, QPen
from PyQt6.QtWidgets import QStyle, QStyledItemDelegate, QStyleOptionViewItem

from ...core.model import Piece
from ...core.pieces.registry import kind_of
from .. import icons, theme

CARD, MINI, ICON = 58, 70, 16
ID = Qt.ItemDataRole.UserRole


def icon_boxes(rect: QRect) -> tuple[QRectF, QRectF]:
    """Where a card's eye and lock are."""
    y = rect.center().y() - ICON / 2
    right = rect.right() - 9
    return (
        QRectF(right - 2 * ICON - 6, y, ICON, ICON),
        QRectF(right - ICON, y, ICON, ICON),
    )


class Cards(Protocol):
    """What the list that owns the cards knows of them."""

    images: dict[str, QImage]

    def piece(self, piece_id: str) -> Piece | None: ...


class CardDelegate(QStyledItemDelegate):
    def __init__(self, owner: Cards, parent: QObject) -> None:
        super().__init__(parent)
        self._owner = owner

    def sizeHint(self, option: QStyleOptionViewItem, index: QModelIndex) -> QSize:
        return QSize(100, CARD + 6)

    def paint(
        self, painter: QPainter | None, option: QStyleOptionViewItem, index: QModelIndex
    ) -> None:
        assert painter is not None
        piece = self._owner.piece(index.data(ID))
        if piece is None:
            return
        painter.save()
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        card = QRectF(option.rect).adjusted(1, 3, -1, -3)
        chosen = bool(option.state & QStyle.StateFlag.State_Selected)
        painter.setPen(QPen(theme.colour("leaf" if chosen else "line"), 1.6 if chosen else 1))
        painter.setBrush(theme.colour("raised"))
        painter.drawRoundedRect(card, 7, 7)
        self._mini(painter, QRectF(card.x() + 6, card.y() + 6, MINI, card.height() - 12), piece.id)
        x = card.x() + MINI + 13
        eye, lock = icon_boxes(option.rect)
        room = eye.x() - x - 6
        painter.setPen(theme.colour("text" if piece.shown else "dim"))
        painter.setFont(theme.font(13, True))
        metrics = painter.fontMetrics()
        name = metrics.elidedText(piece.name or "Unnamed", Qt.TextElideMode.ElideRight, int(room))
        painter.drawText(QRectF(x, card.y() + 8, room, 20), 0, name)
        painter.setFont(theme.font(12))
        painter.setPen(theme.colour("dim"))
        summary = painter.fontMetrics().elidedText(
            kind_of(piece).summary(piece), Qt.TextElideMode.ElideRight, int(room)
        )
        painter.drawText(QRectF(x, card.y() + 28, room, 18), 0, summary)
        strong, weak = theme.theme().text, theme.theme().dim
        icons.draw(
            painter, "eye" if piece.shown else "eye-off", eye, strong if piece.shown else weak
        )
        icons.draw(
            painter, "lock" if piece.locked else "lock-open", lock, strong if piece.locked else weak
        )
        painter.restore()

    def _mini(self, painter: QPainter, box: QRectF, piece_id: str) -> None:
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("sunk"))
        painter.drawRoundedRect(box, 4, 4)
        image = self._owner.images.get(piece_id)
        if image is None:
            return
        scale = min(box.width() / image.width(), box.height() / image.height())
        size = QRectF(0, 0, image.width() * scale, image.height() * scale)
        size.moveCenter(box.center())
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        painter.drawImage(size, image)
