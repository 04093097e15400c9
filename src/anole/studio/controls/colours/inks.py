"""Inks of a pattern: a row of chips, and what the chosen one is."""

from __future__ import annotations

from typing import Any

from ....core.model import Colour, Ink
from ...look.plain import Label
from ..base.control import Control
from ..base.layouts import column
from ..base.table import CONTROLS, many
from ..choices.choice import Choice
from .colour import ColourControl
from .palette import STARTS, SwatchRow

WORDS = {"a colour": "colour", "the letter's colour": "letter", "the coats beneath": "own"}
STAND_INS = {"letter": Colour(240, 200, 120), "own": Colour(150, 150, 150)}


class InkList(Control):
    def __init__(self, title: str, about: str) -> None:
        super().__init__()
        self._inks: tuple[Ink, ...] = ()
        self.row, self.colour = SwatchRow(title), ColourControl("Ink")
        self.kind = Choice("Ink is", list(WORDS), "A colour, or one that the pattern finds there")
        self.setToolTip(about)
        column(self, Label(title), self.row, self.kind, self.colour)
        self.row.chosen.connect(lambda _: self._show())
        self.row.added.connect(self._add)
        self.row.removed.connect(self._remove)
        self.kind.edited.connect(lambda words, _: self._turn_into(WORDS[words]))
        self.colour.edited.connect(lambda c, t: self._put(Ink(c), t))

    def value(self) -> Any:
        return self._inks

    def set_value(self, value: Any) -> None:
        self._inks = tuple(value)
        self.row.show_colours(tuple(ink.colour or STAND_INS[ink.name] for ink in self._inks))
        self._show()

    def _show(self) -> None:
        ink = self._inks[self.row.index]
        self.kind.set_value(next(words for words, name in WORDS.items() if name == ink.name))
        self.colour.setVisible(ink.colour is not None)
        if ink.colour is not None:
            self.colour.set_value(ink.colour)

    def _send(self, inks: tuple[Ink, ...], token: object | None) -> None:
        self.set_value(inks)
        self.edited.emit(inks, token)

    def _put(self, ink: Ink, token: object | None) -> None:
        at = self.row.index
        self._send((*self._inks[:at], ink, *self._inks[at + 1 :]), token)

    def _turn_into(self, name: str) -> None:
        old = self._inks[self.row.index].colour or Colour(255, 255, 255)
        self._put(Ink(old if name == "colour" else name), None)

    def _add(self) -> None:
        if len(self._inks) < 16:
            colour = Colour.parse(STARTS[len(self._inks) % len(STARTS)])
            self.row.index = len(self._inks)
            self._send((*self._inks, Ink(colour)), None)

    def _remove(self, index: int) -> None:
        if len(self._inks) > 1:
            self._send((*self._inks[:index], *self._inks[index + 1 :]), None)


CONTROLS.add(many(Ink), lambda info: InkList(info.title, info.about))
