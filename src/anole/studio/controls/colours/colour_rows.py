"""A colour as rows of numbers: OKLCH, RGB or HSV."""

from __future__ import annotations

import colorsys
from typing import Any

import numpy as np
from PyQt6.QtWidgets import QPushButton

from ....core.colour.gamut import into_srgb
from ....core.colour.spaces import flat
from ....core.model import Colour
from ..base.control import Control
from ..base.layouts import column, row
from ..numbers.number import Number
from .colour_field import to_lch

ROWS: dict[str, tuple[tuple[str, float, str, float, float], ...]] = {
    "OKLCH": (
        ("Lightness", 1, "%", 100, 0.005),
        ("Chroma", 0.37, "", 1, 0.002),
        ("Hue", 360, "°", 1, 1),
    ),
    "RGB": (("Red", 255, "", 1, 1), ("Green", 255, "", 1, 1), ("Blue", 255, "", 1, 1)),
    "HSV": (
        ("Hue", 360, "°", 1, 1),
        ("Saturation", 1, "%", 100, 0.01),
        ("Value", 1, "%", 100, 0.01),
    ),
}
"""Each number's title, greatest value, unit, factor it is shown by, and step."""


def numbers_of(colour: Colour, kind: str) -> tuple[float, float, float]:
    """A colour by the numbers of a way to write it."""
    if kind == "OKLCH":
        return to_lch(colour)
    if kind == "RGB":
        return float(colour.r), float(colour.g), float(colour.b)
    h, s, v = colorsys.rgb_to_hsv(*colour.floats[:3])
    return h * 360, s, v


def colour_of(numbers: tuple[float, float, float], kind: str, alpha: int) -> Colour:
    """The colour of such numbers."""
    if kind == "RGB":
        r, g, b = (n / 255 for n in numbers)
    elif kind == "HSV":
        r, g, b = colorsys.hsv_to_rgb(numbers[0] / 360 % 1, numbers[1], numbers[2])
    else:
        lab = flat(np.array(numbers, float)[:, None])
        r, g, b = (float(v) for v in into_srgb(lab)[:, 0])
    return Colour(*(round(min(max(v, 0.0), 1.0) * 255) for v in (r, g, b)), alpha)  # type: ignore[call-arg]


class ColourRows(Control):
    """Folded to one line until a kind is asked for."""

    def __init__(self) -> None:
        super().__init__()
        self._colour, self._kind = Colour(255, 255, 255), ""
        self._numbers = [0.0, 0.0, 0.0]
        self.buttons = {kind: QPushButton(kind) for kind in ROWS}
        self.rows: dict[str, list[Number]] = {}
        self._column = column(self)
        self._column.addLayout(row(*self.buttons.values(), gap=4))
        for kind, button in self.buttons.items():
            button.setCheckable(True)
            button.setToolTip(f"The colour as {kind} numbers")
            button.clicked.connect(lambda _, k=kind: self.show_kind("" if k == self._kind else k))

    def show_kind(self, kind: str) -> None:
        """Write the colour in another way."""
        self._kind = kind
        for name, button in self.buttons.items():
            button.setChecked(name == kind)
        if kind and kind not in self.rows:
            self.rows[kind] = [self._row(kind, n) for n in range(3)]
        for name, parts in self.rows.items():
            for part in parts:
                part.setVisible(name == kind)
        self.set_value(self._colour)

    def _row(self, kind: str, index: int) -> Number:
        title, most, unit, factor, step = ROWS[kind][index]
        number = Number(title, 0, most, unit=unit, factor=factor, step=step)
        number.edited.connect(lambda v, t, n=index: self._set(n, v, t))
        self._column.addWidget(number)
        return number

    def value(self) -> Any:
        return self._colour

    def set_value(self, value: Any) -> None:
        # what was typed stays, although eight bits cannot hold it exactly
        if not self._kind or value == colour_of(self._triple(), self._kind, value.a):
            self._colour = value
            if self._kind:
                self._show()
            return
        self._colour = value
        self._numbers = list(numbers_of(value, self._kind))
        self._show()

    def _triple(self) -> tuple[float, float, float]:
        a, b, c = self._numbers
        return a, b, c

    def _show(self) -> None:
        for number, part in zip(self._numbers, self.rows[self._kind], strict=True):
            part.set_value(number)

    def _set(self, index: int, value: float, token: object | None) -> None:
        self._numbers[index] = value
        self._colour = colour_of(self._triple(), self._kind, self._colour.a)
        self.edited.emit(self._colour, token)
