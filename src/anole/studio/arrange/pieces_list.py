"""The pieces as cards, topmost first: choose, order by dragging, hide, lock, rename."""

from __future__ import annotations

import functools
from typing import Any

from PyQt6.QtCore import QItemSelectionModel, QModelIndex, QRect, QRectF, QSize, Qt
from PyQt6.QtGui import QImage, QKeyEvent, QMouseEvent, QPainter, QPen
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QListWidget,
    QListWidgetItem,
    QStyle,
    QStyledItemDelegate,
    QStyleOptionViewItem,
)  # fmt: skip

from ...core.edit.pieces import change_piece, move_in_order, remove_pieces
from ...core.model import Board, Lettering
from .. import icons, theme
from ..document import Document
from ..samples import miniature
from ..seen import WhenSeen
from ..worker import Worker

CARD, MINI, ICON = 58, 74, 18
ID = Qt.ItemDataRole.UserRole
KIND_NAMES = {"Lettering": "words", "Ground": "ground"}


def icon_boxes(rect: QRect) -> tuple[QRectF, QRectF]:
    """Where a card's eye and lock are."""
    y = rect.center().y() - ICON / 2
    right = rect.right() - 12
    return (
        QRectF(right - 2 * ICON - 10, y, ICON, ICON),
        QRectF(right - ICON, y, ICON, ICON),
    )


class CardDelegate(QStyledItemDelegate):
    def __init__(self, owner: PiecesList) -> None:
        super().__init__(owner)
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
        x = card.x() + MINI + 16
        eye, lock = icon_boxes(option.rect)
        room = eye.x() - x - 8
        painter.setPen(theme.colour("text" if piece.shown else "dim"))
        painter.setFont(theme.font(13, True))
        metrics = painter.fontMetrics()
        name = metrics.elidedText(piece.name or "Unnamed", Qt.TextElideMode.ElideRight, int(room))
        painter.drawText(QRectF(x, card.y() + 8, room, 20), 0, name)
        painter.setFont(theme.font(12))
        painter.setPen(theme.colour("dim"))
        kind = KIND_NAMES[type(piece).__name__]
        coats = f", {len(piece.style)} coats" if isinstance(piece, Lettering) else ""
        painter.drawText(QRectF(x, card.y() + 28, room, 18), 0, kind + coats)
        strong, weak = theme.theme().text, theme.theme().dim
        icons.draw(painter, "eye" if piece.shown else "eye-off", eye,
                   strong if piece.shown else weak)  # fmt: skip
        icons.draw(painter, "lock" if piece.locked else "lock-open", lock,
                   strong if piece.locked else weak)  # fmt: skip
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


class PiecesList(QListWidget):
    def __init__(self, document: Document, worker: Worker) -> None:
        super().__init__()
        self.document, self.worker = document, worker
        self.images: dict[str, QImage] = {}
        self._asked: dict[str, Board] = {}
        self._filling = False
        self.setAccessibleName("Pieces, topmost first")
        self.setToolTip("Drag to order; F2 renames; Delete removes")
        self.setItemDelegate(CardDelegate(self))
        self.setSelectionMode(QAbstractItemView.SelectionMode.ExtendedSelection)
        self.setDragDropMode(QAbstractItemView.DragDropMode.InternalMove)
        self.setFrameShape(QListWidget.Shape.NoFrame)
        self.setStyleSheet("QListWidget { background: transparent; }")
        self.setVerticalScrollMode(QAbstractItemView.ScrollMode.ScrollPerPixel)
        self.setEditTriggers(QAbstractItemView.EditTrigger.EditKeyPressed)
        document.settled.connect(WhenSeen(self, self.fill))
        document.chosen.connect(self._show_choice)
        worker.drawn.connect(self._take)
        self.itemSelectionChanged.connect(self._chosen)
        self.itemChanged.connect(self._renamed)
        model = self.model()
        assert model is not None
        model.rowsMoved.connect(self._moved)
        self.fill()

    def piece(self, piece_id: str) -> Any:
        return next((p for p in self.document.board.pieces if p.id == piece_id), None)

    def fill(self) -> None:
        """Show the board's pieces again; cards that stay are kept."""
        board = self.document.board
        wanted = [p.id for p in reversed(board.pieces)]
        self._filling = True
        if wanted != [self.item(i).data(ID) for i in range(self.count())]:  # type: ignore[union-attr]
            self.clear()
            for piece_id in wanted:
                item = QListWidgetItem()
                item.setData(ID, piece_id)
                item.setFlags(item.flags() | Qt.ItemFlag.ItemIsEditable)
                self.addItem(item)
        for row, piece_id in enumerate(wanted):
            card = self.item(row)
            assert card is not None
            card.setText(self.piece(piece_id).name)
        self._filling = False
        self._show_choice()
        self._ask_images(board)
        viewport = self.viewport()
        if viewport is not None:
            viewport.update()

    def _ask_images(self, board: Board) -> None:
        for piece in board.pieces:
            small = miniature(board, piece.id, MINI, CARD - 12)
            if self._asked.get(piece.id) != small:
                self._asked[piece.id] = small
                self.worker.ask_small(("card", piece.id), small, 2.0, grounds=True)

    def _take(self, key: Any, image: QImage) -> None:
        if key[0] == "card":
            self.images[key[1]] = image
            viewport = self.viewport()
            if viewport is not None:
                viewport.update()

    def _show_choice(self) -> None:
        self._filling = True
        for row in range(self.count()):
            item = self.item(row)
            if item is None:
                continue
            if item.data(ID) == self.document.piece_id:
                self.setCurrentItem(item, QItemSelectionModel.SelectionFlag.NoUpdate)
            item.setSelected(item.data(ID) in self.document.chosen_ids)
        self._filling = False

    def _chosen(self) -> None:
        ids = [item.data(ID) for item in self.selectedItems()]
        current = self.currentItem()
        if self._filling or not ids or set(ids) == set(self.document.chosen_ids):
            return
        first = current.data(ID) if current is not None and current.data(ID) in ids else ids[0]
        self.document.choose(first)
        for other in ids:
            if other != first:
                self.document.choose_also(other)

    def _renamed(self, item: QListWidgetItem) -> None:
        if not self._filling:
            name, piece_id = item.text().strip(), item.data(ID)
            self.document.apply("Rename", lambda b: change_piece(b, piece_id, name=name))

    def _moved(self) -> None:
        order = [self.item(i).data(ID) for i in range(self.count())]  # type: ignore[union-attr]
        for place, piece_id in enumerate(reversed(order)):
            if self.document.board.pieces[place].id != piece_id:
                step = functools.partial(move_in_order, piece_id=piece_id, to=place)
                self.document.apply("Order", step, "order")

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        item = self.itemAt(event.position().toPoint())
        if item is not None:
            eye, lock = icon_boxes(self.visualItemRect(item))
            for box, field, name in ((eye, "shown", "Show or hide"), (lock, "locked", "Lock")):
                if box.adjusted(-4, -8, 4, 8).contains(event.position()):
                    piece = self.piece(item.data(ID))
                    change: dict[str, Any] = {field: not getattr(piece, field)}
                    step = functools.partial(change_piece, piece_id=piece.id, **change)
                    self.document.apply(name, step)
                    return
        super().mousePressEvent(event)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if event.key() == Qt.Key.Key_Delete and self.document.piece_id:
            ids = self.document.chosen_ids
            self.document.apply("Remove piece", lambda b: remove_pieces(b, ids))
            return
        super().keyPressEvent(event)
