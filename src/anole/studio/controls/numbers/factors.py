"""A few plain numbers in a row, such as the factors of a blend or the way of a corner."""

from __future__ import annotations

from typing import Any, get_args

from PyQt6.QtWidgets import QHBoxLayout

from ..base.control import Control
from ..base.field_label import FieldLabel
from ..base.table import CONTROLS
from .number import tidy
from .number_field import NumberField


class Factors(Control):
    def __init__(self, title: str, about: str, count: int, most: float = 100.0) -> None:
        super().__init__()
        self._values = [0.0] * count
        self._most = most
        self.fields = [NumberField(46 if count > 2 else 64) for _ in range(count)]
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(4)
        label = FieldLabel(title)
        row.addWidget(label)
        for index, field in enumerate(self.fields):
            field.setAccessibleName(f"{title}, number {index + 1}")
            field.typed.connect(lambda v, _u, i=index: self._set(i, v))
            field.stepped.connect(lambda by, i=index: self._set(i, self._values[i] + by * 0.05))
            row.addWidget(field)
        row.addStretch(1)
        self.setToolTip(about)

    def value(self) -> Any:
        return tuple(self._values)

    def set_value(self, value: Any) -> None:
        self._values = list(value)
        for field, number in zip(self.fields, self._values, strict=True):
            field.show_text(tidy(number, 3))

    def _set(self, index: int, value: float) -> None:
        self._values[index] = round(min(max(value, -self._most), self._most), 6)
        self.set_value(tuple(self._values))
        self.edited.emit(tuple(self._values), None)


CONTROLS.add(tuple, lambda info: Factors(info.title, info.about, len(get_args(info.kind))))
