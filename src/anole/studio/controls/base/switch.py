"""Switch: on or off."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt
from PyQt6.QtGui import QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QAbstractButton, QHBoxLayout

from ...look import theme
from ...look.painting import painting
from .control import Control
from .field_label import FieldLabel
from .table import CONTROLS


class Toggle(QAbstractButton):
    """A small track with a knob."""

    def __init__(self) -> None:
        super().__init__()
        self.setCheckable(True)
        self.setCursor(Qt.CursorShape.PointingHandCursor)

    def sizeHint(self) -> QSize:
        return QSize(34, 22)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            edge = "leaf" if self.isChecked() or self.hasFocus() else "line"
            painter.setPen(QPen(theme.colour(edge), 1.5))
            painter.setBrush(theme.colour("leaf" if self.isChecked() else "sunk"))
            box = QRectF(1, self.height() / 2 - 8, 30, 16)
            painter.drawRoundedRect(box, 8, 8)
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(theme.colour("on_leaf" if self.isChecked() else "text"))
            x = box.right() - 8 if self.isChecked() else box.left() + 8
            painter.drawEllipse(QPointF(x, box.center().y()), 5, 5)


class Switch(Control):
    """On or off."""

    def __init__(self, title: str, about: str = "") -> None:
        super().__init__()
        self.toggle = Toggle()
        self.toggle.setAccessibleName(title)
        label = FieldLabel(title)
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(6)
        row.addWidget(label)
        row.addWidget(self.toggle)
        row.addStretch(1)
        self.setToolTip(about)
        self.toggle.clicked.connect(lambda on: self.edited.emit(on, None))

    def value(self) -> Any:
        return self.toggle.isChecked()

    def set_value(self, value: Any) -> None:
        self.toggle.setChecked(bool(value))


CONTROLS.add(bool, lambda info: Switch(info.title, info.about))
