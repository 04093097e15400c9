"""Alt-click: which coat painted this?"""

from __future__ import annotations

from PyQt6.QtCore import QPointF, Qt

from ...core.coats.registry import kind_of
from ...core.edit.coats import coat_of
from ...core.render.probing import painted_by
from ..board_tool import BoardTool


class AskingTool(BoardTool):
    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        if not keys & Qt.KeyboardModifier.AltModifier:
            return False
        board = self.document.board
        painter = painted_by(board, *self.view.transform_now().to_board(at))
        if painter is None:
            self.document.said.emit("Only a ground is painted there.")
            return True
        self.selection.choose(*painter)
        coat = coat_of(board, *painter)
        name = f" {coat.name}" if coat.name else ""
        self.document.said.emit(f"Painted there on top: {kind_of(coat).title}{name}.")
        return True
