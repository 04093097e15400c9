"""What all controls share: a value, a signal, and one undo step a drag."""

from __future__ import annotations

from typing import Any, NamedTuple

from PyQt6.QtCore import QEvent, QObject, pyqtSignal
from PyQt6.QtWidgets import QWidget

from ....core.model import Lamp


class Context(NamedTuple):
    """What lengths, spans and lamps are shown against; em and core in board px; `posed`: whether a
    pose tells the face from the board."""

    em: float
    dpi: float
    core: float
    lamp: Lamp
    posed: bool = False


class Control(QWidget):
    """`edited` carries the new value and a token: those of one drag carry the same one.

    set_value() shows a value and never emits.
    """

    edited = pyqtSignal(object, object)
    always = False
    """Whether it shows more than its value, and has to be told even when that is the same."""

    def value(self) -> Any:
        """What it shows now."""
        raise AssertionError(type(self).__name__)

    def set_value(self, value: Any) -> None:
        """Show a value, without telling anybody."""
        raise AssertionError(type(self).__name__)

    def take(self, context: Context) -> None:
        """Show values against this context from now on."""


class WheelGuard(QObject):
    """Lets the wheel change a control only when it has the focus."""

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        if event is not None and event.type() == QEvent.Type.Wheel:
            if isinstance(watched, QWidget) and not watched.hasFocus():
                event.ignore()
                return True
        return super().eventFilter(watched, event)
