"""A frame dragged over the board, to crop it to."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QKeyEvent, QPainter, QPainterPath, QPen

from ....core.edit.boards import crop_board
from ...board.board_tool import BoardTool
from ...board.canvas import Canvas
from ...look import theme
from ...look.view_transform import ViewTransform

LEAST = 4


class CroppingTool(BoardTool):
    """Waits for a frame once start() was called; Escape gives up."""

    def __init__(self, view: Canvas) -> None:
        super().__init__(view)
        self.waiting = False
        self._from = QPointF()
        self._frame: QRectF | None = None

    def start(self) -> None:
        """Wait for a frame to be drawn over the board."""
        self.waiting = True
        self.view.setFocus()
        self.document.said.emit("Drag a frame over the board to crop it to; Esc leaves it.")

    def leave(self) -> None:
        self.waiting, self._frame = False, None
        self.view.update()

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        return (Qt.CursorShape.CrossCursor, "") if self.waiting else None

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        self._from = at
        return self.waiting

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        self._frame = QRectF(self._from, at).normalized()
        self.view.update()

    def release(self) -> None:
        frame = self._frame
        self.leave()
        if frame is not None and min(frame.width(), frame.height()) >= LEAST:
            now = self.view.transform_now()
            ends = (*now.to_board(frame.topLeft()), *now.to_board(frame.bottomRight()))
            self.document.apply("Crop", lambda b: crop_board(b, *ends))

    def key(self, event: QKeyEvent) -> bool:
        if self.waiting and event.key() == Qt.Key.Key_Escape:
            self.leave()
            return True
        return False

    def paint(self, painter: QPainter, now: ViewTransform) -> None:
        if self._frame is None:
            return
        shade = QPainterPath()
        shade.addRect(QRectF(self.view.rect()))
        hole = QPainterPath()
        hole.addRect(self._frame)
        painter.fillPath(shade - hole, theme.colour("desk", 0.6))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.setPen(QPen(theme.colour("leaf"), 1.4))
        painter.drawRect(self._frame)
        low, high = now.to_board(self._frame.topLeft()), now.to_board(self._frame.bottomRight())
        painter.setPen(theme.colour("text"))
        size = f"{high[0] - low[0]:.0f} × {high[1] - low[1]:.0f}"
        painter.drawText(self._frame.topLeft() + QPointF(4, -6), size)
