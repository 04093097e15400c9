"""What a backdrop shows: everything beneath, the ground alone, or one piece."""

from __future__ import annotations

from typing import Any

from PyQt6.QtWidgets import QLabel

from ..desk import desk_of
from .choice import Box
from .control import Control
from .layouts import row
from .number import LABEL

ALWAYS = {"beneath": "everything beneath", "ground": "the ground alone"}


class Seen(Control):
    always = True

    def __init__(self, title: str, about: str) -> None:
        super().__init__()
        self._of = "ground"
        self._ids: list[str] = []
        self.box = Box()
        self.box.setAccessibleName(title)
        self.setToolTip(about)
        label = QLabel(title)
        label.setFixedWidth(LABEL)
        self.setLayout(row(label, self.box, stretch=1))
        self.box.activated.connect(self._chosen)

    def value(self) -> Any:
        return self._of

    def set_value(self, value: Any) -> None:
        self._of = value
        desk = desk_of(self)
        names = dict(ALWAYS)
        for piece in desk.document.board.pieces if desk else ():
            if desk is not None and piece.id == desk.document.piece_id:
                break
            names.setdefault(piece.id, piece.name or piece.id)
        names.setdefault(value, "a piece that is gone")
        self._ids = list(names)
        self.box.clear()
        self.box.addItems(list(names.values()))
        self.box.setCurrentIndex(self._ids.index(value))

    def _chosen(self, index: int) -> None:
        self._of = self._ids[index]
        self.edited.emit(self._of, None)
