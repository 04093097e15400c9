"""Number: label, slider, field. Everything counts in the field's own numbers."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QMouseEvent
from PyQt6.QtWidgets import QHBoxLayout

from ....core.model.field_info import FieldInfo
from ..base.control import Control
from ..base.field_label import FieldLabel
from ..base.slider import Slider
from ..base.table import CONTROLS
from .number_field import NumberField


def tidy(value: float, digits: int) -> str:
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
    """A float shown times `factor` with a unit; soft range on the slider, hard when typed."""

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
    ) -> None:
        super().__init__()
        self.low, self.high, self.soft = low, high, soft or (low, high)
        self.step_size, self.unit, self.factor, self.default = step, unit, factor, default
        self._value = 0.0
        self.slider, self.field = Slider(), NumberField()
        self.label = DragLabel(title, self)
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(6)
        row.addWidget(self.label)
        row.addWidget(self.slider, 1)
        row.addWidget(self.field)
        self.setToolTip(about)
        self.slider.setAccessibleName(title)
        self.field.setAccessibleName(title)
        self.slider.pulled.connect(self._pulled)
        self.slider.stepped.connect(lambda _, by: self.step(by, None))
        self.slider.reset.connect(self.to_default)
        self.field.typed.connect(self._typed)
        self.field.stepped.connect(lambda by: self.step(by, None))

    def value(self) -> float:
        return self._value

    def set_value(self, value: Any) -> None:
        self._value = float(value)
        low, high = self.soft
        zero = -low / (high - low) if low < 0 < high else None
        self.slider.show_at([(self._value - low) / (high - low)], zero)
        digits = 0 if self.step_size * self.factor >= 1 else 2
        if abs(self._value * self.factor - round(self._value * self.factor)) > 1e-9:
            digits = max(digits, 2)
        self.field.show_text(tidy(self._value * self.factor, digits) + self._suffix())

    def _suffix(self) -> str:
        return self.unit if self.unit in ("°", "") else f" {self.unit}"

    def _emit(self, value: float, token: object | None) -> None:
        value = min(max(value, self.low), self.high)
        self.set_value(value)
        self.edited.emit(value, token)

    def _pulled(self, index: int, position: float, token: object) -> None:
        low, high = self.soft
        raw = low + position * (high - low)
        self._emit(round(raw / self.step_size) * self.step_size, token)

    def step(self, by: float, token: object | None) -> None:
        self._emit(round(self._value + by * self.step_size, 9), token)

    def _typed(self, value: float, unit: str) -> None:
        self._emit(value / self.factor, None)

    def to_default(self) -> None:
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
    )


CONTROLS.add(float, _number)
