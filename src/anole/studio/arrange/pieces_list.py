"""The pieces as cards, topmost first: choose, order by dragging, hide, lock, rename."""

from __future__ import annotations

import functools
from typing import Any

from PyQt6.QtCore import QItemSelectionModel, Qt
from PyQt6.QtGui import QContextMenuEvent, QImage, QMouseEvent
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QListWidget,
    QListWidgetItem,
)

from ...core.edit.pieces import change_piece, move_in_order
from ...core.model import Board, Piece
from ..samples import miniature
from ..session import Session
from ..when_visible import WhenVisible
from .card_delegate import CARD, ID, MINI, CardDelegate, icon_boxes


class PiecesList(QListWidget):
    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.document, self.selection = session.document, session.selection
        self.worker = session.worker
        self.images: dict[str, QImage] = {}
        self._asked: dict[str, tuple[Board, float]] = {}
        self._filling = False
        self.setAccessibleName("Pieces, topmost first")
        self.setToolTip("Drag to order, F2 renames, Delete deletes, right click for more")
        self.setItemDelegate(CardDelegate(self, self))
        self.setSelectionMode(QAbstractItemView.SelectionMode.ExtendedSelection)
        self.setDragDropMode(QAbstractItemView.DragDropMode.InternalMove)
        self.setFrameShape(QListWidget.Shape.NoFrame)
        self.setStyleSheet("QListWidget { background: transparent; }")
        self.setVerticalScrollMode(QAbstractItemView.ScrollMode.ScrollPerPixel)
        self.setEditTriggers(QAbstractItemView.EditTrigger.EditKeyPressed)
        self.document.settled.connect(WhenVisible(self, self.fill))
        self.selection.changed.connect(self._show_choice)
        self.worker.drawn.connect(self._take)
        self.itemSelectionChanged.connect(self._chosen)
        self.itemChanged.connect(self._renamed)
        model = self.model()
        assert model is not None
        model.rowsMoved.connect(self._moved)
        self.fill()

    def piece(self, piece_id: str) -> Piece | None:
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
            card.setText(board.piece(piece_id).name)
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
                self.worker.ask_small(("card", piece.id), small[0], 2.0 * small[1], grounds=True)

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
            if item.data(ID) == self.selection.piece_id:
                self.setCurrentItem(item, QItemSelectionModel.SelectionFlag.NoUpdate)
            item.setSelected(item.data(ID) in self.selection.ids)
        self._filling = False

    def _chosen(self) -> None:
        ids = [item.data(ID) for item in self.selectedItems()]
        current = self.currentItem()
        if self._filling or not ids or set(ids) == set(self.selection.ids):
            return
        first = current.data(ID) if current is not None and current.data(ID) in ids else ids[0]
        self.selection.choose_all((*(other for other in ids if other != first), first))

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
        if item is not None and event.button() == Qt.MouseButton.LeftButton:
            eye, lock = icon_boxes(self.visualItemRect(item))
            for box, field, name in ((eye, "shown", "Show or hide"), (lock, "locked", "Lock")):
                if box.adjusted(-4, -8, 4, 8).contains(event.position()):
                    piece = self.document.board.piece(item.data(ID))
                    change: dict[str, Any] = {field: not getattr(piece, field)}
                    step = functools.partial(change_piece, piece_id=piece.id, **change)
                    self.document.apply(name, step)
                    return
        super().mousePressEvent(event)

    def rename(self) -> None:
        """Edit the chosen piece's name on its card."""
        for row in range(self.count()):
            item = self.item(row)
            if item is not None and item.data(ID) == self.selection.piece_id:
                self.scrollToItem(item)
                self.editItem(item)

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        if event is not None:
            on_card = self.itemAt(event.pos()) is not None
            self.session.shell.show_menu("piece" if on_card else "board", event.globalPos())
