"""Number: label, and a field that is its rail. Everything counts in the field's own numbers."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QMouseEvent
from PyQt6.QtWidgets import QHBoxLayout

from ....core.model.field_info import FieldInfo
from ..base.control import Control
from ..base.field_label import FieldLabel
from ..base.table import CONTROLS
from .rail_field import RailField


def tidy(value: float, digits: int) -> str:
    """A number without the noughts at its end."""
    text = f"{value:.{digits}f}"
    if "." in text:
        text = text.rstrip("0").rstrip(".")
    return "0" if text == "-0" else text


class DragLabel(FieldLabel):
    """A label that is a handle: pulling it sideways steps the number."""

    def __init__(self, text: str, owner: Number) -> None:
        super().__init__(text)
        self.setCursor(Qt.CursorShape.SizeHorCursor)
        self._owner = owner
        self._x: float | None = None
        self._token: object | None = None

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is not None:
            self._x, self._token = event.position().x(), object()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and self._x is not None:
            by = int((event.position().x() - self._x) / 3)
            if by:
                self._x += by * 3
                self._owner.step(by, self._token)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._x = self._token = None

    def mouseDoubleClickEvent(self, event: QMouseEvent | None) -> None:
        self._owner.to_default()


class Number(Control):
    """A float shown times `factor` with a unit; soft range on the rail, hard when typed."""

    def __init__(
        self,
        title: str,
        low: float,
        high: float,
        *,
        soft: tuple[float, float] | None = None,
        step: float = 0.01,
        unit: str = "",
        factor: float = 1.0,
        default: float | None = None,
        about: str = "",
        at_zero: str = "",
    ) -> None:
        super().__init__()
        self.low, self.high, self.soft = low, high, soft or (low, high)
        self.step_size, self.unit, self.factor, self.default = step, unit, factor, default
        self._value = 0.0
        self.field = RailField()
        self.label = DragLabel(title, self)
        self._at_zero = at_zero
        if at_zero:
            self.field.offer(at_zero)
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(6)
        row.addWidget(self.label)
        row.addWidget(self.field, 1)
        self.setToolTip(about)
        self.field.setAccessibleName(title)
        self.field.pulled.connect(self._pulled)
        self.field.typed.connect(self._typed)
        self.field.stepped.connect(lambda by: self.step(by, None))

    def value(self) -> float:
        return self._value

    def set_value(self, value: Any) -> None:
        self._value = float(value)
        self._show_at(self._value, self.default)
        digits = 0 if self.step_size * self.factor >= 1 else 2
        if abs(self._value * self.factor - round(self._value * self.factor)) > 1e-9:
            digits = max(digits, 2)
        shown = tidy(self._value * self.factor, digits) + self._suffix()
        self.field.show_text(self._at_zero if self._at_zero and not self._value else shown)

    def _show_at(self, value: float, default: float | None) -> None:
        """Where they stand between the soft ends, and where zero is."""
        low, high = self.soft

        def place(number: float) -> float:
            return (number - low) / (high - low)

        self.field.show_at(place(value), place(0.0), None if default is None else place(default))

    def _suffix(self) -> str:
        return self.unit if self.unit in ("°", "") else f" {self.unit}"

    def _emit(self, value: float, token: object | None) -> None:
        value = min(max(value, self.low), self.high)
        self.set_value(value)
        self.edited.emit(value, token)

    def _pulled(self, position: float, token: object) -> None:
        low, high = self.soft
        raw = low + position * (high - low)
        self._emit(round(raw / self.step_size) * self.step_size, token)

    def step(self, by: float, token: object | None) -> None:
        """Go up or down by steps."""
        self._emit(round(self._value + by * self.step_size, 9), token)

    def _typed(self, value: float, unit: str) -> None:
        self._emit(value / self.factor, None)

    def to_default(self) -> None:
        """Go back to what it was born with."""
        if self.default is not None:
            self._emit(self.default, None)


def _number(info: FieldInfo) -> Number:
    extra = info.extra
    return Number(
        info.title,
        info.low or 0.0,
        1.0 if info.high is None else info.high,
        soft=extra.get("soft"),
        step=extra.get("step", 0.01),
        unit=extra.get("unit", ""),
        factor=extra.get("factor", 1.0),
        default=info.default,
        about=info.about,
        at_zero=extra.get("at_zero", ""),
    )


CONTROLS.add(float, _number)
