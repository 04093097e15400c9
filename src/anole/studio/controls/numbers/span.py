"""Span: two positions across the edge, each a field that is its rail; both show the band between."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QGridLayout

from ....core.model import Position, Span
from ..base.control import Context, Control
from ..base.field_label import FieldLabel
from ..base.table import CONTROLS
from .length import DIGITS, STEPS
from .number import tidy
from .rail_field import RailField


class SpanControl(Control):
    """The rails run from outside over the edge (marked) to the core."""

    def __init__(self, title: str, soft: tuple[float, float], about: str = "") -> None:
        super().__init__()
        self._span = Span(Position(0), Position(0))
        self._outward = soft[0]
        self._em, self._dpi, self._core = 100.0, 96.0, 20.0
        self.fields = (RailField(), RailField())
        grid = QGridLayout(self)
        grid.setContentsMargins(0, 0, 0, 0)
        grid.setHorizontalSpacing(6)
        grid.setVerticalSpacing(3)
        grid.setColumnStretch(1, 1)
        for row, (word, field) in enumerate(zip((title, "to"), self.fields, strict=True)):
            grid.addWidget(FieldLabel(word), row, 0)
            grid.addWidget(field, row, 1)
        self.setToolTip(f"{about}. Positions: - outside, 0 the edge, + inside, or core")
        for index, field in enumerate(self.fields):
            # the edge, where rails are filled, is nearer to their right
            field.setAlignment(Qt.AlignmentFlag.AlignLeft | Qt.AlignmentFlag.AlignVCenter)
            field.words["core"] = (0.0, "core")
            field.setAccessibleName(f"{title}, {('from', 'to')[index]}")
            field.typed.connect(lambda v, u, i=index: self._typed(i, v, u))
            field.stepped.connect(lambda by, i=index: self._stepped(i, by))
            field.pulled.connect(lambda at, token, i=index: self._pulled(i, at, token))

    def take(self, context: Context) -> None:
        self._em, self._dpi, self._core = max(context.em, 1e-6), context.dpi, max(context.core, 0.5)

    def value(self) -> Any:
        return self._span

    def _ends(self) -> tuple[Position, Position]:
        return self._span.from_, self._span.to

    def _range(self) -> tuple[float, float]:
        px = [min(p.px(self._em, self._dpi), self._core) for p in self._ends()]
        # outward at most a share of the em, so that a small letter has a fine slider
        low = max(self._outward, -0.6 * self._em)
        return min(low, *px), self._core

    def set_value(self, value: Any) -> None:
        self._span = value
        low, high = self._range()
        at = [
            (min(p.px(self._em, self._dpi), self._core) - low) / (high - low) for p in self._ends()
        ]
        for index, (field, end) in enumerate(zip(self.fields, self._ends(), strict=True)):
            field.show_at(at[index], -low / (high - low), other=at[1 - index])
            word = "core" if end.is_core else f"{tidy(end.value, DIGITS[end.unit])} {end.unit}"
            field.show_text(word)

    def _send(self, index: int, position: Position, token: object | None) -> None:
        ends = list(self._ends())
        ends[index] = position
        span = Span(ends[0], ends[1])
        self.set_value(span)
        self.edited.emit(span, token)

    def _unit(self, index: int) -> str:
        """The unit of an end; the other's, where this one is the core."""
        own, other = self._ends()[index], self._ends()[1 - index]
        return next((p.unit for p in (own, other) if not p.is_core), "em")

    def _pulled(self, index: int, at: float, token: object) -> None:
        low, high = self._range()
        if at >= 0.995:
            self._send(index, Position.parse("core"), token)
            return
        unit = self._unit(index)
        px = low + at * (high - low)
        value = Position(1, unit).like(px, self._em, self._dpi).value
        grain = STEPS[unit]
        self._send(index, Position(round(round(value / grain) * grain, 6), unit), token)

    def _stepped(self, index: int, by: float) -> None:
        end, unit = self._ends()[index], self._unit(index)
        px = min(end.px(self._em, self._dpi), self._core)
        value = Position(1, unit).like(px, self._em, self._dpi).value + by * STEPS[unit]
        self._send(index, Position(round(value, 6), unit), None)

    def _typed(self, index: int, value: float, unit: str) -> None:
        if unit == "core":
            self._send(index, Position.parse("core"), None)
            return
        value = min(max(value, -1e5), 1e5)
        self._send(index, Position(value, unit if unit in STEPS else self._unit(index)), None)


CONTROLS.add(
    Span, lambda info: SpanControl(info.title, info.extra.get("soft", (-120, 120)), info.about)
)
