"""How the page of a style read off a picture is laid out."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QHBoxLayout, QLineEdit, QPushButton, QScrollArea, QVBoxLayout, QWidget

from ...controls.numbers.number import Number
from ...look.plain import Label
from ...shared.session import Session
from .found_rows import FoundRows
from .picture_view import PictureView
from .run_strip import RunStrip
from .worn_words import WornWords

SIDE = 396


class FromPictureLayout(QWidget):
    """Left the picture and the strip, right the words and the coats."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.setObjectName("desk")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.title, self.state, self.found_head = Label(), Label(), Label("What was found")
        self.another, self.anew = QPushButton("Another picture…"), QPushButton("Start over")
        self.anew.setToolTip("The whole picture, and the program's own line and borders")
        self.picture, self.strip = PictureView(), RunStrip()
        self.words, self.rows = WornWords(session), FoundRows()
        self.capitals = Number(
            "Capitals are", 0.2, 2, soft=(0.5, 1), step=0.01, unit="em", default=0.72,
            about="How tall the capitals of the lettering are in em of its font: all lengths follow",
        )  # fmt: skip
        self.name = QLineEdit()
        self.name.setAccessibleName("Name of the style")
        self.name.setPlaceholderText("Name of the style")
        self.put_on, self.save = QPushButton("Put on"), QPushButton("Save style")
        self.leave = QPushButton("Leave it")
        self._arrange()

    def _arrange(self) -> None:
        self.title.setObjectName("head")
        self.put_on.setObjectName("main")
        self.found_head.setObjectName("group")
        for label in (self.state,):
            label.setObjectName("dim")
            label.setWordWrap(True)
        along = Label("Along the line, from the ground into the stem")
        along.setObjectName("group")
        head = QHBoxLayout()
        head.setSpacing(10)
        head.addWidget(self.title, 1)
        head.addWidget(self.anew)
        head.addWidget(self.another)
        column = QVBoxLayout()
        column.setContentsMargins(16, 12, 12, 10)
        column.setSpacing(8)
        column.addLayout(head)
        column.addWidget(self.picture, 1)
        column.addWidget(along)
        column.addWidget(self.strip)
        column.addWidget(self.state)
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(1)
        row.addLayout(column, 1)
        row.addWidget(self._side())

    def _side(self) -> QWidget:
        side, list_of, scroll = QWidget(), QWidget(), QScrollArea()
        for part in (side, list_of, scroll):
            part.setObjectName("panel")
        side.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        inner = QVBoxLayout(list_of)
        inner.setContentsMargins(0, 0, 4, 0)
        inner.addWidget(self.rows)
        inner.addStretch(1)
        scroll.setWidgetResizable(True)
        scroll.setFrameShape(QScrollArea.Shape.NoFrame)
        scroll.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        scroll.setWidget(list_of)
        buttons = QHBoxLayout()
        for button in (self.put_on, self.save, self.leave):
            buttons.addWidget(button)
        column = QVBoxLayout(side)
        column.setContentsMargins(14, 14, 14, 14)
        column.setSpacing(8)
        for part in (self.words, self.found_head):
            column.addWidget(part)
        column.addWidget(scroll, 1)
        for part in (self.capitals, self.name):
            column.addWidget(part)
        column.addLayout(buttons)
        side.setFixedWidth(SIDE)
        return side
