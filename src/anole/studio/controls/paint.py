"""Paint: which kind, and the editor of that kind."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtWidgets import QButtonGroup, QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from ...core.model import Colour, ColourPaint, Gradient, Stop
from .colour import ColourControl
from .control import Control
from .gradient_bar import GradientBar

KINDS = (("Colour", ColourPaint), ("Gradient", Gradient))


class PaintControl(Control):
    def __init__(self) -> None:
        super().__init__()
        from .fields import FieldPanel

        self._paint: ColourPaint | Gradient = ColourPaint()
        self.colour, self.bar = ColourControl(), GradientBar()
        self.more = FieldPanel(Gradient, skip=("stops",))
        self.buttons = QButtonGroup(self)
        column, row = QVBoxLayout(self), QHBoxLayout()
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        row.setSpacing(4)
        for number, (title, _) in enumerate(KINDS):
            button = QPushButton(title)
            button.setCheckable(True)
            button.setToolTip(f"Paint with a {title.lower()}")
            self.buttons.addButton(button, number)
            row.addWidget(button)
        row.addStretch(1)
        column.addLayout(row)
        for part in (self.bar, self.colour, self.more):
            column.addWidget(part)
        self.buttons.idClicked.connect(self._switch)
        self.colour.edited.connect(self._coloured)
        self.bar.edited.connect(self._send)
        self.bar.chosen.connect(lambda _: self._show_stop())
        self.more.edited.connect(self._field)

    def value(self) -> Any:
        return self._paint

    def set_value(self, value: Any) -> None:
        self._paint = value
        gradient = isinstance(value, Gradient)
        button = self.buttons.button(int(gradient))
        if button is not None:
            button.setChecked(True)
        self._show_part(self.bar, gradient)
        self._show_part(self.more, gradient)
        if isinstance(value, Gradient):
            self.bar.show_gradient(value)
            self.more.show_struct(value)
            self._show_stop()
        else:
            self.colour.set_value(value.colour)

    def _show_part(self, part: QWidget, wanted: bool) -> None:
        if part.isHidden() == wanted:
            part.setVisible(wanted)

    def _show_stop(self) -> None:
        if isinstance(self._paint, Gradient):
            self.colour.set_value(self._paint.stops[self.bar.index].colour)

    def _send(self, paint: Any, token: object | None) -> None:
        self._paint = paint
        self.edited.emit(paint, token)

    def _coloured(self, colour: Colour, token: object | None) -> None:
        if isinstance(self._paint, Gradient):
            self.bar.set_colour(colour, token)
        else:
            self._send(ColourPaint(colour=colour), token)

    def _field(self, name: str, value: Any, token: object | None) -> None:
        self._send(msgspec.structs.replace(self._paint, **{name: value}), token)

    def _switch(self, number: int) -> None:
        """Another kind of paint starts from the colours of the one before."""
        if isinstance(self._paint, KINDS[number][1]):
            return
        if isinstance(self._paint, Gradient):
            paint: Any = ColourPaint(colour=self._paint.stops[0].colour)
        else:
            first = self._paint.colour
            dark = Colour(first.r * 5 // 9, first.g // 2, first.b * 5 // 9, first.a)
            paint = Gradient(stops=(Stop(0.0, first), Stop(1.0, dark)))
        self.set_value(paint)
        self.edited.emit(paint, None)
