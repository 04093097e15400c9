"""What a backdrop shows: everything beneath, the ground alone, or one piece."""

from __future__ import annotations

from typing import Any

from ...shared.session import session_of
from ..base.control import Control
from ..base.field_label import FieldLabel
from ..base.layouts import row
from ..base.table import CONTROLS
from .choice import ComboBox

ALWAYS = {"beneath": "everything beneath", "ground": "the ground alone"}


class BackdropSourceChoice(Control):
    """What lies behind: everything beneath, the ground, or one piece."""

    always = True

    def __init__(self, title: str, about: str) -> None:
        super().__init__()
        self._of = "ground"
        self._ids: list[str] = []
        self.box = ComboBox()
        self.box.setAccessibleName(title)
        self.setToolTip(about)
        label = FieldLabel(title)
        self.setLayout(row(label, self.box, stretch=1))
        self.box.activated.connect(self._chosen)

    def value(self) -> Any:
        return self._of

    def set_value(self, value: Any) -> None:
        self._of = value
        session = session_of(self)
        names = dict(ALWAYS)
        for piece in session.document.board.pieces if session else ():
            if session is not None and piece.id == session.selection.piece_id:
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


CONTROLS.add("backdrop source", lambda info: BackdropSourceChoice(info.title, info.about))
