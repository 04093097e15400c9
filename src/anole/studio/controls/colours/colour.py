"""Colour, edited in the panel: the field, numbers, CSS text, the dropper and colours at hand."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QRectF, QTimer
from PyQt6.QtGui import QPaintEvent, QPen, QShowEvent
from PyQt6.QtWidgets import QLineEdit, QPushButton, QWidget

from ....core.model import Colour
from ...look import theme
from ...look.painting import painting
from ...look.qt_colour import to_qt
from ...shared.session import session_of
from ..base.control import Control
from ..base.keep_name import KeepName
from ..base.layouts import column, row
from ..base.table import CONTROLS
from ..numbers.number import Number
from .colour_field import ColourField
from .colour_rows import ColourRows
from .swatches import Swatches

SIDE = 34
SETTLED_MS = 1200
"""A colour that stood this long was used."""


class SwatchButton(QWidget):
    """The colour itself, over checks where it is clear."""

    def __init__(self) -> None:
        super().__init__()
        self.setFixedSize(SIDE, 26)
        self.colour = Colour(0, 0, 0)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            for x in range(0, SIDE, 6):
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
        self.field, self.swatch, self.text = ColourField(), SwatchButton(), QLineEdit()
        self.rows, self.swatches = ColourRows(), Swatches()
        self.pick, self.save = QPushButton("Pick"), QPushButton("Save")
        self.text.setAccessibleName(f"{title} as CSS text")
        self.text.setToolTip("Hex, or any CSS colour: #ff8866, oklch(0.7 0.2 30), hsv(20 60 100)")
        self.pick.setToolTip("Take a colour from the board: 1 px, Shift 3 × 3, Ctrl 9 × 9")
        self.save.setToolTip("Save the colour in the board, under a name")
        for button in (self.pick, self.save):
            button.setFixedWidth(46)
            button.setStyleSheet("padding: 4px 2px;")
        self.alpha = Number("Alpha", 0, 1, unit="%", factor=100, step=0.01, default=1.0)
        self.name = KeepName("Name of the swatch")
        layout = column(self, self.field, self.name, self.rows, self.alpha, self.swatches)
        layout.insertLayout(1, row(self.swatch, self.text, self.pick, self.save, gap=4, stretch=1))
        self._settled = QTimer(self)
        self._settled.setSingleShot(True)
        self._settled.timeout.connect(self._used)
        self.field.picked.connect(self._send)
        self.rows.edited.connect(self._send)
        self.swatches.chosen.connect(lambda c: self._send(c, None))
        self.alpha.edited.connect(lambda v, t: self._send(self._colour.with_alpha(v), t))
        self.text.editingFinished.connect(self._typed)
        self.pick.clicked.connect(self._ask_pick)
        self.save.clicked.connect(lambda: self.name.ask(str(self._colour)))
        self.name.named.connect(lambda name: self.swatches.keep(self._colour, name))

    def value(self) -> Any:
        return self._colour

    def set_value(self, value: Any) -> None:
        self._colour = value
        self.field.show_colour(value)
        self._show(value)

    def showEvent(self, event: QShowEvent | None) -> None:
        self.swatches.refresh()
        super().showEvent(event)

    def _show(self, value: Colour) -> None:
        self.swatch.colour = value
        self.swatch.update()
        self.text.setText(str(value))
        self.text.setModified(False)
        self.alpha.set_value(value.a / 255)
        self.rows.set_value(value)

    def _send(self, colour: Colour, token: object | None) -> None:
        self._colour = colour
        self.field.show_colour(colour)
        self._show(colour)
        self._settled.start(SETTLED_MS)
        self.edited.emit(colour, token)

    def _used(self) -> None:
        self.swatches.used(self._colour)

    def _typed(self) -> None:
        if not self.text.isModified():
            return
        try:
            colour = Colour.parse(self.text.text())
        except ValueError:
            colour = self._colour
        self._send(colour, None)

    def _ask_pick(self) -> None:
        session = session_of(self)
        if session is not None:
            session.shell.pick_colour(lambda colour: self._send(colour, None))


CONTROLS.add(Colour, lambda info: ColourControl(info.title))
