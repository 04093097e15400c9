"""A part of the piece panel, and the table of them that kinds of piece name theirs from."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import msgspec
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from ...core.edit.pieces import change_piece
from ...core.model.nesting import path_to
from ...core.registry import Registry
from ..controls.base.control import Context
from ..shared.session import Session


class Section(QWidget):
    """Shows one side of the chosen piece, and changes it in named steps."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.document, self.selection = session.document, session.selection
        self.shown_id = ""
        """The piece that was shown last. What is typed into a field comes when it is left, and another
        piece may be chosen by then."""
        self.column = QVBoxLayout(self)
        self.column.setContentsMargins(0, 0, 0, 0)
        self.column.setSpacing(8)

    @property
    def empty(self) -> bool:
        """Whether there is nothing to show of pieces of this kind."""
        return False

    def show_piece(self, piece: Any, context: Context) -> None:
        """The chosen piece as it is now."""

    def fonts_came(self) -> None:
        """There are other fonts than before."""

    def dress(self) -> None:
        """The theme is another one."""

    def edit_words(self) -> None:
        """Whoever shows words takes the focus, to type into them."""

    def control(self, name: str) -> QWidget | None:
        """What edits a field of the piece; None where it stands elsewhere."""
        return None

    def apply(self, name: str, token: object | None, **fields: Any) -> None:
        """Set fields of the piece that is shown."""
        piece_id = self.shown_id
        if path_to(self.document.board.pieces, piece_id):
            self.document.apply(name, lambda b: change_piece(b, piece_id, **fields), token)


SECTIONS: Registry[str, Callable[[Session, type[msgspec.Struct]], Section]] = Registry("section")
