"""The pieces as cards, topmost first: choose, order by dragging, hide, lock, rename, fold."""

from __future__ import annotations

import functools
from typing import Any

from PyQt6.QtCore import QItemSelectionModel, Qt
from PyQt6.QtGui import QContextMenuEvent, QDropEvent, QImage, QMouseEvent, QResizeEvent
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QListWidget,
    QListWidgetItem,
)

from ...core.edit.pieces import change_piece
from ...core.model import Board
from ...core.model.nesting import holder_of
from ..rendering.samples import miniature
from ..runtime.when_visible import WhenVisible
from ..shared.session import Session
from .card_delegate import CARD, ID, MINI, CardDelegate, fold_box, icon_boxes
from .rows import PieceRow, dropped, rows_of

NEAR = 400
"""px beyond what is seen for which miniatures are made."""
_AT = QAbstractItemView.DropIndicatorPosition
WHERE = {_AT.AboveItem: "above", _AT.BelowItem: "below", _AT.OnItem: "on"}


class PiecesList(QListWidget):
    """The board's pieces as cards, topmost first."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.document, self.selection = session.document, session.selection
        self.worker = session.worker
        self.images: dict[str, QImage] = {}
        self._asked: dict[str, tuple[Board, float]] = {}
        self._board = self.document.board
        """The board whose pieces are listed: not always the document's newest."""
        self.rows: dict[str, PieceRow] = {}
        self.folded: set[str] = set()
        self.words = ""
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
        bar = self.verticalScrollBar()
        if bar is not None:
            bar.valueChanged.connect(self._ask_images)
        self.fill()

    def row_of(self, piece_id: str) -> PieceRow | None:
        """What stands in a piece's row; None for one that is gone."""
        return self.rows.get(piece_id)

    def search(self, words: str) -> None:
        """Show only those whose name has these words."""
        self.words = words
        self.fill()

    def fill(self) -> None:
        """Show the board's pieces again; cards that stay are kept."""
        board = self._board = self.document.board
        rows = rows_of(board, self.folded - self._leading(), self.words)
        self.rows = {row.piece.id: row for row in rows}
        wanted = [row.piece.id for row in rows]
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
            card.setText(self.rows[piece_id].piece.name)
        self._filling = False
        self._show_choice()
        self._ask_images()
        viewport = self.viewport()
        if viewport is not None:
            viewport.update()

    def _leading(self) -> set[str]:
        """The clusters that what is chosen lies in: they are open."""
        found, at = set(), self.selection.piece_id
        while at is not None:
            holder = holder_of(self.document.board.pieces, at)
            at = holder.id if holder is not None else None
            found |= {at} if at is not None else set()
        return found

    def _ask_images(self) -> None:
        """Miniatures of the cards that can be seen, and of those that come next."""
        board, viewport = self._board, self.viewport()
        near = viewport.rect().adjusted(0, -NEAR, 0, NEAR) if viewport is not None else None
        for number in range(self.count()):
            item = self.item(number)
            if item is None or (
                near is not None and not near.intersects(self.visualItemRect(item))
            ):
                continue
            piece_id = item.data(ID)
            small = miniature(board, piece_id, MINI, CARD - 12)
            if self._asked.get(piece_id) != small:
                self._asked[piece_id] = small
                self.worker.ask_small(("card", piece_id), small[0], 2.0 * small[1], grounds=True)

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        super().resizeEvent(event)
        self._ask_images()

    def _take(self, key: Any, image: QImage) -> None:
        if key[0] == "card":
            self.images[key[1]] = image
            viewport = self.viewport()
            if viewport is not None:
                viewport.update()

    def _show_choice(self) -> None:
        if self._leading() & self.folded:
            self.folded -= self._leading()
            self.fill()
            return
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

    def dropEvent(self, event: QDropEvent | None) -> None:
        """Ordered among its own, or put into a cluster and out of it."""
        moved = self.selectedItems()
        if event is None or event.source() is not self or not moved:
            return
        event.setDropAction(Qt.DropAction.IgnoreAction)
        event.accept()
        under = self.itemAt(event.position().toPoint())
        self.drop(
            [item.data(ID) for item in moved],
            under.data(ID) if under is not None else None,
            WHERE.get(self.dropIndicatorPosition(), "below"),
        )

    def drop(self, moved: list[str], target: str | None, where: str) -> None:
        """Cards dropped `above`, `below` or `on` another, or beneath all."""

        def change(board: Board) -> Board:
            for piece_id in moved:
                board = dropped(board, piece_id, target, where)
            return board

        self.document.apply("Order", change)

    def fold(self, piece_id: str) -> None:
        """Show what a cluster holds, or hide it."""
        self.folded ^= {piece_id}
        if piece_id in self.folded and piece_id in self._leading():
            self.selection.choose(piece_id)
        self.fill()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        if self._board is not self.document.board:
            self.fill()
        item = self.itemAt(event.position().toPoint())
        if item is not None and event.button() == Qt.MouseButton.LeftButton:
            rect, row = self.visualItemRect(item), self.rows[item.data(ID)]
            if row.folded is not None and fold_box(rect, row.depth).contains(event.position()):
                self.fold(row.piece.id)
                return
            eye, lock = icon_boxes(rect)
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
