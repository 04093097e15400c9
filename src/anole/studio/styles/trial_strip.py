"""The test strip: the worn style at other values, along one or two of its numbers or colours, or all
of it shaken a little by chance."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import QPushButton

from ...core.edit.varying import Knob, along, knobs, shaken, shares
from ...core.library.styles import StoredStyle
from ...core.model import Coat, Style
from ..commands.dressing import put_on_coats
from ..controls.choices.picker import Picker
from ..controls.numbers.number import Number
from ..look.plain import Label
from ..shared.session import Session
from .knob_words import told
from .wall_page import WallPage

CHANCE, NOTHING = "all of it, by chance", "nothing"
ONE, TWO, BY_CHANCE = 9, 5, 12
"""Tiles along one number, along each of two, and by chance."""
NOW = "as it is now"


class TestStrip(WallPage):
    """A click or Enter takes a tile; R reshuffles; Esc leaves all as it was."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, "strip")
        self.seed = 1
        self._coats: tuple[Coat, ...] = ()
        self._knobs: dict[str, Knob] = {}
        self.first, self.second = Picker("Along", [CHANCE]), Picker("And down", [NOTHING])
        self.amount = Number(
            "How much", 0.05, 1, step=0.05, unit="%", factor=100, about="How far chance goes"
        )
        self.again = QPushButton("Reshuffle")
        self._build()
        self.first.picked.connect(self.fill)
        self.second.picked.connect(self.fill)
        self.again.clicked.connect(self.reshuffle)
        self.amount.edited.connect(lambda value, _: self._set_amount(value))
        self.wall.taken.connect(self._take)
        self.wall.above.connect(self.wall.setFocus)

    def _build(self) -> None:
        self.amount.set_value(0.5)
        self.again.setToolTip("Other chances, from the next seed (R)")
        self.head.addWidget(self.title, 1)
        self.foot.addWidget(self.hint, 1)
        about = Label(
            "The style that the words wear, at other values. Choose what to try: one number or colour "
            "runs over the tiles, two run along and down; by chance everything moves a little."
        )
        about.setObjectName("dim")
        about.setWordWrap(True)
        for part in (about, self.first, self.second, self.amount, self.again):
            self.side.addWidget(part)
        self.side.addStretch(1)

    def begin(self) -> None:
        piece = self.session.selection.coated
        self._coats = piece.style if piece is not None else ()
        self._knobs = {knob.title: knob for knob in reversed(knobs(self._coats))}
        titles = [knob.title for knob in knobs(self._coats)]
        titles = list(dict.fromkeys(titles))
        # the chosen coat's own numbers are the nearest
        coat = self.session.selection.coat
        own = [title for title in titles if coat is not None and self._knobs[title].coat == coat.id]
        order = [*own, *(title for title in titles if title not in own)]
        self.first.offer([CHANCE, *order])
        self.second.offer([NOTHING, *order])
        self.fill()
        super().begin()

    def show_words(self) -> None:
        """Tiles are in the colours that the words have."""
        if self.on is not None:
            on = self.on
            self.wall.show_words(on.dressed, on.aspect, on.value, on.area)

    # the tiles

    def fill(self) -> None:
        """The tiles for what is chosen."""
        first = self._knobs.get(self.first.value())
        second = self._knobs.get(self.second.value())
        by_chance = first is None
        self.second.setVisible(not by_chance)
        self.amount.setVisible(by_chance)
        self.again.setVisible(by_chance)
        if first is None:
            tiles = self._by_chance()
            self.wall.across = 4
        elif second is None or second == first:
            tiles = self._along_one(first)
            self.wall.across = 3
        else:
            tiles = self._along_two(first, second)
            self.wall.across = TWO
        self.title.setText("Test strip")
        keys = "R reshuffles, " if by_chance else ""
        self.hint.setText(f"Arrows walk, Enter takes a tile, {keys}Esc leaves all as it was")
        self.wall.show_styles([_tile(name, coats) for name, coats in tiles])
        self.wall.mark(next((name for name, coats in tiles if coats == self._coats), ""))

    def _by_chance(self) -> list[tuple[str, tuple[Coat, ...]]]:
        seeds = range((self.seed - 1) * BY_CHANCE + 1, self.seed * BY_CHANCE)
        amount = self.amount.value()
        made = [(f"chance {seed}", shaken(self._coats, seed, amount)) for seed in seeds]
        return [(NOW, self._coats), *made]

    def _along_one(self, knob: Knob) -> list[tuple[str, tuple[Coat, ...]]]:
        made = [along(self._coats, knob, at) for at in shares(self._coats, knob, ONE)]
        return _named([(told(coats, knob), coats) for coats in made])

    def _along_two(self, across: Knob, down: Knob) -> list[tuple[str, tuple[Coat, ...]]]:
        made = []
        for y in shares(self._coats, down, TWO):
            for x in shares(self._coats, across, TWO):
                coats = along(along(self._coats, across, x), down, y)
                made.append((f"{told(coats, across)} · {told(coats, down)}", coats))
        return _named(made)

    def reshuffle(self) -> None:
        """The next chances."""
        self.seed += 1
        self.fill()

    def _set_amount(self, value: Any) -> None:
        self.amount.set_value(value)
        self.fill()

    def _take(self, stored: StoredStyle) -> None:
        if stored.style.coats != self._coats:
            put_on_coats(self.session, f"Test strip: {stored.style.name}", stored.style.coats)
        self.left.emit()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if event.key() == Qt.Key.Key_R and not self.again.isHidden():
            self.reshuffle()
        else:
            super().keyPressEvent(event)


def _named(made: list[tuple[str, tuple[Coat, ...]]]) -> list[tuple[str, tuple[Coat, ...]]]:
    """Each with a name of its own: values that come out alike are numbered."""
    seen: dict[str, int] = {}
    named = []
    for name, coats in made:
        seen[name] = seen.get(name, 0) + 1
        named.append((name if seen[name] == 1 else f"{name} ({seen[name]})", coats))
    return named


def _tile(name: str, coats: tuple[Coat, ...]) -> StoredStyle:
    return StoredStyle(Style(name=name, coats=coats), Path(), False)
