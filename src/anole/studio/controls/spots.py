"""Spots of a pool: numbered chips, and the fields of the one that is worked on."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtWidgets import QPushButton

from ...core.edit.atmosphere import next_spot
from ...core.model import Spot
from ...core.model.pieces.pool import MOST_SPOTS
from ..plain import Label
from ..session import session_of
from .control import Control
from .fields import FieldPanel
from .layouts import column, row
from .number import Number
from .table import CONTROLS, many


class SpotsControl(Control):
    """The board's tool and this one work on the same spot: the selection's part."""

    def __init__(self, title: str, about: str) -> None:
        super().__init__()
        self._spots: tuple[Spot, ...] = ()
        self._connected = False
        self.number = Number("Spot", 1, MOST_SPOTS, soft=(1, 2), step=1, about=about)
        self.add, self.delete = QPushButton("+  spot"), QPushButton("Delete spot")
        self.add.setToolTip("One more spot; or double-click the board")
        self.delete.setToolTip("Delete the spot that is worked on (Delete on the board)")
        self.fields = FieldPanel(Spot)
        self.setToolTip(about)
        layout = column(self, Label(title), self.number, self.fields)
        layout.insertLayout(1, row(self.add, self.delete))
        self.number.edited.connect(lambda value, _: self._choose(round(value) - 1))
        self.fields.edited.connect(self._edited)
        self.add.clicked.connect(self._add)
        self.delete.clicked.connect(self._delete)

    @property
    def index(self) -> int:
        """The spot that is worked on."""
        session = session_of(self)
        part = session.selection.part if session is not None else 0
        return min(max(part, 0), max(len(self._spots) - 1, 0))

    def value(self) -> Any:
        return self._spots

    def set_value(self, value: Any) -> None:
        self._spots = tuple(value)
        session = session_of(self)
        if session is not None and not self._connected:
            self._connected = True
            session.selection.part_changed.connect(self._show)
        self._show()

    def _show(self) -> None:
        some = bool(self._spots)
        for part in (self.number, self.fields, self.delete):
            part.setVisible(some)
        if some:
            self.number.soft = (1.0, max(float(len(self._spots)), 2.0))
            self.number.set_value(self.index + 1)
            self.fields.show_struct(self._spots[self.index])

    def _choose(self, number: int) -> None:
        session = session_of(self)
        if session is not None:
            session.selection.choose_part(min(max(number, 0), len(self._spots) - 1))
        self._show()

    def _send(self, spots: tuple[Spot, ...], token: object | None) -> None:
        self.set_value(spots)
        self.edited.emit(spots, token)

    def _edited(self, name: str, value: Any, token: object | None) -> None:
        at = self.index
        spot = msgspec.structs.replace(self._spots[at], **{name: value})
        self._send((*self._spots[:at], spot, *self._spots[at + 1 :]), token)

    def _add(self) -> None:
        session = session_of(self)
        if session is not None and len(self._spots) < MOST_SPOTS:
            fresh = next_spot(session.document.board, self._spots)
            self._send((*self._spots, fresh), None)
            self._choose(len(self._spots) - 1)

    def _delete(self) -> None:
        at = self.index
        self._send((*self._spots[:at], *self._spots[at + 1 :]), None)
        self._choose(max(at - 1, 0))


CONTROLS.add(many(Spot), lambda info: SpotsControl(info.title, info.about))
