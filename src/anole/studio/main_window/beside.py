"""The sheet of what can be added, beside the board in place of the stage's panel for a while."""

from __future__ import annotations

from collections.abc import Callable

from ..adding.sheet import WIDE, AddingSheet
from .panels import Panels


class Beside:
    """show() opens it, leave() gives the panel back; `back` takes the focus then."""

    def __init__(self, panels: Panels, sheet: AddingSheet, back: Callable[[], object]) -> None:
        self.panels, self.sheet, self._back = panels, sheet, back
        panels.right.addWidget(sheet)
        sheet.left.connect(self.leave)

    def show(self, sheet: str) -> None:
        """What of the kind `sheet` can be added; asked for again, it goes."""
        if self.panels.beside is self.sheet and self.sheet.shown == sheet:
            self.leave()
            return
        self.panels.hide_panels(False)
        self.panels.show_beside(self.sheet, WIDE)
        self.sheet.begin(sheet)

    def leave(self) -> None:
        """The stage's own panel again."""
        if self.panels.beside is self.sheet:
            self.panels.show_beside(None)
            self.sheet.rest()
            self._back()
