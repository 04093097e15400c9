"""The box that a choice unfolds from."""

from __future__ import annotations

from PyQt6.QtCore import QRectF, Qt
from PyQt6.QtGui import QPaintEvent
from PyQt6.QtWidgets import QComboBox, QWidget

from ...look import icons, theme
from ...look.painting import painting
from ..base.control import WheelGuard

CHEVRON = 14.0


def paint_chevron(widget: QWidget) -> None:
    """The mark of what unfolds, at a widget's right end."""
    box = QRectF(widget.width() - CHEVRON - 8, (widget.height() - CHEVRON) / 2, CHEVRON, CHEVRON)
    with painting(widget) as painter:
        icons.draw(painter, "chevron-down", box, theme.theme().dim)


class ComboBox(QComboBox):
    """A combo box with its arrow drawn in the theme's colour; long choices do not widen it, and the
    wheel turns it only where it has the focus."""

    def __init__(self) -> None:
        super().__init__()
        self.setSizeAdjustPolicy(ComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
        self.setMinimumContentsLength(5)
        # Qt's own policy gives a box the focus when the wheel turns over it, and then turns it
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self._guard = WheelGuard()
        self.installEventFilter(self._guard)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        super().paintEvent(event)
        paint_chevron(self)
