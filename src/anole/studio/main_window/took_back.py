"""Undo in view: the foot of the board says what was taken back, and what changed is lit for a moment."""

from __future__ import annotations

from PyQt6.QtCore import QObject, QRectF

from ...core.edit.differing import changed_part
from ...core.model import Board, Placed
from ...core.model.nesting import every
from ...core.pieces.registry import placed_kind
from ..board.board_view import BoardView
from ..coat.build_up.widget import BuildUp
from ..shared.session import Session


class TookBack(QObject):
    """Listens to undo and redo."""

    def __init__(self, session: Session, view: BoardView, build_up: BuildUp) -> None:
        super().__init__(session.document)
        self._session, self._view, self._build_up = session, view, build_up
        session.document.went.connect(self._show)

    def _show(self, what: str, name: str, before: Board) -> None:
        document = self._session.document
        part = changed_part(before, document.board)
        if self._view.isVisible():
            # there, and not in the bar below: that would move all the window
            self._view.light(self._box(part.piece), f"{what}: {name}")
        else:
            document.said.emit(f"{what}: {name}.")
        if part.coat is not None and part.piece == self._session.selection.piece_id:
            self._build_up.light(part.coat)

    def _box(self, piece_id: str | None) -> QRectF:
        """Board px of what changed: the piece, or all of the board."""
        board = self._session.document.board
        piece = next((one for one in every(board.pieces) if one.id == piece_id), None)
        if not isinstance(piece, Placed):
            return QRectF(0, 0, board.width, board.height)
        x0, y0, x1, y1 = placed_kind(piece).extent(piece, board)
        return QRectF(x0, y0, x1 - x0, y1 - y0)
