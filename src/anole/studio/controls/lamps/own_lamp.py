"""A coat's own lamp, or the board's."""

from __future__ import annotations

from typing import Any

from PyQt6.QtWidgets import QVBoxLayout

from ....core.model import Lamp
from ..base.control import Context, Control
from ..base.switch import Switch
from ..base.table import CONTROLS, optional
from .lamp import LampControl


class OwnLamp(Control):
    def __init__(self) -> None:
        super().__init__()
        self._board_lamp = Lamp()
        self._value: Lamp | None = None
        self.own = Switch("Own lamp", "Off: the coat follows the board's lamp")
        self.lamp = LampControl()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(self.own)
        column.addWidget(self.lamp)
        self.own.edited.connect(lambda on, _: self._send(self._board_lamp if on else None, None))
        self.lamp.edited.connect(self._send)

    def take(self, context: Context) -> None:
        self._board_lamp = context.lamp

    def value(self) -> Any:
        return self._value

    def set_value(self, value: Any) -> None:
        self._value = value
        self.own.set_value(value is not None)
        self.lamp.set_value(value or self._board_lamp)

    def _send(self, lamp: Lamp | None, token: object | None) -> None:
        """Moving the lantern of a coat without a lamp gives it one."""
        self.set_value(lamp)
        self.edited.emit(lamp, token)


CONTROLS.add(optional(Lamp), lambda info: OwnLamp())
