"""Whose colours styles are put on in: the style's own, the words', those behind the words, a hue."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtGui import QAction, QActionGroup
from PyQt6.QtWidgets import QHBoxLayout, QMenu, QPushButton, QWidget, QWidgetAction

from ..controls.numbers.number import Number
from ..shared.session import Session

TITLES = {
    "style": "the style's own",
    "words": "as the words have now",
    "ground": "to the background",
}


class ColourChoice(QPushButton):
    """`changed`: styles are to be shown in other colours from now on."""

    changed = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setToolTip(
            "Whose colours styles are put on in: one hue turns all of a style, lit and shaded"
        )
        menu, group = QMenu(self), QActionGroup(self)
        self.answers: dict[str, QAction] = {}
        for whose, title in TITLES.items():
            action = QAction(title[0].upper() + title[1:], menu)
            action.setCheckable(True)
            action.triggered.connect(lambda _, w=whose: self.choose(w))
            group.addAction(action)
            menu.addAction(action)
            self.answers[whose] = action
        menu.addSeparator()
        self.hue = Number(
            "Hue", 0, 360, step=1, unit="°", about="30 is red, 90 gold, 145 green, 250 blue (OKLCH)"
        )
        holder = QWidget()
        row = QHBoxLayout(holder)
        row.setContentsMargins(10, 6, 10, 8)
        row.addWidget(self.hue)
        holder.setMinimumWidth(280)
        slot = QWidgetAction(menu)
        slot.setDefaultWidget(holder)
        menu.addAction(slot)
        self.hue.edited.connect(lambda value, _: self.choose(f"{value:g}"))
        self.setMenu(menu)
        self.refresh()

    def choose(self, whose: str) -> None:
        """As a choice in the menu does."""
        if whose != self.session.styles.colours:
            self.session.styles.colours = whose
            self.refresh()
            self.changed.emit()

    def refresh(self) -> None:
        """What is chosen, in words."""
        whose = self.session.styles.colours
        self.setText(f"Colours: {TITLES.get(whose) or f'hue {whose}°'}")
        for one, action in self.answers.items():
            action.setChecked(one == whose)
        if whose not in TITLES:
            self.hue.set_value(float(whose))
