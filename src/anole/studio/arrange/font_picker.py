"""Every font in the user's own words; hovering shows it on the board."""

from __future__ import annotations

import msgspec
from PyQt6.QtCore import QEvent, QModelIndex, QRectF, QSize, Qt
from PyQt6.QtGui import QPainter, QPen
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QLineEdit,
    QListWidget,
    QListWidgetItem,
    QStyle,
    QStyledItemDelegate,
    QStyleOptionViewItem,
    QVBoxLayout,
    QWidget,
)  # fmt: skip

from ...core.edit.pieces import change_piece
from ...core.lettering.fonts import GENRES, catalogue, families
from ...core.model import Font
from .. import theme
from ..document import Document
from ..paths import draw_words
from ..samples import words_of

ROW = 50
FAMILY = Qt.ItemDataRole.UserRole


def font_of(family: str) -> Font:
    weights = [file.weight for file in catalogue() if file.family == family]
    return Font(family=family, weight=max(weights, default=400))


class FontDelegate(QStyledItemDelegate):
    def __init__(self, owner: FontPicker) -> None:
        super().__init__(owner)
        self._owner = owner

    def sizeHint(self, option: QStyleOptionViewItem, index: QModelIndex) -> QSize:
        return QSize(100, ROW)

    def paint(
        self, painter: QPainter | None, option: QStyleOptionViewItem, index: QModelIndex
    ) -> None:
        assert painter is not None
        painter.save()
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        family = index.data(FAMILY)
        box = QRectF(option.rect).adjusted(2, 2, -2, -2)
        if option.state & QStyle.StateFlag.State_Selected:
            painter.setPen(QPen(theme.colour("leaf"), 1.6))
            painter.setBrush(theme.colour("raised"))
            painter.drawRoundedRect(box, 6, 6)
        elif option.state & QStyle.StateFlag.State_MouseOver:
            painter.setPen(QPen(theme.colour("line"), 1))
            painter.drawRoundedRect(box, 6, 6)
        words = QRectF(box.x() + 8, box.y() + 4, box.width() - 16, 24)
        draw_words(painter, self._owner.words, font_of(family), words, theme.colour("text"))
        painter.setFont(theme.font(11))
        painter.setPen(theme.colour("dim"))
        label = f"{family}, {GENRES.get(family, 'other')}"
        painter.drawText(QRectF(box.x() + 8, box.y() + 29, box.width() - 16, 15), 0, label)
        painter.restore()


class FontList(QListWidget):
    def __init__(self, owner: FontPicker) -> None:
        super().__init__()
        self._owner = owner

    def leaveEvent(self, event: QEvent | None) -> None:
        self._owner.look_back()
        super().leaveEvent(event)


class FontPicker(QWidget):
    def __init__(self, document: Document) -> None:
        super().__init__()
        self.document = document
        self.words = "Words"
        self.search, self.list = QLineEdit(), FontList(self)
        self.search.setPlaceholderText("Find a font or a genre")
        self.search.setAccessibleName("Find a font or a genre")
        self.list.setAccessibleName("Fonts")
        self.list.setToolTip("Hover to see the font on the board, click to take it")
        self.list.setItemDelegate(FontDelegate(self))
        self.list.setMouseTracking(True)
        self.list.setUniformItemSizes(True)
        self.list.setVerticalScrollMode(QAbstractItemView.ScrollMode.ScrollPerPixel)
        self.list.setStyleSheet(
            f"QListWidget {{ background: {theme.theme().sunk}; border-radius: 6px; }}"
        )
        self.list.setFrameShape(QListWidget.Shape.NoFrame)
        self.list.setMinimumHeight(ROW * 3)
        for family in families():
            item = QListWidgetItem()
            item.setData(FAMILY, family)
            item.setData(Qt.ItemDataRole.AccessibleTextRole, f"{family}, {GENRES[family]}")
            self.list.addItem(item)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(self.search)
        column.addWidget(self.list, 1)
        self.search.textChanged.connect(self._filter)
        self.list.itemEntered.connect(self._hover)
        self.list.itemClicked.connect(self._take)
        self.list.itemActivated.connect(self._take)
        document.changed.connect(self.show_piece)
        document.chosen.connect(self.show_piece)
        self.show_piece()

    def show_piece(self) -> None:
        piece = self.document.piece
        self.words = words_of(piece)
        if piece is not None:
            for row in range(self.list.count()):
                item = self.list.item(row)
                if item is not None and item.data(FAMILY) == piece.font.family:
                    self.list.setCurrentItem(item)
        viewport = self.list.viewport()
        if viewport is not None:
            viewport.update()

    def _filter(self, text: str) -> None:
        wanted = text.lower().split()
        for row in range(self.list.count()):
            item = self.list.item(row)
            assert item is not None
            family = item.data(FAMILY)
            label = f"{family} {GENRES[family]}".lower()
            item.setHidden(not all(word in label for word in wanted))

    def _hover(self, item: QListWidgetItem) -> None:
        piece = self.document.piece
        if piece is None:
            return
        font = font_of(item.data(FAMILY))
        self.document.look_at(change_piece(self.document.board, piece.id, font=font))

    def look_back(self) -> None:
        self.document.look_at(None)

    def _take(self, item: QListWidgetItem) -> None:
        piece = self.document.piece
        if piece is not None:
            font = msgspec.structs.replace(font_of(item.data(FAMILY)), italic=piece.font.italic)
            self.document.apply("Font", lambda b: change_piece(b, piece.id, font=font))
