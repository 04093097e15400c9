"""Marks on the board: clicked into place, dragged for size and turn, sized by the wheel."""

from __future__ import annotations

import math
from typing import Any

import msgspec
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QPainter

from ....core.edit.parts import add_part
from ....core.edit.stamps import next_mark
from ....core.model import Board, Mark, Stamps
from ...board.canvas import Canvas
from ...board.part_tool import REACH, ring
from ...board.placing_tool import PlacingTool
from ...look.view_transform import ViewTransform

HINTS = {
    "move": "Drag: moves the mark. Wheel: its size. Delete deletes it",
    "turn": "Drag: its size and turn, Shift in steps of 15°",
}
NAMES = {"move": "Move mark", "turn": "Size and turn of mark"}
NOTCH = 1.0015
"""How much larger a mark gets for each unit that a wheel turns."""


class StampsTool(PlacingTool):
    """A mark is held by its middle, and by its tip."""

    struct, field, part_name, least = Stamps, "marks", "mark", 0
    hints, names = HINTS, NAMES
    invites, grip = "Click: places a mark, drag: its size. Esc ends it", "turn"

    def __init__(self, view: Canvas) -> None:
        super().__init__(view)
        self._shift = False
        self._wheeled: tuple[int, object] = (-1, object())

    def grips(self, part: Mark, now: ViewTransform) -> dict[str, QPointF]:
        middle, far = now.to_widget(part.x, part.y), part.size / 2 * now.zoom
        turn = math.radians(part.turn)
        tip = QPointF(math.sin(turn), -math.cos(turn)) * max(far, 2.5 * REACH)
        return {"move": middle, "turn": middle + tip}

    def paint_part(self, painter: QPainter, part: Mark, now: ViewTransform) -> None:
        grips = self.grips(part, now)
        ring(painter, grips["move"], part.size / 2 * now.zoom, dotted=True)
        painter.drawLine(grips["move"], grips["turn"])

    def pulled(self, kind: str, start: Mark, at: QPointF) -> dict[str, Any]:
        """Its tip goes to the pointer."""
        now = self.view.transform_now()
        by = at - now.to_widget(start.x, start.y)
        turn = math.degrees(math.atan2(by.x(), -by.y()))
        turn = round(turn / 15) * 15 if self._shift else round(turn, 1)
        far = 2 * math.hypot(by.x(), by.y()) / now.zoom
        return {"size": round(min(max(far, 1.0), 32_000.0), 1), "turn": float(turn)}

    def place(self, at: QPointF) -> int | None:
        piece = self.piece
        x, y = self.view.transform_now().to_board(at)

        def added(board: Board) -> tuple[Board, int]:
            mark = next_mark(board, piece.marks)
            mark = msgspec.structs.replace(mark, x=round(x, 1), y=round(y, 1))
            return add_part(board, piece.id, "marks", mark)

        return self.document.make("Place a mark", added)

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        self._wheeled = (-1, object())
        return super().press(at, keys)

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        self._shift = bool(keys & Qt.KeyboardModifier.ShiftModifier)
        super().pull(at, keys)

    def wheel(self, at: QPointF, turned: int) -> bool:
        """Larger or smaller, with the pointer over a mark."""
        grip = self.hit(at)
        if grip is None:
            return False
        number = grip[0]
        self.selection.choose_part(number)
        size = self.parts[number].size * NOTCH**turned
        fields = {"size": round(min(max(size, 1.0), 32_000.0), 1)}
        if self._wheeled[0] != number:
            self._wheeled = number, object()
        self.change("Size of mark", number, fields, self._wheeled[1])
        return True
