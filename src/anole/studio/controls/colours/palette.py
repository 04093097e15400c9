"""Palette: a row of colours, each edited in the panel beneath it."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ....core.model import Colour
from ...look import theme
from ...look.painting import painting
from ...look.plain import Label
from ...look.qt_colour import to_qt
from ..base.control import Control
from ..base.layouts import column
from ..base.table import CONTROLS, many
from .colour import ColourControl

CHIP = 24
STARTS = ("#ff6a5c", "#ffd98a", "#6fd3c4", "#7aa7ff", "#d58cff", "#9fd356")


class SwatchRow(QWidget):
    """Chips and a + at the end. `chosen(index)`; `added()`; `removed(index)`."""

    chosen = pyqtSignal(int)
    added = pyqtSignal()
    removed = pyqtSignal(int)

    def __init__(self, title: str) -> None:
        super().__init__()
        self.colours: tuple[Colour, ...] = ()
        self.index = 0
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName(f"{title}: arrows choose, Insert adds, Delete removes")
        self.setToolTip("Click to choose, + adds a colour, Delete removes it")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)

    def _per_row(self) -> int:
        return max((self.width() or 240) // (CHIP + 4), 1)

    def sizeHint(self) -> QSize:
        rows = len(self.colours) // self._per_row() + 1
        return QSize(120, rows * (CHIP + 4))

    def minimumSizeHint(self) -> QSize:
        return self.sizeHint()

    def box(self, index: int) -> QRectF:
        """Where a swatch lies, in px."""
        row, column_ = divmod(index, self._per_row())
        return QRectF(column_ * (CHIP + 4) + 1, row * (CHIP + 4) + 1, CHIP, CHIP)

    def show_colours(self, colours: tuple[Colour, ...]) -> None:
        """Show these, in this order."""
        self.colours = colours
        self.index = min(self.index, max(len(colours) - 1, 0))
        self.updateGeometry()
        self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            for number, colour in enumerate(self.colours):
                chosen = number == self.index
                painter.setPen(QPen(theme.colour("leaf" if chosen else "line"), 2 if chosen else 1))
                painter.setBrush(to_qt(colour))
                painter.drawRoundedRect(self.box(number), 5, 5)
            plus = self.box(len(self.colours))
            painter.setPen(QPen(theme.colour("line"), 1))
            painter.setBrush(theme.colour("raised"))
            painter.drawRoundedRect(plus, 5, 5)
            painter.setPen(theme.colour("text"))
            painter.drawText(plus, Qt.AlignmentFlag.AlignCenter, "+")

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        for number in range(len(self.colours) + 1):
            if self.box(number).contains(event.position()):
                if number == len(self.colours):
                    self.added.emit()
                else:
                    self.index = number
                    self.chosen.emit(number)
        self.update()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        step = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}.get(Qt.Key(event.key()))
        if step and self.colours:
            self.index = (self.index + step) % len(self.colours)
            self.chosen.emit(self.index)
        elif event.key() in (Qt.Key.Key_Delete, Qt.Key.Key_Backspace) and self.colours:
            self.removed.emit(self.index)
        elif event.key() == Qt.Key.Key_Insert:
            self.added.emit()
        else:
            super().keyPressEvent(event)
        self.update()


class Palette(Control):
    def __init__(self, title: str, about: str = "") -> None:
        super().__init__()
        self._colours: tuple[Colour, ...] = ()
        self.row, self.colour = SwatchRow(title), ColourControl(title)
        label = Label(title)
        column(self, label, self.row, self.colour)
        self.setToolTip(about)
        self.row.chosen.connect(lambda _: self._show())
        self.row.added.connect(self._add)
        self.row.removed.connect(self._remove)
        self.colour.edited.connect(self._coloured)
        self._show()

    def value(self) -> Any:
        return self._colours

    def set_value(self, value: Any) -> None:
        self._colours = tuple(value)
        self.row.show_colours(self._colours)
        self._show()

    def _show(self) -> None:
        self.colour.setVisible(bool(self._colours))
        if self._colours:
            self.colour.set_value(self._colours[self.row.index])

    def _send(self, colours: tuple[Colour, ...], token: object | None) -> None:
        self.set_value(colours)
        self.edited.emit(colours, token)

    def _add(self) -> None:
        fresh = Colour.parse(STARTS[len(self._colours) % len(STARTS)])
        self.row.index = len(self._colours)
        self._send((*self._colours, fresh), None)

    def _remove(self, index: int) -> None:
        self._send((*self._colours[:index], *self._colours[index + 1 :]), None)

    def _coloured(self, colour: Colour, token: object | None) -> None:
        at = self.row.index
        self._send((*self._colours[:at], colour, *self._colours[at + 1 :]), token)


CONTROLS.add(many(Colour), lambda info: Palette(info.title, info.about))
