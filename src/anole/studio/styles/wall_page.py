"""A page with a wall of styles: a head above it, a panel beside it, a line below."""

from __future__ import annotations

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import QHBoxLayout, QScrollArea, QVBoxLayout, QWidget

from ..look.plain import Label
from ..shared.session import Session
from .on_words import OnWords, on_words
from .wall import Wall

SIDE = 286


class WallPage(QWidget):
    """`left`: nothing is wanted of it any more. Esc leaves; what a click takes the page says."""

    left = pyqtSignal()

    def __init__(self, session: Session, kind: str) -> None:
        super().__init__()
        self.session = session
        self.on: OnWords | None = None
        self.setObjectName("desk")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.wall = Wall(session.worker, kind)
        self.title, self.hint = Label(), Label()
        self.title.setObjectName("head")
        self.hint.setObjectName("dim")
        self.head, self.foot = QHBoxLayout(), QHBoxLayout()
        self.side = QVBoxLayout()
        self._arrange()

    def _arrange(self) -> None:
        inside, scroll = QWidget(), QScrollArea()
        inside.setObjectName("panel")
        inside.setLayout(self.side)
        self.side.setContentsMargins(14, 14, 14, 14)
        self.side.setSpacing(8)
        scroll.setObjectName("panel")
        scroll.setWidgetResizable(True)
        scroll.setFrameShape(QScrollArea.Shape.NoFrame)
        scroll.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        scroll.setFixedWidth(SIDE)
        scroll.setWidget(inside)
        for line in (self.head, self.foot):
            line.setSpacing(10)
        column = QVBoxLayout()
        column.setContentsMargins(16, 12, 12, 8)
        column.setSpacing(10)
        column.addLayout(self.head)
        column.addWidget(self.wall, 1)
        column.addLayout(self.foot)
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(1)
        row.addLayout(column, 1)
        row.addWidget(scroll)

    def begin(self) -> None:
        """The page comes up."""
        self.on = on_words(self.session)
        self.show_words()
        self.wall.setFocus()

    def rest(self) -> None:
        """The page is left."""
        self.wall.rest()
        self.on = None

    def show_words(self) -> None:
        """The words, in the colours that are wanted."""
        if self.on is not None:
            whose, on = self.session.styles.colours, self.on
            self.wall.show_words(
                lambda style: on.dressed(style, whose), on.aspect, (on.value, whose), on.area
            )

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if event.key() == Qt.Key.Key_Escape and not self.session.reading.status.asks:
            self.left.emit()
        else:
            super().keyPressEvent(event)
