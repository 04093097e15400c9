"""Length: a number with the unit its user chose."""

from __future__ import annotations

from typing import Any

from ....core.model import Length
from ....core.model.field_info import FieldInfo
from ..base.control import Context
from ..base.table import CONTROLS
from .number import Number, tidy

STEPS = {"px": 1.0, "em": 0.005, "pt": 0.5, "mm": 0.25, "in": 0.01}
DIGITS = {"px": 1, "em": 3, "pt": 1, "mm": 2, "in": 3}


class LengthControl(Number):
    """The rail covers the soft range in px; typing another unit changes to it."""

    def __init__(
        self,
        title: str,
        soft: tuple[float, float],
        *,
        low: float = -1e6,
        high: float = 1e6,
        default: Length | None = None,
        about: str = "",
        soft_unit: str = "px",
    ) -> None:
        super().__init__(title, low, high, soft=soft, about=about)
        self._length = Length(0.0)
        self._default = default
        self._soft_unit = soft_unit
        self._em, self._dpi = 100.0, 96.0

    def take(self, context: Context) -> None:
        self._em, self._dpi = max(context.em, 1e-6), context.dpi

    def value(self) -> Any:
        return self._length

    def _to_soft(self, length: Length) -> float:
        return (
            Length(1, self._soft_unit)
            .like(length.px(self._em, self._dpi), self._em, self._dpi)
            .value
        )

    def set_value(self, value: Any) -> None:
        self._length = value
        default = None if self._default is None else self._to_soft(self._default)
        self._show_at(self._to_soft(value), default)
        self.field.show_text(f"{tidy(value.value, DIGITS[value.unit])} {value.unit}")

    def _send(self, value: float, unit: str, token: object | None) -> None:
        px = Length(min(max(value, -1e6), 1e6), unit).px(self._em, self._dpi)
        least = Length(self.low, self._soft_unit).px(self._em, self._dpi)
        most = Length(self.high, self._soft_unit).px(self._em, self._dpi)
        kept = Length(1, unit).like(min(max(px, least), most), self._em, self._dpi)
        length = Length(round(kept.value, 6), unit)
        self.set_value(length)
        self.edited.emit(length, token)

    def _pulled(self, position: float, token: object) -> None:
        low, high = self.soft
        raw = Length(low + position * (high - low), self._soft_unit).px(self._em, self._dpi)
        unit = self._length.unit
        value = Length(1, unit).like(raw, self._em, self._dpi).value
        grain = STEPS[unit]
        self._send(round(value / grain) * grain, unit, token)

    def step(self, by: float, token: object | None) -> None:
        """Go up or down by steps of its unit."""
        unit = self._length.unit
        self._send(self._length.value + by * STEPS[unit], unit, token)

    def _typed(self, value: float, unit: str) -> None:
        self._send(value, unit if unit in STEPS else self._length.unit, None)

    def to_default(self) -> None:
        """Go back to what it was born with."""
        if self._default is not None:
            self._send(self._default.value, self._default.unit, None)


def _length(info: FieldInfo) -> LengthControl:
    extra = info.extra
    return LengthControl(
        info.title,
        extra.get("soft", (0, 200)),
        low=extra.get("low", -1e6),
        high=extra.get("high", 1e6),
        default=info.default,
        about=info.about,
        soft_unit=extra.get("soft_unit", "px"),
    )


CONTROLS.add(Length, _length)
