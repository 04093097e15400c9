"""Choice: one of a few words."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any, Literal, get_args

from PyQt6.QtCore import QRectF, Qt
from PyQt6.QtGui import QPainter, QPaintEvent
from PyQt6.QtWidgets import QComboBox, QHBoxLayout

from .. import icons, theme
from .control import Control, WheelGuard
from .field_label import FieldLabel
from .table import CONTROLS


class Box(QComboBox):
    """A combo box with its arrow drawn in the theme's colour; long choices do not widen it."""

    def __init__(self) -> None:
        super().__init__()
        self.setSizeAdjustPolicy(Box.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
        self.setMinimumContentsLength(5)
        # Qt's own policy gives a box the focus when the wheel turns over it, and then turns it
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        super().paintEvent(event)
        painter = QPainter(self)
        side = 14.0
        box = QRectF(self.width() - side - 8, (self.height() - side) / 2, side, side)
        icons.draw(painter, "chevron-down", box, theme.theme().dim)


class Choice(Control):
    """`words`: what people read in place of an option's own word."""

    def __init__(
        self,
        title: str,
        options: Sequence[str],
        about: str = "",
        words: Mapping[str, str] | None = None,
    ) -> None:
        super().__init__()
        self._options = list(options)
        self.box = Box()
        self.box.addItems([(words or {}).get(option, option) for option in self._options])
        self.box.setAccessibleName(title)
        self._guard = WheelGuard()
        self.box.installEventFilter(self._guard)
        label = FieldLabel(title)
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(6)
        row.addWidget(label)
        row.addWidget(self.box, 1)
        self.setToolTip(about)
        self.box.activated.connect(lambda i: self.edited.emit(self._options[i], None))

    def value(self) -> Any:
        return self._options[self.box.currentIndex()]

    def set_value(self, value: Any) -> None:
        self.box.setCurrentIndex(self._options.index(value))


CONTROLS.add(
    Literal,
    lambda info: Choice(info.title, get_args(info.kind), info.about, info.extra.get("words")),
)
