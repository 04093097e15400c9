"""Colours at hand: those used last, and the board's own by name."""

from __future__ import annotations

import contextlib
from collections.abc import Iterable, Iterator

from PyQt6.QtCore import QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import (
    QPainter,
    QPaintEvent,
    QPen,
)
from PyQt6.QtWidgets import QWidget

from ....core.edit.swatches import delete_colour, save_colour
from ....core.model import Colour
from ...look import theme
from ...look.painting import painting
from ...look.qt_colour import to_qt
from ...shared.session import session_of
from ..base.layouts import column
from .cells import Cells

CHIP, GAP, MOST_RECENT = 18, 4, 12


class Chips(Cells):
    """Small squares: `chosen(colour)`, `dropped(index)`."""

    def __init__(self, name: str, deletable: bool) -> None:
        super().__init__(name)
        self._deletable = deletable
        self.chips: list[tuple[str, Colour]] = []
        self.hide()

    def show_chips(self, chips: list[tuple[str, Colour]]) -> None:
        """Show these, in this order."""
        if chips != self.chips:
            self.chips = chips
            self.index = min(self.index, max(len(chips) - 1, 0))
            self.setVisible(bool(chips))
            self.updateGeometry()
            self.update()

    def _per_row(self) -> int:
        return max((max(self.width(), 200) + GAP) // (CHIP + GAP), 1)

    def sizeHint(self) -> QSize:
        rows = max(-(-len(self.chips) // self._per_row()), 1)
        return QSize(120, rows * (CHIP + GAP))

    def box(self, number: int) -> QRectF:
        row, place = divmod(number, self._per_row())
        return QRectF(place * (CHIP + GAP) + 0.5, row * (CHIP + GAP) + 0.5, CHIP - 1, CHIP - 1)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            for number, (_, colour) in enumerate(self.chips):
                lit = self.hasFocus() and number == self.index
                painter.setPen(QPen(theme.colour("leaf" if lit else "line"), 2 if lit else 1))
                painter.setBrush(to_qt(colour))
                painter.drawRoundedRect(self.box(number), 3, 3)

    def count(self) -> int:
        return len(self.chips)

    def caption(self, number: int) -> str:
        return self.chips[number][0]

    def given(self, number: int) -> Colour:
        return self.chips[number][1]

    def taken_out(self, number: int) -> int:
        return number

    @property
    def can_delete_swatch(self) -> bool:
        return self._deletable and super().can_delete_swatch

    def stepped(self, key: Qt.Key) -> int | None:
        step = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}.get(key)
        return None if step is None else (self.index + step) % len(self.chips)


def _colours(names: Iterable[str]) -> Iterator[tuple[str, Colour]]:
    for name in names:
        with contextlib.suppress(ValueError):
            yield name, Colour.parse(name)


class Swatches(QWidget):
    """`chosen(colour)`. The board's swatches are named; Delete, or the menu of a right click, takes one out."""

    chosen = pyqtSignal(object)

    def __init__(self) -> None:
        super().__init__()
        self.recent, self.saved = (
            Chips("Colours used last", False),
            Chips("The board's swatches", True),
        )
        column(self, self.recent, self.saved, gap=2)
        for chips in (self.recent, self.saved):
            chips.chosen.connect(lambda c: self.chosen.emit(c))
        self.saved.dropped.connect(self._drop)

    def refresh(self) -> None:
        """Show what the board and the user have."""
        session = session_of(self)
        if session is None:
            return
        self.recent.show_chips(list(_colours(session.settings.texts("recent_colours"))))
        self.saved.show_chips([(s.name, s.colour) for s in session.document.board.swatches])

    def used(self, colour: Colour) -> None:
        """Remember a colour among those used last."""
        session = session_of(self)
        if session is not None:
            rest = [n for n in session.settings.texts("recent_colours") if n != str(colour)]
            session.settings.put("recent_colours", [str(colour), *rest][:MOST_RECENT])
            self.refresh()

    def keep(self, colour: Colour, name: str) -> None:
        """Keep a colour among the user's own."""
        session = session_of(self)
        if session is not None:
            session.document.apply(f"Save {name}", lambda b: save_colour(b, name, colour))
            self.refresh()

    def _drop(self, index: int) -> None:
        session, name = session_of(self), self.saved.chips[index][0]
        if session is not None:
            session.document.apply(f"Delete {name}", lambda b: delete_colour(b, name))
            self.refresh()
