"""A field for typed numbers with arrow keys, sums and units."""

from __future__ import annotations

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QFocusEvent, QKeyEvent, QMouseEvent, QWheelEvent
from PyQt6.QtWidgets import QLineEdit

from ..base.slider import key_factor
from .expression import evaluate


class NumberField(QLineEdit):
    """`typed(value, unit)` when Enter is pressed or the field left; `stepped(steps)`."""

    typed = pyqtSignal(float, str)
    stepped = pyqtSignal(float)

    def __init__(self, width: int = 68) -> None:
        super().__init__()
        self.setObjectName("number")
        self.setFixedWidth(width)
        self.setAlignment(Qt.AlignmentFlag.AlignRight)
        self._shown = ""
        self.words: dict[str, tuple[float, str]] = {}
        """What may be typed in place of a number and its unit, in lower case."""
        self.editingFinished.connect(self._finish)

    def show_text(self, text: str) -> None:
        """Show a text, unless one is being typed."""
        self._shown = text
        if not (self.hasFocus() and self.isModified()):
            self.setText(text)
            self.setCursorPosition(0)

    def _finish(self) -> None:
        if not self.isModified() or self.text() == self._shown:
            self.setModified(False)
            return
        self.setModified(False)
        try:
            word = self.words.get(self.text().strip().casefold())
            value, unit = word or evaluate(self.text())
        except ValueError:
            self.setText(self._shown)
            return
        self.typed.emit(value, unit)
        self.setText(self._shown)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if event.key() in (Qt.Key.Key_Up, Qt.Key.Key_Down):
            sign = 1 if event.key() == Qt.Key.Key_Up else -1
            self.setModified(False)
            self.stepped.emit(sign * key_factor(event.modifiers()))
        elif event.key() == Qt.Key.Key_Escape:
            self.setModified(False)
            self.setText(self._shown)
            self.clearFocus()
        else:
            super().keyPressEvent(event)

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        assert event is not None
        if self.hasFocus():
            self.stepped.emit(1.0 if event.angleDelta().y() > 0 else -1.0)
        else:
            event.ignore()

    def focusInEvent(self, event: QFocusEvent | None) -> None:
        super().focusInEvent(event)
        self.selectAll()

    def mouseDoubleClickEvent(self, event: QMouseEvent | None) -> None:
        """The whole number, to be typed over; its label goes back to the default."""
        self.selectAll()
