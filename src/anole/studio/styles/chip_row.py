"""A row of styles that scrolls sideways: only chips that are seen, or nearly, are there."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QResizeEvent, QWheelEvent
from PyQt6.QtWidgets import QFrame, QScrollArea, QWidget

from ...core.library.styles import StoredStyle
from ..runtime.lifetimes import discard
from .chip import CHIP, Chip

AHEAD, GAP = 600, 8
"""px beyond what is seen of the row where chips are too; px between two."""


class ChipRow(QScrollArea):
    """`made(chip)`: there is one more, to be connected; `scrolled`: others are seen."""

    made = pyqtSignal(object)
    scrolled = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.styles: list[StoredStyle] = []
        self._favourites: frozenset[str] = frozenset()
        self._chips: dict[str, Chip] = {}
        self._at: dict[str, int] = {}
        """Where a style stands in the row, by its name."""
        self._inside = QWidget()
        self._inside.setObjectName("panel")
        self.setObjectName("panel")
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.setWidget(self._inside)
        bar = self.horizontalScrollBar()
        assert bar is not None
        self.bar = bar
        bar.valueChanged.connect(lambda _: self._fill())

    @property
    def chips(self) -> list[Chip]:
        """Those that are there, from the left."""
        return sorted(self._chips.values(), key=lambda chip: chip.x())

    def show_styles(self, styles: Sequence[StoredStyle], favourites: frozenset[str]) -> None:
        """Other styles, or other marks; chips of those that stay are kept."""
        self.styles, self._favourites = list(styles), favourites
        self._at = {one.style.name: number for number, one in enumerate(styles)}
        for name, chip in list(self._chips.items()):
            if name not in self._at or styles[self._at[name]] != chip.stored:
                discard(self._chips.pop(name))
        self._inside.resize(max(len(styles) * (CHIP.width() + GAP) - GAP, 1), CHIP.height())
        self._fill()

    def reveal(self, name: str) -> Chip | None:
        """Scroll to a style; its chip, None where the style is not shown."""
        if name not in self._at:
            return None
        self.bar.setValue(self._at[name] * (CHIP.width() + GAP) - GAP)
        self._fill()
        return self._chips.get(name)

    def _near(self) -> range:
        """The numbers of the styles that are seen, or nearly."""
        step, left = CHIP.width() + GAP, self.bar.value()
        first = max((left - AHEAD) // step, 0)
        last = (left + self.width() + AHEAD) // step + 1
        return range(first, min(last, len(self.styles)))

    def _fill(self) -> None:
        wanted = {self.styles[n].style.name: self.styles[n] for n in self._near()}
        for name, chip in list(self._chips.items()):
            # who holds one holds on to it
            if name not in wanted and not (chip.hasFocus() or chip.isDown()):
                discard(self._chips.pop(name))
        for name, stored in wanted.items():
            if name not in self._chips:
                self._make(stored)
        for name, chip in self._chips.items():
            chip.move(self._at[name] * (CHIP.width() + GAP), 0)
            chip.mark(name in self._favourites)
        self.scrolled.emit()

    def _make(self, stored: StoredStyle) -> None:
        chip = self._chips[stored.style.name] = Chip(stored)
        chip.setParent(self._inside)
        self.made.emit(chip)
        chip.show()

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        super().resizeEvent(event)
        self._fill()

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        """A wheel that turns up and down moves the row too."""
        assert event is not None
        turned = event.angleDelta()
        self.bar.setValue(self.bar.value() - (turned.x() or turned.y()))
        event.accept()
