"""Which piece clips this one."""

from __future__ import annotations

from typing import Any

from ....core.model import Coated
from ....core.model.nesting import every
from ...shared.session import session_of
from ..base.control import Control
from ..base.field_label import FieldLabel
from ..base.layouts import row
from ..base.table import CONTROLS
from .choice import ComboBox

NONE = "nothing"


class ClippedByChoice(Control):
    """The piece that clips this one, if any."""

    def __init__(self, title: str, about: str) -> None:
        super().__init__()
        self._by: str | None = None
        self._ids: list[str | None] = []
        self.box = ComboBox()
        self.box.setAccessibleName(title)
        self.setToolTip(about)
        self.setLayout(row(FieldLabel(title), self.box, stretch=1))
        self.box.activated.connect(self._chosen)

    def value(self) -> Any:
        return self._by

    def set_value(self, value: Any) -> None:
        self._by = value
        session = session_of(self)
        names: dict[str | None, str] = {None: NONE}
        for piece in every(session.document.board.pieces) if session else ():
            own = session is not None and piece.id == session.selection.piece_id
            if isinstance(piece, Coated) and not own:
                names[piece.id] = piece.name or piece.id
        names.setdefault(value, "a piece that is gone")
        self._ids = list(names)
        self.box.clear()
        self.box.addItems(list(names.values()))
        self.box.setCurrentIndex(self._ids.index(value))

    def _chosen(self, index: int) -> None:
        self._by = self._ids[index]
        self.edited.emit(self._by, None)


CONTROLS.add("clipped by", lambda info: ClippedByChoice(info.title, info.about))
