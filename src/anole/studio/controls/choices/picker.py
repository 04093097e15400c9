"""A choice that holds what was chosen, and whose answers may change."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QVBoxLayout

from ...look.plain import Label, tip
from ..base.control import Control
from .combo_box import ComboBox


class Picker(Control):
    """`picked`: another answer was chosen, by hand."""

    picked = pyqtSignal()

    def __init__(
        self,
        title: str,
        options: Sequence[str],
        about: str = "",
        words: Mapping[str, str] | None = None,
        headed: bool = True,
    ) -> None:
        super().__init__()
        self.options: list[str] = []
        self._words = dict(words or {})
        self.box = ComboBox()
        self.box.setAccessibleName(title)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(2)
        if headed:
            head = Label(title)
            head.setObjectName("dim")
            column.addWidget(head)
        column.addWidget(self.box)
        self.setToolTip(tip(about))
        self.offer(options)
        self.box.activated.connect(lambda _: self.picked.emit())

    def offer(self, options: Sequence[str]) -> None:
        """Other answers; what was chosen stays chosen where it is one of them."""
        before = self.options[self.box.currentIndex()] if self.options else ""
        self.options = list(options)
        self.box.clear()
        self.box.addItems([self._words.get(option, option) for option in options])
        self.set_value(before if before in self.options else self.options[0])

    def value(self) -> str:
        return self.options[self.box.currentIndex()]

    def set_value(self, value: str) -> None:
        self.box.setCurrentIndex(self.options.index(value))
