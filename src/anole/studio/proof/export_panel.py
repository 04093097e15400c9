"""Exports: the size, the ground, the file's true size, and the button that writes it."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QButtonGroup, QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from ...core.model import Board
from ...core.render.renderer import board_box
from ..controls.number import Number
from ..controls.switch import Switch
from ..plain import Label
from ..session import Session

TIMES = (0.5, 1.0, 2.0, 3.0, 4.0)
MOST_COUNTED = 40_000_000
"""px beyond which the file's size is not worked out ahead of writing it."""


def size_words(count: int) -> str:
    if count < 1000:
        return f"{count} bytes"
    return f"{count / 1000:,.0f} kB" if count < 10_000_000 else f"{count / 1e6:,.1f} MB"


class ExportPanel(QWidget):
    """`wanted(scale, transparent)` when the button is pressed."""

    wanted = pyqtSignal(float, bool)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.document, self.selection = session.document, session.selection
        self.worker = session.worker
        self.setObjectName("panel")
        self.scale = 1.0
        self._asked: Any = None
        self.head = Label("Export")
        self.head.setObjectName("head")
        self.times = QButtonGroup(self)
        row = QHBoxLayout()
        row.setSpacing(4)
        for number, factor in enumerate(TIMES):
            button = QPushButton("½×" if factor == 0.5 else f"{factor:g}×")
            button.setCheckable(True)
            button.setToolTip(f"{factor:g} times the board's size")
            self.times.addButton(button, number)
            row.addWidget(button)
        self.width_field = Number(
            "Width",
            1,
            32_000,
            soft=(64, 7680),
            step=1,
            unit="px",
            about="Width of the picture; its height follows",
        )
        self.clear = Switch(
            "Transparent background", "Leave the grounds out: the letters alone, on nothing"
        )
        self.pixels, self.bytes = Label(), Label()
        self.pixels.setObjectName("dim")
        self.bytes.setObjectName("dim")
        self.button = QPushButton("Export PNG")
        self.button.setToolTip("Export the picture to a file (Ctrl+Return)")
        column = QVBoxLayout(self)
        column.setContentsMargins(12, 12, 12, 12)
        column.setSpacing(10)
        column.addWidget(self.head)
        column.addLayout(row)
        for part in (self.width_field, self.clear, self.pixels, self.bytes, self.button):
            column.addWidget(part)
        column.addStretch(1)
        self.times.idClicked.connect(lambda n: self.set_scale(TIMES[n]))
        self.width_field.edited.connect(lambda v, _: self.set_scale(v / self.document.board.width))
        self.clear.edited.connect(lambda *_: self.refresh())
        self.button.clicked.connect(self.ask_export)
        self.worker.counted.connect(self._counted)
        self.document.settled.connect(self.refresh)

    @property
    def transparent(self) -> bool:
        return bool(self.clear.value())

    def set_scale(self, scale: float) -> None:
        self.scale = min(max(scale, 0.001), 100.0)
        self.refresh()

    def ask_export(self) -> None:
        self.wanted.emit(self.scale, self.transparent)

    def showEvent(self, event: Any) -> None:
        super().showEvent(event)
        self.refresh()

    def refresh(self) -> None:
        board: Board = self.document.board
        box = board_box(board, self.scale)
        self.times.setExclusive(False)
        for number, factor in enumerate(TIMES):
            button = self.times.button(number)
            if button is not None:
                button.setChecked(abs(self.scale - factor) < 1e-9)
        self.times.setExclusive(True)
        self.width_field.set_value(box.width)
        self.pixels.setText(
            f"{box.width} × {box.height} px, {board.dpi * self.scale:.0f} dots per inch"
        )
        wanted = (board, self.scale, self.transparent)
        if not self.isVisible() or wanted == self._asked:
            return
        self._asked = wanted
        if box.width * box.height > MOST_COUNTED:
            self.bytes.setText("The file's size is known once it is exported.")
            return
        self.bytes.setText("PNG, working out its size")
        self.worker.ask_size(wanted)

    def _counted(self, key: Any, count: int) -> None:
        if key == self._asked:
            self.bytes.setText(f"PNG, {size_words(count)}")
