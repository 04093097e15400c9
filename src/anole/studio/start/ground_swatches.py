"""Small squares of colour in a row, one of them marked."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPaintEvent, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ...core.model import Colour
from ..look import theme
from ..look.painting import painting
from ..look.qt_colour import to_qt

SIDE, GAP = 24, 6


class GroundSwatches(QWidget):
    """`chosen(number)`: by click, or by arrows with the focus."""

    chosen = pyqtSignal(int)

    def __init__(self, colours: Sequence[Colour]) -> None:
        super().__init__()
        self.colours, self.marked = tuple(colours), 0
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setSizePolicy(QSizePolicy.Policy.Fixed, QSizePolicy.Policy.Fixed)
        self.setAccessibleName("Colour of the ground")
        self.setToolTip("Colour of the ground")

    def sizeHint(self) -> QSize:
        return QSize(len(self.colours) * (SIDE + GAP), SIDE + 4)

    def mark(self, number: int) -> None:
        """Mark one; -1 for none."""
        self.marked = number
        self.update()

    def box(self, number: int) -> QRectF:
        """Where a square is."""
        return QRectF(2 + number * (SIDE + GAP), 2, SIDE, SIDE)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            for number, colour in enumerate(self.colours):
                box = self.box(number)
                painter.fillRect(box, to_qt(colour))
                lit = number == self.marked
                painter.setPen(QPen(theme.colour("leaf" if lit else "line"), 2.5 if lit else 1))
                painter.drawRect(box)
            if self.hasFocus():
                painter.setPen(QPen(theme.colour("text"), 1, Qt.PenStyle.DotLine))
                painter.drawRect(QRectF(self.rect()).adjusted(0.5, 0.5, -0.5, -0.5))

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is not None:
            self._choose(event.position())

    def _choose(self, at: QPointF) -> None:
        for number in range(len(self.colours)):
            if self.box(number).adjusted(-GAP / 2, -4, GAP / 2, 4).contains(at):
                self.chosen.emit(number)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        step = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}.get(Qt.Key(event.key()))
        if step is None:
            super().keyPressEvent(event)
        else:
            self.chosen.emit(min(max(self.marked + step, 0), len(self.colours) - 1))
