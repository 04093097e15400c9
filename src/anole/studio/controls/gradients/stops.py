"""Stops alone, such as those of an ink ramp: the bar and the chosen stop's colour."""

from __future__ import annotations

from typing import Any

from ....core.model import Gradient, Stop
from ..base.control import Control
from ..base.layouts import column
from ..base.table import CONTROLS, many
from ..colours.colour import ColourControl
from .gradient_bar import GradientBar


class StopsControl(Control):
    def __init__(self, title: str, about: str) -> None:
        super().__init__()
        self.bar, self.colour = GradientBar(), ColourControl(title)
        self.setToolTip(about)
        column(self, self.bar, self.colour)
        self.bar.edited.connect(lambda g, t: self.edited.emit(g.stops, t))
        self.bar.edited.connect(lambda g, t: self._show())
        self.bar.chosen.connect(lambda _: self._show())
        self.colour.edited.connect(self.bar.set_colour)

    def value(self) -> Any:
        return self.bar.gradient.stops

    def set_value(self, value: Any) -> None:
        self.bar.show_gradient(Gradient(stops=value))
        self._show()

    def _show(self) -> None:
        self.colour.set_value(self.bar.gradient.stops[self.bar.index].colour)


CONTROLS.add(many(Stop), lambda info: StopsControl(info.title, info.about))
