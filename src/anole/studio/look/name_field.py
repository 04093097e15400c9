"""A line that is typed into: Enter or leaving it takes what was typed, Escape puts back what stood there."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import QLineEdit


class NameField(QLineEdit):
    """`show_name` shows one unless it is being typed over."""

    def __init__(self) -> None:
        super().__init__()
        self._shown = ""

    def show_name(self, text: str) -> None:
        """Show a name, unless one is being typed."""
        self._shown = text
        if not self.hasFocus():
            self.setText(text)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() == Qt.Key.Key_Escape:
            self.setText(self._shown)
            self.clearFocus()
            return
        super().keyPressEvent(event)
