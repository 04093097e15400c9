"""Start from words: one field, and every style on what is typed into it."""

from __future__ import annotations

import functools

from PyQt6.QtCore import QEvent, QObject, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import (
    QFrame,
    QHBoxLayout,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from ...core.edit.titles import add_title
from ...core.edit.wearing import put_style
from ...core.library.sets import FAVOURITES
from ...core.library.styles import StoredStyle, digest
from ...core.model import Board, Style
from ..controls.base.words_field import WordsField
from ..documents.board_files import new_board
from ..documents.purposes import Purpose
from ..look.plain import Label
from ..shared.new_words import remember_style
from ..shared.session import Session
from ..styles.wall import Wall
from .boards import BoardCards
from .purpose_list import PurposeList

SIDE, FIELD = 256, 84
EXAMPLE = "Your words"
MOST_ON_TILES = 160
PLAIN = Style(name="", coats=())


@functools.lru_cache(8)
def _titled(text: str, purpose: Purpose) -> tuple[Board, str]:
    """A board of a purpose with words that wear nothing yet."""
    return add_title(new_board(purpose.width, purpose.height, purpose.dpi), text, PLAIN)


def dressed_board(text: str, purpose: Purpose, style: Style) -> Board:
    """The board that a click on a style opens."""
    board, fresh = _titled(text, purpose)
    return put_style(board, fresh, style)


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
        self.purposes.changed.connect(self._follow)
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
        how = Label("Click a style, or press Enter for the marked one. Esc: an empty board")
        how.setObjectName("dim")
        line = QHBoxLayout()
        line.addWidget(head)
        line.addStretch(1)
        line.addWidget(how)
        column.addLayout(line)
        column.addWidget(self.words)
        column.addSpacing(6)
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

    def _follow(self) -> None:
        purpose, text = self.purposes.purpose, self.text[:MOST_ON_TILES]
        self.wall.show_words(
            lambda style: dressed_board(text, purpose, style), purpose.width / purpose.height
        )

    # leaving

    def _dress(self, stored: StoredStyle) -> None:
        purpose, text, style = self.purposes.purpose, self.text, stored.style
        session = self.session
        mark = digest(style.coats)

        def dress() -> None:
            fresh = session.document.make(
                f"Style: {style.name}", lambda b: add_title(b, text, style, mark)
            )
            if fresh is not None:
                session.selection.choose(fresh)
            remember_style(session.settings, style.name)
            self.words.clear()

        session.shell.files.new(purpose.width, purpose.height, purpose.dpi, dress)

    def _empty(self) -> None:
        """An empty board of the purpose, where nothing is open yet."""
        purpose = self.purposes.purpose
        if self.session.document.is_pristine:
            self.session.shell.files.new(purpose.width, purpose.height, purpose.dpi)
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
            if key == Qt.Key.Key_Down and self.words.textCursor().atEnd():
                self.wall.setFocus()
                return True
            if key == Qt.Key.Key_Escape:
                self.keyPressEvent(event)
                return True
        return False
