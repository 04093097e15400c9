"""A button that unfolds a field for a name, for what is kept under one."""

from __future__ import annotations

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import QLineEdit


class KeepName(QLineEdit):
    """Hidden until ask() is called; `named(text)` on Enter, Escape folds it again."""

    named = pyqtSignal(str)

    def __init__(self, about: str) -> None:
        super().__init__()
        self.setPlaceholderText("name, then Enter")
        self.setAccessibleName(about)
        self.hide()
        self.returnPressed.connect(self._done)

    def ask(self, suggestion: str) -> None:
        """Come up with a name that may be changed."""
        self.setText(suggestion)
        self.selectAll()
        self.show()
        self.setFocus()

    def _done(self) -> None:
        name = self.text().strip()
        self.hide()
        if name:
            self.named.emit(name)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() == Qt.Key.Key_Escape:
            self.hide()
            return
        super().keyPressEvent(event)
