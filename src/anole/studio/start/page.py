"""Start from words: one field, and every style on what is typed into it."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtCore import QEvent, QObject, Qt, pyqtSignal
from PyQt6.QtGui import QGuiApplication, QKeyEvent, QKeySequence
from PyQt6.QtWidgets import (
    QFrame,
    QHBoxLayout,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from ...core.edit.pieces import change_piece
from ...core.edit.titles import add_title
from ...core.library.sets import FAVOURITES
from ...core.library.styles import StoredStyle, digest
from ...core.model import Board
from ...core.paint.image_formats import SUFFIXES
from ...core.series import tables
from ...core.series.tables import Table
from ..controls.base.words_field import WordsField
from ..documents.purposes import Purpose
from ..exchange import dropping
from ..exchange.readable import picture_in
from ..look.plain import Label
from ..look.status_bar import nothing
from ..shared.new_words import remember_style
from ..shared.session import Session
from ..styles.wall import Wall
from .beginning import Beginning, dressed_board, on_ground
from .boards import BoardCards
from .font_strip import FontStrip
from .ground_row import GroundRow
from .purpose_list import PurposeList

Then = Callable[[], object]
SIDE, FIELD = 256, 84
EXAMPLE = "Your words"
MOST_ON_TILES = 160


def _size(purpose: Purpose) -> tuple[int, int, float]:
    return purpose.width, purpose.height, purpose.dpi


class StartPage(QWidget):
    """`left`: nothing is wanted of it any more."""

    left = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("desk")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.words, self.wall = WordsField(), Wall(session.worker)
        self.purposes, self.cards = PurposeList(session.settings), BoardCards(session)
        self.ground, self.fonts = GroundRow(session), FontStrip(session)
        self.words.setObjectName("words")
        self.words.setAccessibleName("Your words")
        self.words.setPlaceholderText(EXAMPLE)
        self.words.setTabChangesFocus(True)
        self.words.setFixedHeight(FIELD)
        self.words.installEventFilter(self)
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(1)
        row.addWidget(self._side())
        row.addLayout(self._main(), 1)
        self.words.textChanged.connect(self._follow)
        self.words.said.connect(session.document.said)
        for choice in (self.purposes, self.ground, self.fonts):
            choice.changed.connect(self._follow)
        self.wall.taken.connect(self._dress)
        session.styles.changed.connect(self._styles_changed)
        self.wall.above.connect(self.words.setFocus)

    def _side(self) -> QWidget:
        inside, scroll = QWidget(), QScrollArea()
        inside.setObjectName("panel")
        column = QVBoxLayout(inside)
        column.setContentsMargins(12, 14, 12, 12)
        column.setSpacing(6)
        head = Label("A board for")
        head.setObjectName("head")
        column.addWidget(head)
        column.addWidget(self.purposes)
        column.addSpacing(6)
        column.addWidget(self.cards, 1)
        scroll.setObjectName("panel")
        scroll.setWidgetResizable(True)
        scroll.setFrameShape(QFrame.Shape.NoFrame)
        scroll.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        scroll.setFixedWidth(SIDE)
        scroll.setWidget(inside)
        return scroll

    def _main(self) -> QVBoxLayout:
        column = QVBoxLayout()
        column.setContentsMargins(20, 14, 14, 0)
        column.setSpacing(8)
        head = Label("Your words")
        head.setObjectName("head")
        how = Label("Click a style, or press Enter for the highlighted one. Esc: an empty board")
        how.setObjectName("dim")
        line = QHBoxLayout()
        line.addWidget(head)
        line.addStretch(1)
        line.addWidget(how)
        column.addLayout(line)
        column.addWidget(self.words)
        column.addWidget(self.ground)
        column.addWidget(self.fonts)
        column.addWidget(self.wall, 1)
        return column

    # what is typed

    @property
    def text(self) -> str:
        """The words, or an example while there are none."""
        return self.words.toPlainText().strip() or EXAMPLE

    def begin(self) -> None:
        """The page comes up."""
        self._show_styles()
        self.cards.fill()
        self.fonts.fill()
        self._follow()
        self.words.setFocus()

    def _styles_changed(self) -> None:
        if self.isVisible():
            self._show_styles()

    def _show_styles(self) -> None:
        """Favourites first, the others as the library has them."""
        library = self.session.styles
        self.wall.favourites = frozenset(library.in_set(FAVOURITES))
        self.wall.show_styles(library.favourites_first)

    def rest(self) -> None:
        """The page is left."""
        self.wall.rest()
        self.cards.rest()
        self.fonts.rest()

    @property
    def beginning(self) -> Beginning:
        """All that is chosen here but words and style."""
        return Beginning(self.purposes.purpose, self.ground.ground, self.fonts.font_taken)

    def _follow(self) -> None:
        start, text = self.beginning, self.text[:MOST_ON_TILES]
        self.fonts.show_words(text)
        aspect = start.purpose.width / start.purpose.height
        self.wall.show_words(lambda style: dressed_board(text, start, style), aspect)

    # files

    def take_files(self, paths: list[Path]) -> None:
        """Dropped or pasted here: a picture is the ground, a table begins a series; all else does
        what it does everywhere."""
        for path in paths:
            ending = path.suffix.lower()
            if ending in SUFFIXES:
                self.ground.take_file(path)
            elif ending in tables.SUFFIXES:
                self._take_table(path)
            else:
                dropping.take(self.session, [path])

    def _take_table(self, path: Path) -> None:
        """A board in the marked style, with words for the first column, and its series."""

        def put_on(table: Table) -> None:
            stored = self.wall.stored_style
            if stored is not None and table.columns:
                text = self.words.toPlainText().strip() or (table.rows[0][0] if table.rows else "")
                self._dress(
                    stored,
                    text or table.columns[0],
                    table.columns[0],
                    lambda: self.session.shell.show_series(table, path.parent),
                )

        self.session.reading.read(path.name, lambda stop: tables.read(path), put_on)

    def _paste(self) -> bool:
        """A picture or files from the clipboard; False for what the field takes: words."""
        clipboard = QGuiApplication.clipboard()
        mime = clipboard.mimeData() if clipboard is not None else None
        if mime is None:
            return False
        paths = dropping.files_in(mime)
        read = None if paths or mime.hasText() else picture_in(mime)
        if paths:
            self.take_files(paths)
        elif read is not None:
            self.ground.take_read(read)
        return bool(paths) or read is not None

    # leaving

    def _dress(
        self, stored: StoredStyle, text: str = "", name: str = "", then: Then = nothing
    ) -> None:
        """A board with the words in a style; `name`: that of the words, else their own; `then`
        follows when it is on."""
        start, text, style = self.beginning, text or self.text, stored.style
        session = self.session
        mark = digest(style.coats)

        def begun(board: Board) -> tuple[Board, str]:
            board, fresh = add_title(on_ground(board, start), text, style, mark, **start.fields)
            return (change_piece(board, fresh, name=name) if name else board), fresh

        def dress() -> None:
            fresh = session.document.make(f"Style: {style.name}", begun)
            if fresh is not None:
                session.selection.choose(fresh)
            remember_style(session.settings, style.name)
            self.words.clear()
            then()

        session.shell.files.new(*_size(start.purpose), dress)

    def _empty(self) -> None:
        """An empty board of the purpose, where nothing is open yet."""
        start, document = self.beginning, self.session.document

        def grounded() -> None:
            document.apply("The ground", lambda board: on_ground(board, start))

        if document.is_pristine:
            self.session.shell.files.new(*_size(start.purpose), grounded)
        self.left.emit()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if event.key() == Qt.Key.Key_Escape and not self.session.reading.status.asks:
            self._empty()
        else:
            super().keyPressEvent(event)

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        """In the field Enter takes the marked style and Down goes to the wall; Shift with Enter is
        a new line."""
        if isinstance(event, QKeyEvent) and event.type() == QEvent.Type.KeyPress:
            key, plain = event.key(), not event.modifiers() & Qt.KeyboardModifier.ShiftModifier
            if key in (Qt.Key.Key_Return, Qt.Key.Key_Enter) and plain:
                self.wall.take()
                return True
            if event.matches(QKeySequence.StandardKey.Paste) and self._paste():
                return True
            if key == Qt.Key.Key_Down and self.words.textCursor().atEnd():
                self.wall.setFocus()
                return True
            if key == Qt.Key.Key_Escape:
                self.keyPressEvent(event)
                return True
        return False
