"""The dropper: a colour of the board is looked at under the pointer and taken by a click."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QKeyEvent, QPainter, QPen

from ...core.arrays import Pixels
from ...core.model import Colour
from ..look import theme
from ..look.qt_colour import to_qt
from ..look.view_transform import ViewTransform
from .board_tool import BoardTool
from .canvas import Canvas
from .sampling import average, pixels_of, side_for


class Dropper(BoardTool):
    """Shift averages 3 x 3 px, Ctrl 9 x 9; Escape gives up."""

    def __init__(self, view: Canvas) -> None:
        super().__init__(view)
        self._told: Callable[[Colour], None] | None = None
        self._pixels: Pixels | None = None
        self._at, self._keys = QPointF(), Qt.KeyboardModifier.NoModifier

    @property
    def on(self) -> bool:
        """Whether a colour is being picked."""
        return self._told is not None

    def start(self, told: Callable[[Colour], None]) -> None:
        """Pixels are those the board shows now: what is looked at does not change under it."""
        image = self.view.grab_image()
        if image is None:
            return
        self._told, self._pixels = told, pixels_of(image)
        self.view.setFocus()
        self.document.said.emit(
            "Click a colour of the board: Shift averages 3 × 3 px, Ctrl 9 × 9; Esc gives up."
        )
        self.view.update()

    def leave(self) -> None:
        if self.on:
            self._told = self._pixels = None
            self.view.update()

    def _colour(self, at: QPointF, keys: Qt.KeyboardModifier) -> Colour | None:
        frame = self.view.frame
        if self._pixels is None or frame is None:
            return None
        x, y = self.view.transform_now().to_board(at)
        column = int(x * frame.scale - frame.box.x0)
        row = int(y * frame.scale - frame.box.y0)
        if not (0 <= row < self._pixels.shape[0] and 0 <= column < self._pixels.shape[1]):
            return None
        return average(self._pixels, column, row, keys)

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        if not self.on:
            return None
        self._at = at
        self.view.update()
        return Qt.CursorShape.CrossCursor, ""

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        if not self.on:
            return False
        self._at, self._keys = at, keys
        colour, told = self._colour(at, keys), self._told
        self.leave()
        if colour is not None and told is not None:
            told(colour)
        return True

    def key(self, event: QKeyEvent) -> bool:
        if self.on and event.key() == Qt.Key.Key_Escape:
            self.leave()
            return True
        return False

    def paint(self, painter: QPainter, now: ViewTransform) -> None:
        colour = self._colour(self._at, self._keys) if self.on else None
        if colour is None:
            return
        ring = QRectF(self._at.x() + 14, self._at.y() - 46, 34, 34)
        for shade, width in (("desk", 5.0), ("text", 2.0)):
            painter.setPen(QPen(theme.colour(shade), width))
            painter.setBrush(to_qt(colour))
            painter.drawEllipse(ring)
        painter.setFont(theme.font(11))
        side = side_for(self._keys)
        painter.drawText(ring.bottomLeft() + QPointF(-2, 14), f"{colour}  {side} px")
