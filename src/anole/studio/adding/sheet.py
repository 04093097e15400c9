"""+ Coat and + More: all that can be added, on the user's own words, beside the board that follows."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import Any

from PyQt6.QtCore import QEvent, QObject, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import QButtonGroup, QHBoxLayout, QLineEdit, QPushButton, QVBoxLayout, QWidget

from ..exchange.pictures import ask_picture
from ..look.plain import Label
from ..runtime.when_visible import WhenVisible
from ..shared.session import Session
from ..styles.on_words import area_round
from . import coats, pieces
from .addition import Addition, Make, tried
from .tiles import AdditionTiles

WIDE = 540
"""px of the sheet: three tiles in a row."""
Source = Callable[[Session], Iterator[Addition]]
SHEETS: dict[str, tuple[Source, ...]] = {
    "Coats": (coats.coats,),
    "Paints": (coats.paints, coats.patterns),
    "Tones": (coats.tones,),
    "Pieces": (pieces.pieces, pieces.marks),
}


class AddingSheet(QWidget):
    """`left`: nothing is wanted of it any more."""

    left = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session, self.document = session, session.document
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.tiles, self.search = AdditionTiles(session.worker), QLineEdit()
        self.search.setPlaceholderText("Find what can be added")
        self.search.setAccessibleName("Find what can be added")
        self.search.setClearButtonEnabled(True)
        self.search.installEventFilter(self)
        self._for: Any = None
        self.sheets, self._found = QButtonGroup(self), Label()
        self._found.setObjectName("dim")
        self._build()
        self.search.textChanged.connect(lambda _: self._show())
        self.sheets.buttonClicked.connect(lambda _: self._turned())
        self.tiles.taken.connect(self._put_on)
        self.tiles.looked.connect(self._look)
        self.tiles.above.connect(self.search.setFocus)
        when_visible = WhenVisible(self, self.refresh)
        self.document.settled.connect(when_visible)
        session.selection.changed.connect(when_visible)

    def _build(self) -> None:
        head, row, sheets = Label("Add"), QHBoxLayout(), QHBoxLayout()
        head.setObjectName("head")
        how = Label("Point at one to see it on the board. Esc: nothing")
        how.setObjectName("dim")
        self.picture = QPushButton("A picture or an emblem…")
        self.picture.clicked.connect(lambda: self._ask_picture())
        row.addWidget(head)
        row.addStretch(1)
        row.addWidget(how)
        sheets.setSpacing(6)
        for number, title in enumerate(SHEETS):
            button = QPushButton(title)
            button.setCheckable(True)
            button.setFocusPolicy(Qt.FocusPolicy.TabFocus)
            self.sheets.addButton(button, number)
            sheets.addWidget(button)
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 12, 10, 8)
        column.setSpacing(8)
        column.addLayout(row)
        column.addWidget(self.search)
        column.addLayout(sheets)
        column.addWidget(self._found)
        column.addWidget(self.tiles, 1)
        column.addWidget(self.picture)

    # what it shows

    @property
    def shown(self) -> str:
        """Which of SHEETS it shows."""
        return list(SHEETS)[self.sheets.checkedId()]

    def begin(self, sheet: str) -> None:
        """It comes up with one of SHEETS, ready to be typed into."""
        button = self.sheets.button(list(SHEETS).index(sheet))
        assert button is not None
        button.setChecked(True)
        self.search.blockSignals(True)
        self.search.clear()
        self.search.blockSignals(False)
        self._for = None
        self.refresh()
        self.search.setFocus()

    def rest(self) -> None:
        """It is left."""
        self._for = None
        self.document.look_at(None)
        self.tiles.rest()

    def refresh(self) -> None:
        """The board changed, or what is chosen on it."""
        selection, board = self.session.selection, self.document.board
        # what is only looked at changes neither
        if self._for == (board, selection.piece_id, selection.coat_id):
            return
        self._for, piece = (board, selection.piece_id, selection.coat_id), selection.coated
        whole = (0.0, 0.0, float(board.width), float(board.height))
        self._show()
        self.tiles.show_board(board, area_round(board, piece.id) if piece is not None else whole)

    def _turned(self) -> None:
        self.search.clear()
        self._show()

    def _show(self) -> None:
        words = self.search.text().casefold().split()
        names = list(SHEETS) if words else [self.shown]
        self.picture.setVisible("Pieces" in names)
        sources = [source for name in names for source in SHEETS[name]]
        all_ = [one for source in sources for one in source(self.session)]
        # families in the order in which their first comes
        families = list(dict.fromkeys(one.family for one in all_))
        found = [one for one in all_ if all(word in _text(one) for word in words)]
        found.sort(key=lambda one: families.index(one.family))
        self.tiles.show_additions(found)
        reason = next((one.why for one in found if one.why), "")
        self._found.setText("Nothing is called so." if not found else reason.capitalize())
        self._found.setVisible(bool(self._found.text()))

    # what is done with it

    def _look(self, way: Make | None) -> None:
        self.document.look_at(tried(way, self.document.board) if way is not None else None)

    def _put_on(self, addition: Addition, way: Make) -> None:
        if addition.why:
            self.document.said.emit(f"{addition.title}: {addition.why}.")
            return
        self.document.look_at(None)
        self.left.emit()
        addition.run(self.session, way)

    def _ask_picture(self) -> None:
        self.left.emit()
        ask_picture(self.session)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if event.key() == Qt.Key.Key_Escape:
            self.left.emit()
        else:
            super().keyPressEvent(event)

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        """In the field Enter adds what is marked, and Down goes to the tiles."""
        if isinstance(event, QKeyEvent) and event.type() == QEvent.Type.KeyPress:
            if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
                self.tiles.take()
                return True
            if event.key() == Qt.Key.Key_Down and self.tiles.count():
                self.tiles.setFocus()
                self.tiles.choose(self.tiles.index)
                return True
        return False


def _text(addition: Addition) -> str:
    """All that it is found by."""
    words: tuple[Any, ...] = (addition.name, addition.family, addition.about, addition.kind)
    return " ".join(words).casefold()
