"""Where a piece stands: pinned to the board, lined up with it or with others, and by numbers."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtWidgets import QHBoxLayout, QWidget

from ...core.edit.pieces import pin
from ...core.model import Place, Placed
from ..controls.base.control import Context
from ..controls.base.fields import FieldPanel, headline
from ..shared.line_ups import line_up
from ..shared.session import Session
from .nine_points import NinePoints
from .section import SECTIONS, Section
from .several import Several


class PlaceSection(Section):
    """Where the chosen piece stands."""

    def __init__(self, session: Session, struct: type[msgspec.Struct]) -> None:
        super().__init__(session)
        self.pin, self.several, self.panel = NinePoints(), Several(), FieldPanel(Place)
        row = QHBoxLayout()
        row.setSpacing(10)
        row.addWidget(self.pin)
        row.addWidget(self.several, 1)
        self.column.addWidget(headline("On the board"))
        self.column.addLayout(row)
        self.column.addWidget(self.panel)
        self.panel.edited.connect(self._placed)
        self.pin.pinned.connect(self._pinned)
        self.several.wanted.connect(lambda what: line_up(session, what))

    def control(self, name: str) -> QWidget | None:
        return self.panel.controls.get(name)

    def show_piece(self, piece: Any, context: Context) -> None:
        assert isinstance(piece, Placed)
        self.several.show_count(len(self.selection.ids))
        self.panel.show_struct(piece.place)
        self.pin.show_anchor(piece.place.anchor)

    def _placed(self, name: str, value: Any, token: object | None) -> None:
        piece = self.selection.placed
        if piece is not None:
            place = msgspec.structs.replace(piece.place, **{name: value})
            self.apply("Place", token, place=place)

    def _pinned(self, anchor: str) -> None:
        piece = self.selection.placed
        if piece is not None:
            self.document.apply("Pin", lambda b: pin(b, piece.id, anchor))


SECTIONS.add("place", PlaceSection)
