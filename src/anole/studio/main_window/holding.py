"""Looking without changing, for as long as a key is held."""

from __future__ import annotations

from PyQt6.QtCore import Qt

from ...core.edit.coats import change_coat
from ...core.edit.pieces import change_piece
from ...core.model import Board
from ..shared.session import Session
from ..shared.shell import Stage


class Holding:
    """H: without the chosen coat, in Arrange without the chosen piece; S: the coat alone; B: the
    board as it was when it was chosen."""

    def __init__(self, session: Session) -> None:
        self._document, self._selection = session.document, session.selection
        self._when_chosen = self._document.board
        self._selection.changed.connect(self._remember)

    def _remember(self) -> None:
        self._when_chosen = self._document.board

    def press(self, key: int, stage: Stage) -> None:
        """A key went down: show the board as the key says."""
        if stage == Stage.ARRANGE:
            if Qt.Key(key) == Qt.Key.Key_H:
                self._document.look_at(self._without_piece())
            return
        views = {
            Qt.Key.Key_H: self._without,
            Qt.Key.Key_S: self._alone,
            Qt.Key.Key_B: lambda: self._when_chosen,
        }
        view = views.get(Qt.Key(key))
        board = view() if view is not None else None
        if board is not None:
            self._document.look_at(board)

    def release(self, key: int) -> None:
        """A key went up: show the board as it is."""
        if key in (Qt.Key.Key_H, Qt.Key.Key_S, Qt.Key.Key_B):
            self._document.look_at(None)

    def _switched(self, on: dict[str, bool]) -> Board | None:
        """The board with coats of the chosen piece switched."""
        piece, board = self._selection.coated, self._document.board
        if piece is None or self._selection.coat is None:
            return None
        for coat_id, wanted in on.items():
            board = change_coat(board, piece.id, coat_id, on=wanted)
        return board

    def _without_piece(self) -> Board | None:
        piece = self._selection.piece_id
        return change_piece(self._document.board, piece, shown=False) if piece else None

    def _without(self) -> Board | None:
        return self._switched({self._selection.coat_id or "": False})

    def _alone(self) -> Board | None:
        piece, chosen = self._selection.coated, self._selection.coat_id
        return self._switched({c.id: c.id == chosen for c in piece.style} if piece else {})
