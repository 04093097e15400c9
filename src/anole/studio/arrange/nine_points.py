"""The nine-point pin: which point of the piece is fixed to which point of the board."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QWidget

from ..look import theme
from ..look.painting import painting

POINTS = (
    ("top-left", "top", "top-right"),
    ("left", "centre", "right"),
    ("bottom-left", "bottom", "bottom-right"),
)

SIZE = (76, 64)


class NinePoints(QWidget):
    """`pinned(name)` when a point is clicked, or Enter pressed on it."""

    pinned = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self._shown = "centre"
        self._cursor = (1, 1)
        self.setFixedSize(*SIZE)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setAccessibleName("Pin to the board")
        self.setToolTip("Pin the words to a point of the board; arrow keys and Enter")

    def sizeHint(self) -> QSize:
        return QSize(*SIZE)

    def show_anchor(self, name: str) -> None:
        """Mark the point of this name."""
        self._shown = name
        self.update()

    def _spot(self, row: int, column: int) -> QPointF:
        return QPointF(12 + column * (self.width() - 24) / 2, 12 + row * (self.height() - 24) / 2)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            painter.setPen(QPen(theme.colour("line"), 1))
            painter.setBrush(theme.colour("sunk"))
            painter.drawRoundedRect(QRectF(0.5, 0.5, self.width() - 1, self.height() - 1), 6, 6)
            for row, names in enumerate(POINTS):
                for column, name in enumerate(names):
                    chosen = name == self._shown
                    focus = self.hasFocus() and (row, column) == self._cursor
                    painter.setPen(QPen(theme.colour("text" if focus else "line"), 2))
                    painter.setBrush(theme.colour("leaf" if chosen else "raised"))
                    size = 6.5 if chosen else 4.5
                    painter.drawEllipse(self._spot(row, column), size, size)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        column = min(max(int(event.position().x() / self.width() * 3), 0), 2)
        row = min(max(int(event.position().y() / self.height() * 3), 0), 2)
        self._cursor = (row, column)
        self.pinned.emit(POINTS[row][column])

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        row, column = self._cursor
        moves = {
            Qt.Key.Key_Left: (0, -1),
            Qt.Key.Key_Right: (0, 1),
            Qt.Key.Key_Up: (-1, 0),
            Qt.Key.Key_Down: (1, 0),
        }
        move = moves.get(Qt.Key(event.key()))
        if move is not None:
            self._cursor = (min(max(row + move[0], 0), 2), min(max(column + move[1], 0), 2))
            self.update()
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter, Qt.Key.Key_Space):
            self.pinned.emit(POINTS[row][column])
        else:
            super().keyPressEvent(event)
