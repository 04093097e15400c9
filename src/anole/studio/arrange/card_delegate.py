"""How one piece is drawn in the list: its picture, name and kind, and whether it is shown and locked."""

from __future__ import annotations

from typing import Protocol

from PyQt6.QtCore import QModelIndex, QObject, QPointF, QRect, QRectF, QSize, Qt
from PyQt6.QtGui import QImage, QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import QStyle, QStyledItemDelegate, QStyleOptionViewItem

from ...core.pieces.registry import kind_of
from ..look import icons, theme
from .rows import PieceRow

CARD, MINI, ICON, INDENT, FOLD = 58, 70, 16, 12, 18
ID = Qt.ItemDataRole.UserRole


def icon_boxes(rect: QRect) -> tuple[QRectF, QRectF]:
    """Where a card's eye and lock are."""
    y = rect.center().y() - ICON / 2
    right = rect.right() - 9
    return (
        QRectF(right - 2 * ICON - 6, y, ICON, ICON),
        QRectF(right - ICON, y, ICON, ICON),
    )


def fold_box(rect: QRect, depth: int) -> QRectF:
    """Where a cluster's card is clicked to show what it holds, or to hide it."""
    x = rect.x() + 3 + depth * INDENT
    return QRectF(x, rect.y(), FOLD, rect.height())


class Cards(Protocol):
    """What the list that owns the cards knows of them."""

    images: dict[str, QImage]

    def row_of(self, piece_id: str) -> PieceRow | None:
        """What stands in a piece's row; None for one that is gone."""


def _told(row: PieceRow) -> str:
    """What clips it comes before its kind: there is room for little."""
    return " \u00b7 ".join(filter(None, (row.note, kind_of(row.piece).summary(row.piece))))


class CardDelegate(QStyledItemDelegate):
    """Draws a piece as a card: its picture, name and kind, its eye and its lock."""

    def __init__(self, owner: Cards, parent: QObject) -> None:
        super().__init__(parent)
        self._owner = owner

    def sizeHint(self, option: QStyleOptionViewItem, index: QModelIndex) -> QSize:
        return QSize(100, CARD + 6)

    def paint(
        self, painter: QPainter | None, option: QStyleOptionViewItem, index: QModelIndex
    ) -> None:
        assert painter is not None
        row = self._owner.row_of(index.data(ID))
        if row is None:
            return
        piece = row.piece
        painter.save()
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        card = QRectF(option.rect).adjusted(1 + row.depth * INDENT, 3, -1, -3)
        chosen = bool(option.state & QStyle.StateFlag.State_Selected)
        painter.setPen(QPen(theme.colour("leaf" if chosen else "line"), 1.6 if chosen else 1))
        painter.setBrush(theme.colour("raised"))
        painter.drawRoundedRect(card, 7, 7)
        left = card.x() + 6 + (FOLD - 4 if row.folded is not None else 0)
        wide = MINI - row.depth * INDENT
        self._mini(painter, QRectF(left, card.y() + 6, wide, card.height() - 12), piece.id)
        if row.folded is not None:
            self._fold(painter, fold_box(option.rect, row.depth), row.folded)
        if row.depth:
            self._branch(painter, card)
        x = left + wide + 7
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
            _told(row), Qt.TextElideMode.ElideRight, int(room)
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

    def _fold(self, painter: QPainter, box: QRectF, folded: bool) -> None:
        """A wedge that points at what is hidden, or down at what is shown."""
        middle = box.center()
        wedge = [QPointF(-2.5, -4.5), QPointF(2.5, 0), QPointF(-2.5, 4.5)]
        if not folded:
            wedge = [QPointF(-4.5, -2.5), QPointF(0, 2.5), QPointF(4.5, -2.5)]
        painter.setPen(QPen(theme.colour("text"), 1.6))
        painter.drawPolyline(QPolygonF([middle + point for point in wedge]))

    def _branch(self, painter: QPainter, card: QRectF) -> None:
        """The line by which a piece hangs on its cluster."""
        x = card.x() - INDENT / 2
        painter.setPen(QPen(theme.colour("line"), 1.2))
        painter.drawLine(QPointF(x, card.y() - 3), QPointF(x, card.bottom() + 3))
        painter.drawLine(QPointF(x, card.center().y()), QPointF(card.x(), card.center().y()))

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
