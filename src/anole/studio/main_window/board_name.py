"""The board's name in the bar on top; clicked, it is typed over."""

from __future__ import annotations

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QMouseEvent, QResizeEvent

from ..look.name_field import NameField
from ..look.plain import Label, tip

LEAST_TYPED = 160
"""px of the field in which a name is typed."""


class BoardName(Label):
    """The board's name and whether it is saved, shortened where there is no room. `renamed(name)`:
    clicked, it is typed over."""

    renamed = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("dim")
        self._name = self._state = ""
        self.setMinimumWidth(40)
        self.setCursor(Qt.CursorShape.IBeamCursor)
        self.field = NameField()
        self.field.setParent(self)
        self.field.setAccessibleName("Name of the board")
        self.field.hide()
        self.field.editingFinished.connect(self._typed)

    def show_name(self, name: str, state: str, where: str) -> None:
        """Show a board's name, whether it is saved, and where."""
        self._name, self._state = name, state
        self.setToolTip(tip(f"{where}. Click to rename"))
        self.setAccessibleName(f"{name}, {state}")
        self._fit()

    def type_over(self) -> None:
        """Let the name be typed over."""
        wide = max(self.fontMetrics().horizontalAdvance(self._name) + 40, LEAST_TYPED)
        high = self.field.sizeHint().height()
        self.field.setGeometry(0, (self.height() - high) // 2, min(wide, self.width()), high)
        self.field.show_name(self._name)
        self.field.show()
        self.field.setFocus()
        self.field.selectAll()

    def _typed(self) -> None:
        if self.field.isVisible():
            self.field.hide()
            self.renamed.emit(self.field.text())

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and event.button() == Qt.MouseButton.LeftButton:
            self.type_over()

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        super().resizeEvent(event)
        self._fit()

    def _fit(self) -> None:
        whole = f"{self._name}  ·  {self._state}"
        short = self._name if self._state == "saved" else f"{self._name} *"
        metrics = self.fontMetrics()
        text = whole if metrics.horizontalAdvance(whole) <= self.width() else short
        self.setText(metrics.elidedText(text, Qt.TextElideMode.ElideMiddle, self.width()))
