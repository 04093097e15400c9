"""Ctrl+K: one field that finds anything, and does or shows it."""

from __future__ import annotations

from PyQt6.QtCore import QModelIndex, QRectF, QSize, Qt
from PyQt6.QtGui import QKeyEvent, QPainter
from PyQt6.QtWidgets import (
    QLineEdit,
    QListWidget,
    QListWidgetItem,
    QStyle,
    QStyledItemDelegate,
    QStyleOptionViewItem,
    QWidget,
)

from ..look import theme
from ..look.sheet import Sheet
from ..shared.session import Session
from .entry import FinderEntry, found
from .everything import everything

ROW, WIDE, HIGH, TOP, AROUND = 30, 620, 420, 56, 76
THING = Qt.ItemDataRole.UserRole
LIST_KEYS = (Qt.Key.Key_Up, Qt.Key.Key_Down, Qt.Key.Key_PageUp, Qt.Key.Key_PageDown)


class FinderRow(QStyledItemDelegate):
    """The kind, the title, and what there is to know of it."""

    def sizeHint(self, option: QStyleOptionViewItem, index: QModelIndex) -> QSize:
        return QSize(100, ROW)

    def paint(
        self, painter: QPainter | None, option: QStyleOptionViewItem, index: QModelIndex
    ) -> None:
        assert painter is not None
        thing, box = index.data(THING), QRectF(option.rect)
        chosen = bool(option.state & QStyle.StateFlag.State_Selected)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        if chosen:
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(theme.colour("leaf"))
            painter.drawRoundedRect(box.adjusted(0, 1, -2, -1), 5, 5)
        middle = Qt.AlignmentFlag.AlignVCenter
        painter.setFont(theme.font(12))
        painter.setPen(theme.colour("on_leaf" if chosen else "dim"))
        painter.drawText(box.adjusted(10, 0, 0, 0), middle, thing.kind)
        about = painter.fontMetrics().elidedText(
            thing.why or thing.about, Qt.TextElideMode.ElideRight, 230
        )
        painter.drawText(box.adjusted(0, 0, -14, 0), middle | Qt.AlignmentFlag.AlignRight, about)
        painter.setFont(theme.font(13))
        painter.setPen(theme.colour("on_leaf" if chosen else "dim" if thing.why else "text"))
        room = box.adjusted(86, 0, -30 - painter.fontMetrics().horizontalAdvance(about), 0)
        title = painter.fontMetrics().elidedText(
            thing.title, Qt.TextElideMode.ElideRight, int(room.width())
        )
        painter.drawText(room, middle, title)


class Finder(Sheet):
    """One field that finds whatever can be done or had."""

    def __init__(self, session: Session, window: QWidget) -> None:
        super().__init__(window)
        self.session = session
        self.things: list[FinderEntry] = []
        self.field, self.list = QLineEdit(), QListWidget()
        self.field.setPlaceholderText("Find anything that can be done, changed, put on or opened")
        self.field.setAccessibleName("Find anything")
        self.field.setClearButtonEnabled(True)
        self.list.setAccessibleName("What was found")
        self.list.setFrameShape(QListWidget.Shape.NoFrame)
        self.list.setItemDelegate(FinderRow(self.list))
        self.list.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        self.list.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.column.addWidget(self.field)
        self.column.addWidget(self.list, 1)
        self.field.textChanged.connect(self._search)
        self.field.returnPressed.connect(self._take)
        self.list.itemClicked.connect(self._take)
        self.list.currentItemChanged.connect(self._look)
        self.field.installEventFilter(self)

    def unfold(self) -> None:
        self.things = everything(self.session)
        self.field.clear()
        self._search("")
        super().unfold()
        self.field.setFocus()

    def fold(self) -> None:
        self.session.document.look_at(None)
        super().fold()

    def place(self) -> None:
        """As high as what was found, so that the board stays seen."""
        most = min(HIGH, self.height() - TOP - 20)
        high = min(AROUND + ROW * max(self.list.count(), 1), most)
        self.frame.setGeometry((self.width() - WIDE) // 2, TOP, WIDE, high)

    def _search(self, words: str) -> None:
        self.list.blockSignals(True)
        self.list.clear()
        for thing in found(self.things, words):
            item = QListWidgetItem()
            item.setData(THING, thing)
            item.setData(Qt.ItemDataRole.AccessibleTextRole, f"{thing.kind}: {thing.title}")
            self.list.addItem(item)
        self.list.blockSignals(False)
        self.list.setCurrentRow(0)
        self.place()

    def _look(self) -> None:
        """Styles and fonts are seen on the board while they are only looked at."""
        item = self.list.currentItem()
        typed = bool(self.field.text().strip())
        board = item.data(THING).look(self.session) if item is not None and typed else None
        self.session.document.look_at(board)

    def _take(self) -> None:
        item = self.list.currentItem()
        entry = item.data(THING) if item is not None else None
        if entry is not None and entry.why:
            # it stays open: there is something to do first, or something else to look for
            self.session.document.said.emit(f"{entry.title}: {entry.why}.")
            return
        self.fold()
        if entry is not None:
            entry.run(self.session)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """What the field leaves over: the arrows walk the list."""
        assert event is not None
        if event.key() not in LIST_KEYS:
            super().keyPressEvent(event)
            return
        page = 10 if event.key() in LIST_KEYS[2:] else 1
        by = page * (-1 if event.key() in (Qt.Key.Key_Up, Qt.Key.Key_PageUp) else 1)
        row = min(max(self.list.currentRow() + by, 0), self.list.count() - 1)
        self.list.setCurrentRow(row)
