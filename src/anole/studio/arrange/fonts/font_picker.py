"""Every font in the user's own words; hovering shows it on the board."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import msgspec
from PyQt6.QtCore import QAbstractListModel, QEvent, QModelIndex, Qt
from PyQt6.QtGui import QImage, QKeyEvent, QMouseEvent
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QFileDialog,
    QHBoxLayout,
    QLineEdit,
    QListView,
    QPushButton,
    QVBoxLayout,
    QWidget,
)

from ....core.edit.pieces import change_piece
from ....core.model import Board
from ...controls.choices.combo_box import ComboBox
from ...exchange.fonts import take_font
from ...look import theme
from ...rendering.samples import words_of
from ...runtime.when_visible import WhenVisible
from ...shared.session import Session
from .font_delegate import ROW, FontDelegate, sample_size, star_box
from .font_jobs import stems_job, words_job
from .font_rows import EVERY, ORDERS, FontRow, all_rows, kinds, picked

MOST_RECENT = 12
FONT_FILES = "Fonts (*.ttf *.otf *.woff *.woff2)"


class FontModel(QAbstractListModel):
    """The rows that are listed now."""

    def __init__(self) -> None:
        super().__init__()
        self.rows: list[FontRow] = []

    def show_rows(self, rows: list[FontRow]) -> None:
        """Have these fonts, in this order."""
        self.beginResetModel()
        self.rows = rows
        self.endResetModel()

    def rowCount(self, parent: QModelIndex | None = None) -> int:
        return len(self.rows)

    def data(self, index: QModelIndex, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        row = self.rows[index.row()] if 0 <= index.row() < len(self.rows) else None
        if row is not None and role == Qt.ItemDataRole.AccessibleTextRole:
            return f"{row.family}, {row.genre}"
        return row if role == Qt.ItemDataRole.UserRole else None


class FontList(QListView):
    """A list that tells which font the pointer is over."""

    def __init__(self, owner: FontPicker) -> None:
        super().__init__()
        self._owner = owner

    def leaveEvent(self, event: QEvent | None) -> None:
        self._owner.look_back()
        super().leaveEvent(event)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        index = self.indexAt(event.position().toPoint())
        row = index.data(Qt.ItemDataRole.UserRole)
        if row is not None and star_box(self.visualRect(index)).contains(event.position()):
            self._owner.toggle_favourite(row.family)
            return
        super().mousePressEvent(event)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Walking looks, Enter takes, Esc leaves."""
        assert event is not None
        if event.key() == Qt.Key.Key_Escape:
            self._owner.look_back()
            return
        before = self.currentIndex()
        super().keyPressEvent(event)
        if self.currentIndex() != before:
            self._owner.look(self.currentIndex())


class FontPicker(QWidget):
    """All fonts at hand, searched, sorted by kind, and put on the chosen words."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.document, self.selection = session.document, session.selection
        self.worker, self.settings = session.worker, session.settings
        self.words = "Words"
        self.images: dict[str, QImage] = {}
        self.stems: dict[str, float] = {}
        self._asked: set[str] = set()
        self._all = all_rows(self.document.board.fonts)
        self.model = FontModel()
        self.search, self.list = QLineEdit(), FontList(self)
        self.kind, self.order, self.add = ComboBox(), ComboBox(), QPushButton("+ Font")
        self._build()
        self.search.textChanged.connect(self.refill)
        self.kind.activated.connect(self.refill)
        self.order.activated.connect(self._ordered)
        self.add.clicked.connect(self.ask_file)
        self.list.entered.connect(self.look)
        self.list.clicked.connect(self._take)
        self.list.activated.connect(self._take)
        self.worker.done.connect(self._done)
        when_visible = WhenVisible(self, self.show_piece)
        self.document.settled.connect(when_visible)
        self.selection.changed.connect(when_visible)
        self.refill()
        self.show_piece()

    def _build(self) -> None:
        self.search.setPlaceholderText("Find a font or a genre")
        self.search.setAccessibleName("Find a font or a genre")
        self.search.setClearButtonEnabled(True)
        for box, name in ((self.kind, "Which fonts"), (self.order, "Order of the fonts")):
            box.setAccessibleName(name)
            box.setToolTip(name)
        self.kind.addItems(kinds(self._all))
        self.order.addItems(ORDERS)
        self.add.setToolTip("Take a font file in; the board carries it from then on")
        self.list.setModel(self.model)
        self.list.setAccessibleName("Fonts")
        self.list.setToolTip(
            "Hover to see the font on the board, click to take it; the star makes it a favourite"
        )
        self.list.setItemDelegate(FontDelegate(self, self))
        self.list.setMouseTracking(True)
        self.list.setUniformItemSizes(True)
        self.list.setVerticalScrollMode(QAbstractItemView.ScrollMode.ScrollPerPixel)
        self.dress()
        self.list.setFrameShape(QListView.Shape.NoFrame)
        self.list.setMinimumHeight(ROW * 3)
        column, top, low = QVBoxLayout(self), QHBoxLayout(), QHBoxLayout()
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        top.addWidget(self.search, 1)
        top.addWidget(self.add)
        low.addWidget(self.kind, 1)
        low.addWidget(self.order, 1)
        column.addLayout(top)
        column.addLayout(low)
        column.addWidget(self.list, 1)

    def dress(self) -> None:
        """The list's ground and the words' colour are the theme's."""
        self.list.setStyleSheet(
            f"QListView {{ background: {theme.theme().sunk}; border-radius: 6px; }}"
        )
        self.images.clear()
        self._asked.clear()

    # what is listed

    @property
    def favourites(self) -> list[str]:
        """Families that were starred, the first one first."""
        return self.settings.texts("favourite_fonts")

    @property
    def recent(self) -> list[str]:
        """Families last used, the last one first."""
        return self.settings.texts("recent_fonts")

    def fonts_came(self) -> None:
        """Other fonts are at hand: list them too."""
        kept = self.kind.currentText()
        self._all = all_rows(self.document.board.fonts)
        self.kind.clear()
        self.kind.addItems(kinds(self._all))
        self.kind.setCurrentText(kept)
        self.refill()

    def refill(self) -> None:
        """List the fonts that the search and the kind leave."""
        self.model.show_rows(
            picked(
                self._all,
                self.kind.currentText() or EVERY,
                self.search.text(),
                self.order.currentText(),
                self.favourites,
                self.recent,
                self.stems,
            )
        )
        self._show_current()

    def _ordered(self) -> None:
        missing = [row.file for row in self._all if row.family not in self.stems]
        if "stems" in self.order.currentText() and missing:
            self.worker.ask(("stems",), stems_job(missing))
        self.refill()

    def _done(self, key: tuple[Any, ...], result: Any) -> None:
        if key == ("stems",):
            self._measured(result)
        elif key[0] == "words":
            self._worded(key[1], result)

    def _measured(self, stems: dict[str, float]) -> None:
        self.stems.update(stems)
        if "stems" in self.order.currentText():
            # the next ones are asked for
            self._ordered()

    def toggle_favourite(self, family: str) -> None:
        """Star a family, or take its star away."""
        kept = [name for name in self.favourites if name != family]
        self.settings.put("favourite_fonts", kept if family in self.favourites else [*kept, family])
        self.refill()

    # pictures

    def show_piece(self) -> None:
        """Show the fonts in the chosen words."""
        words = words_of(self.selection.lettering)
        if words != self.words:
            self.words = words
            self.images.clear()
            self._asked.clear()
        self._show_current()

    def _show_current(self) -> None:
        piece = self.selection.lettering
        for number, row in enumerate(self.model.rows):
            if piece is not None and row.family == piece.font.family:
                self.list.setCurrentIndex(self.model.index(number))
        viewport = self.list.viewport()
        if viewport is not None:
            viewport.update()

    def image_of(self, row: FontRow) -> QImage | None:
        """The words in a font; asked of the worker where they are not drawn yet."""
        if row.family not in self._asked:
            self._asked.add(row.family)
            width, height = sample_size(self.list.viewport().width())  # type: ignore[union-attr]
            key = ("words", (row.family, self.words))
            job = words_job(self.words, row.font, width, height)
            self.worker.ask(key, job, newest_first=True)
        return self.images.get(row.family)

    def _worded(self, key: tuple[str, str], image: QImage) -> None:
        if key[1] == self.words:
            self.images[key[0]] = image
            viewport = self.list.viewport()
            if viewport is not None:
                viewport.update()

    # choosing

    def _with(self, row: FontRow) -> Board:
        assert self.selection.lettering is not None
        return change_piece(self.document.board, self.selection.lettering.id, font=row.font)

    def look(self, index: QModelIndex) -> None:
        """Show the board with a row's font on the chosen words."""
        row = index.data(Qt.ItemDataRole.UserRole)
        if row is not None and self.selection.lettering is not None:
            self.document.look_at(self._with(row))

    def look_back(self) -> None:
        """Show the board as it is."""
        self.document.look_at(None)

    def _take(self, index: QModelIndex) -> None:
        row, piece = index.data(Qt.ItemDataRole.UserRole), self.selection.lettering
        if row is None or piece is None:
            return
        font = msgspec.structs.replace(row.font, italic=piece.font.italic and row.font.italic)
        self.document.apply("Font", lambda b: change_piece(b, piece.id, font=font))
        rest = [name for name in self.recent if name != row.family]
        self.settings.put("recent_fonts", [row.family, *rest][:MOST_RECENT])

    # files

    def ask_file(self) -> None:
        """Ask for font files, and take them in."""
        names, _ = QFileDialog.getOpenFileNames(self, "Add font files", "", FONT_FILES)
        for name in names:
            self.add_file(Path(name))

    def add_file(self, path: Path) -> None:
        """Take a font file in and put it on the chosen words; says what is wrong with it."""
        take_font(self.session, path, self.fonts_came)
