"""A line of text."""

from __future__ import annotations

from typing import Any

from PyQt6.QtWidgets import QLineEdit

from .control import Control
from .field_label import FieldLabel
from .layouts import row
from .table import CONTROLS


class TextControl(Control):
    """A text field; told when it is left."""

    def __init__(self, title: str, about: str = "") -> None:
        super().__init__()
        self.line = QLineEdit()
        self.line.setAccessibleName(title)
        self.setToolTip(about)
        label = FieldLabel(title)
        self.setLayout(row(label, self.line, stretch=1))
        self.line.editingFinished.connect(self._typed)

    def value(self) -> Any:
        return self.line.text()

    def set_value(self, value: Any) -> None:
        if not self.line.isModified():
            self.line.setText(value)

    def _typed(self) -> None:
        if self.line.isModified():
            self.line.setModified(False)
            self.edited.emit(self.line.text(), None)


CONTROLS.add(str, lambda info: TextControl(info.title, info.about))
