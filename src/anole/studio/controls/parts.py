"""Parts of a piece: which one is worked on, and its fields."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import msgspec
from PyQt6.QtWidgets import QPushButton

from ...core.edit.spots import next_spot
from ...core.edit.stamps import next_mark
from ...core.model import Board, Flare, Mark, Spot
from ...core.model.coats.sparkle import MOST_FLARES
from ...core.model.pieces.pool import MOST_SPOTS
from ...core.model.pieces.stamps import MOST_MARKS
from ...core.text import capital
from ..look.plain import Label
from ..shared.session import session_of
from .base.control import Control
from .base.fields import FieldPanel
from .base.layouts import column, row
from .base.table import CONTROLS, many
from .numbers.number import Number

Next = Callable[[Board, tuple[Any, ...]], Any]


class PartsControl(Control):
    """The board's tool and this one work on the same part: the selection's."""

    def __init__(
        self, title: str, about: str, struct: type[msgspec.Struct], most: int, make: Next
    ) -> None:
        super().__init__()
        name = struct.__name__.lower()
        self._parts: tuple[Any, ...] = ()
        self._most, self._make = most, make
        self._connected = False
        self.number = Number(struct.__name__, 1, most, soft=(1, 2), step=1, about=about)
        self.add, self.delete = (
            QPushButton(f"+  {capital(name)}"),
            QPushButton(f"Delete {name}"),
        )
        self.add.setToolTip(f"One more {name}, in the middle of the board")
        self.delete.setToolTip(f"Delete the {name} that is worked on (Delete on the board)")
        self.fields = FieldPanel(struct)
        self.setToolTip(about)
        layout = column(self, Label(title), self.number, self.fields)
        layout.insertLayout(1, row(self.add, self.delete))
        self.number.edited.connect(lambda value, _: self._choose(round(value) - 1))
        self.fields.edited.connect(self._edited)
        self.add.clicked.connect(self._add)
        self.delete.clicked.connect(self._delete)

    @property
    def index(self) -> int:
        """The part that is worked on."""
        session = session_of(self)
        part = session.selection.part if session is not None else 0
        return min(max(part, 0), max(len(self._parts) - 1, 0))

    def value(self) -> Any:
        return self._parts

    def set_value(self, value: Any) -> None:
        self._parts = tuple(value)
        session = session_of(self)
        if session is not None and not self._connected:
            self._connected = True
            session.selection.part_changed.connect(self._show)
        self._show()

    def _show(self) -> None:
        some = bool(self._parts)
        for part in (self.number, self.fields, self.delete):
            part.setVisible(some)
        if some:
            self.number.soft = (1.0, max(float(len(self._parts)), 2.0))
            self.number.set_value(self.index + 1)
            self.fields.show_struct(self._parts[self.index])

    def _choose(self, number: int) -> None:
        session = session_of(self)
        if session is not None:
            session.selection.choose_part(min(max(number, 0), len(self._parts) - 1))
        self._show()

    def _send(self, parts: tuple[Any, ...], token: object | None) -> None:
        self.set_value(parts)
        self.edited.emit(parts, token)

    def _edited(self, name: str, value: Any, token: object | None) -> None:
        at = self.index
        part = msgspec.structs.replace(self._parts[at], **{name: value})
        self._send((*self._parts[:at], part, *self._parts[at + 1 :]), token)

    def _add(self) -> None:
        session = session_of(self)
        if session is not None and len(self._parts) < self._most:
            fresh = self._make(session.document.board, self._parts)
            self._send((*self._parts, fresh), None)
            self._choose(len(self._parts) - 1)

    def _delete(self) -> None:
        at = self.index
        self._send((*self._parts[:at], *self._parts[at + 1 :]), None)
        self._choose(max(at - 1, 0))


CONTROLS.add(
    many(Spot), lambda info: PartsControl(info.title, info.about, Spot, MOST_SPOTS, next_spot)
)
CONTROLS.add(
    many(Flare),
    lambda info: PartsControl(
        info.title, info.about, Flare, MOST_FLARES, lambda board, parts: Flare()
    ),
)
CONTROLS.add(
    many(Mark), lambda info: PartsControl(info.title, info.about, Mark, MOST_MARKS, next_mark)
)
