"""Colour, edited in the panel: the field, alpha, and any CSS text."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QRectF
from PyQt6.QtGui import QColor, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QHBoxLayout, QLineEdit, QVBoxLayout, QWidget

from ...core.model import Colour
from .. import theme
from .colour_field import ColourField
from .control import Control
from .number import Number


def to_qt(colour: Colour) -> QColor:
    return QColor(colour.r, colour.g, colour.b, colour.a)


class Swatch(QWidget):
    """The colour itself, over checks where it is clear."""

    def __init__(self) -> None:
        super().__init__()
        self.setFixedSize(44, 26)
        self.colour = Colour(0, 0, 0)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        for x in range(0, 44, 6):
            for y in range(0, 26, 6):
                shade = "dim" if (x + y) // 6 % 2 else "sunk"
                painter.fillRect(QRectF(x, y, 6, 6), theme.colour(shade))
        painter.fillRect(self.rect(), to_qt(self.colour))
        painter.setPen(QPen(theme.colour("line"), 1))
        painter.drawRect(self.rect().adjusted(0, 0, -1, -1))


class ColourControl(Control):
    def __init__(self, title: str = "Colour") -> None:
        super().__init__()
        self._colour = Colour(255, 255, 255)
        self.field, self.swatch, self.text = ColourField(), Swatch(), QLineEdit()
        self.text.setAccessibleName(f"{title} as CSS text")
        self.text.setToolTip("Hex, or any CSS colour: #ff8866, oklch(0.7 0.2 30), hsv(20 60 100)")
        self.alpha = Number("Alpha", 0, 1, unit="%", factor=100, step=0.01, default=1.0)
        column, row = QVBoxLayout(self), QHBoxLayout()
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        row.setSpacing(6)
        row.addWidget(self.swatch)
        row.addWidget(self.text, 1)
        column.addWidget(self.field)
        column.addLayout(row)
        column.addWidget(self.alpha)
        self.field.picked.connect(self._send)
        self.alpha.edited.connect(lambda v, t: self._send(self._colour.with_alpha(v), t))
        self.text.editingFinished.connect(self._typed)

    def value(self) -> Any:
        return self._colour

    def set_value(self, value: Any) -> None:
        self._colour = value
        self.field.show_colour(value)
        self._show(value)

    def _show(self, value: Colour) -> None:
        self.swatch.colour = value
        self.swatch.update()
        self.text.setText(str(value))
        self.text.setModified(False)
        self.alpha.set_value(value.a / 255)

    def _send(self, colour: Colour, token: object | None) -> None:
        self._colour = colour
        self._show(colour)
        self.edited.emit(colour, token)

    def _typed(self) -> None:
        if not self.text.isModified():
            return
        try:
            colour = Colour.parse(self.text.text())
        except ValueError:
            colour = self._colour
        self.set_value(colour)
        self.edited.emit(colour, None)
