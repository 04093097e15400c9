"""One of the board's pieces: which clips this one, and what a backdrop shows."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from ....core.model import Coated
from ....core.model.nesting import every
from ...shared.session import Session, session_of
from ..base.control import Control
from ..base.field_label import FieldLabel
from ..base.layouts import row
from ..base.table import CONTROLS
from .combo_box import ComboBox

Answers = dict[str | None, str]
"""Names by what they stand for: a piece's id, or a word of the model."""
NO_PIECE: Answers = {None: "nothing"}
BENEATH: Answers = {"beneath": "everything beneath", "ground": "the ground alone"}


def clipping_pieces(session: Session) -> Answers:
    """Every other piece with a shape."""
    return {
        piece.id: piece.name or piece.id
        for piece in every(session.document.board.pieces)
        if isinstance(piece, Coated) and piece.id != session.selection.piece_id
    }


def pieces_beneath(session: Session) -> Answers:
    """Those that lie beneath the chosen one."""
    found: Answers = {}
    for piece in session.document.board.pieces:
        if piece.id == session.selection.piece_id:
            break
        found[piece.id] = piece.name or piece.id
    return found


class PieceChoice(Control):
    """What it offers is looked up each time a value is shown.

    first : answers that are there on every board
    among : the pieces it offers
    """

    def __init__(
        self, title: str, about: str, first: Answers, among: Callable[[Session], Answers]
    ) -> None:
        super().__init__()
        self._first, self._among = first, among
        self._answers: list[str | None] = list(first)
        self.box = ComboBox()
        self.box.addItems(list(first.values()))
        self.box.setAccessibleName(title)
        self.setToolTip(about)
        self.setLayout(row(FieldLabel(title), self.box, stretch=1))
        self.box.activated.connect(lambda n: self.edited.emit(self._answers[n], None))

    def value(self) -> Any:
        return self._answers[self.box.currentIndex()]

    def set_value(self, value: Any) -> None:
        session = session_of(self)
        among = self._among(session) if session is not None else {}
        # a word of the model goes before a piece that is called so
        names = self._first | among | self._first
        names.setdefault(value, "a piece that is gone")
        self._answers = list(names)
        self.box.clear()
        self.box.addItems(list(names.values()))
        self.box.setCurrentIndex(self._answers.index(value))


class BackdropSourceChoice(PieceChoice):
    """Shown whatever its value is: there is no backdrop without it."""

    always = True


CONTROLS.add(
    "clipped by", lambda info: PieceChoice(info.title, info.about, NO_PIECE, clipping_pieces)
)
CONTROLS.add(
    "backdrop source",
    lambda info: BackdropSourceChoice(info.title, info.about, BENEATH, pieces_beneath),
)
