"""Which coat painted this? Asked by a click with Ctrl (or Alt, which some desktops take for
themselves), and by a right click."""

from __future__ import annotations

import contextlib

from PyQt6.QtCore import QPointF, Qt

from ...core.coats.registry import kind_of
from ...core.edit.coats import coat_of
from ...core.isolation import NotYet
from ...core.render.probing import painted_by
from ..board.board_tool import BoardTool

ASKS = Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.AltModifier


class AskingTool(BoardTool):
    """Tells which coat painted the point that is clicked with Ctrl."""

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        if not keys & ASKS:
            return False
        try:
            found = self._choose(at)
        except NotYet:
            self.document.said.emit("A picture there is still being read; ask again in a moment.")
            return True
        if not found:
            self.document.said.emit("Only a ground is painted there.")
        return True

    def ask_menu(self, at: QPointF) -> str | None:
        # a menu does not wait for what is still being read
        with contextlib.suppress(NotYet):
            return "coat" if self._choose(at) else None
        return None

    def _choose(self, at: QPointF) -> bool:
        """Choose the coat that lies on top there, and say which it is."""
        board = self.document.board
        painter = painted_by(board, *self.view.transform_now().to_board(at))
        if painter is None:
            return False
        self.selection.choose(*painter)
        coat = coat_of(board, *painter)
        name = f" {coat.name}" if coat.name else ""
        self.document.said.emit(f"Painted there on top: {kind_of(coat).title}{name}.")
        return True
