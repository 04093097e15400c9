"""Sheets beside the board, in place of the stage's panel for a while: what can be added, how a look is built."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import QRectF

from ...core.coats.registry import kind_of
from ...core.model import Coat
from ...core.pieces.registry import coated_kind
from ..adding.sheet import WIDE, AddingSheet
from ..board.board_view import BoardView
from ..coat.build_up.widget import BuildUp
from ..coat.walk.sheet import WIDE as WALK_WIDE
from ..coat.walk.sheet import WalkSheet
from .panels import Panels


class Aside:
    """A sheet that comes and goes; `back` takes the focus when it goes."""

    def __init__(
        self, panels: Panels, sheet: AddingSheet | WalkSheet, wide: int, back: Callable[[], object]
    ) -> None:
        self.panels, self._sheet, self._wide, self._back = panels, sheet, wide, back
        panels.right.addWidget(sheet)

    @property
    def is_open(self) -> bool:
        """Whether it stands there."""
        return self.panels.beside is self._sheet

    def open(self) -> None:
        """It comes."""
        self.panels.hide_panels(False)
        self.panels.show_beside(self._sheet, self._wide)

    def leave(self) -> None:
        """The stage's own panel again."""
        if self.is_open:
            self.panels.show_beside(None)
            self._sheet.rest()
            self._back()


class Beside(Aside):
    """show() opens what can be added."""

    def __init__(self, panels: Panels, sheet: AddingSheet, back: Callable[[], object]) -> None:
        super().__init__(panels, sheet, WIDE, back)
        self.sheet = sheet
        sheet.left.connect(self.leave)

    def show(self, sheet: str) -> None:
        """What of the kind `sheet` can be added; asked for again, it goes."""
        if self.is_open and self.sheet.shown == sheet:
            self.leave()
            return
        self.open()
        self.sheet.begin(sheet)


class Unfolded(Aside):
    """show() opens how the chosen piece's look is built; what a step adds is lit for a moment."""

    def __init__(
        self, panels: Panels, sheet: WalkSheet, view: BoardView, build_up: BuildUp
    ) -> None:
        super().__init__(panels, sheet, WALK_WIDE, view.setFocus)
        self.sheet, self._view, self._build_up = sheet, view, build_up
        sheet.left.connect(self.leave)
        sheet.walk.came.connect(self._light)

    def show(self, lent: bool = False) -> None:
        """From the lowest coat on; asked for again, it goes."""
        if self.is_open:
            self.leave()
            return
        self.open()
        self.sheet.begin(lent)

    def _light(self, coat: Coat) -> None:
        piece = self.sheet.walk.session.selection.coated
        if piece is None:
            return
        x0, y0, x1, y1 = coated_kind(piece).extent(piece, self.sheet.document.board)
        self._view.light(QRectF(x0, y0, x1 - x0, y1 - y0), coat.name or kind_of(coat).title)
        self._build_up.light(coat.id)
