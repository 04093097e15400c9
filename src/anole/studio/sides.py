"""The left sides of the three stages."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QHBoxLayout, QLabel, QPushButton, QVBoxLayout, QWidget

if TYPE_CHECKING:
    from .window import Window


def side(*parts: QWidget, stretch: int = 0) -> QWidget:
    side = QWidget()
    side.setObjectName("panel")
    side.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
    column = QVBoxLayout(side)
    column.setContentsMargins(12, 12, 12, 12)
    column.setSpacing(8)
    for number, part in enumerate(parts):
        column.addWidget(part, 1 if number == stretch else 0)
    return side


def pieces_side(window: Window) -> QWidget:
    head = QLabel("Pieces")
    head.setObjectName("head")
    add = QPushButton("+  words")
    add.setToolTip("Add words to the board (Ctrl+T)")
    copy, remove = QPushButton("Duplicate"), QPushButton("Remove")
    copy.setToolTip("Duplicate the piece (Ctrl+D)")
    remove.setToolTip("Remove the piece (Delete in the list)")
    row = QWidget()
    line = QHBoxLayout(row)
    line.setContentsMargins(0, 0, 0, 0)
    for button, command in ((add, "words"), (copy, "duplicate"), (remove, "remove")):
        button.clicked.connect(window.actions_by_id[command].trigger)
        line.addWidget(button)
    return side(head, window.pieces, row, stretch=1)


def coat_side(window: Window) -> QWidget:
    top = QWidget()
    line = QHBoxLayout(top)
    line.setContentsMargins(0, 0, 0, 0)
    head = QLabel("Build-up")
    head.setObjectName("head")
    window.build_of.setObjectName("dim")
    line.addWidget(head)
    line.addWidget(window.build_of, 1)
    window.unit.setToolTip("Scale of the drawing: board px, or em of the lettering")
    window.unit.setFixedWidth(48)
    window.unit.clicked.connect(window._switch_unit)
    line.addWidget(window.unit)
    return side(top, window.build_up, window.shaping, window.coats, stretch=1)


def proof_side(window: Window) -> QWidget:
    head = QLabel("At a glance")
    head.setObjectName("head")
    return side(head, window.small_proof, stretch=1)
