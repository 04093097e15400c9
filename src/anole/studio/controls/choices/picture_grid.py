"""A small sheet of pictures to choose from: each option on the user's own words, live on the board
while it is pointed at."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from PyQt6.QtCore import QPoint, QRect, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QHideEvent, QImage, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QFrame, QScrollArea, QVBoxLayout, QWidget

from ...look import theme
from ...look.painting import painting
from ..numbers.grid_steps import grid_steps

CELL, PICTURE, PER_ROW = QSize(76, 66), QSize(70, 44), 3
MOST_ROWS = 7
STEPS = grid_steps(PER_ROW)


class PictureGrid(QWidget):
    """`pointed(option)`, `taken(option)`, `left()`."""

    pointed = pyqtSignal(str)
    taken = pyqtSignal(str)
    left = pyqtSignal()

    def __init__(self, options: Sequence[str], words: Mapping[str, str]) -> None:
        super().__init__()
        self.options, self.words = list(options), dict(words)
        self.images: dict[str, QImage] = {}
        self.index = 0
        self.setMouseTracking(True)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        rows = -(-len(self.options) // PER_ROW)
        self.setFixedSize(PER_ROW * CELL.width(), rows * CELL.height())

    def word(self, option: str) -> str:
        """How an option is called on screen."""
        return self.words.get(option, option)

    def box(self, number: int) -> QRect:
        """Where an option's picture lies."""
        row, column = divmod(number, PER_ROW)
        return QRect(QPoint(column * CELL.width(), row * CELL.height()), CELL)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            for number, option in enumerate(self.options):
                box = QRectF(self.box(number)).adjusted(2, 2, -2, -2)
                lit = number == self.index
                painter.setPen(QPen(theme.colour("leaf" if lit else "line"), 2 if lit else 1))
                painter.setBrush(theme.colour("raised"))
                painter.drawRoundedRect(box, 5, 5)
                image = self.images.get(option)
                if image is not None:
                    size = QSize(image.size()).scaled(PICTURE, Qt.AspectRatioMode.KeepAspectRatio)
                    picture = QRectF(0, 0, size.width(), size.height())
                    picture.moveCenter(QRectF(box.adjusted(0, 0, 0, -18)).center())
                    painter.drawImage(picture, image)
                painter.setPen(theme.colour("text"))
                painter.setFont(theme.font(11))
                line = QRectF(box.left() + 2, box.bottom() - 18, box.width() - 4, 16)
                short = painter.fontMetrics().elidedText(
                    self.word(option), Qt.TextElideMode.ElideRight, int(line.width())
                )
                painter.drawText(line, Qt.AlignmentFlag.AlignCenter, short)

    def _at(self, event: QMouseEvent | None) -> int | None:
        spot = event.position().toPoint() if event is not None else QPoint(-1, -1)
        return next((n for n in range(len(self.options)) if self.box(n).contains(spot)), None)

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        number = self._at(event)
        if number is not None and number != self.index:
            self.point(number)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        number = self._at(event)
        if number is not None:
            self.taken.emit(self.options[number])

    def point(self, number: int) -> None:
        """Look at an option."""
        self.index = number
        self.setAccessibleDescription(self.word(self.options[number]))
        self.setToolTip(self.word(self.options[number]))
        self.update()
        self.pointed.emit(self.options[number])

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        step = STEPS.get(Qt.Key(event.key()))
        if step is not None:
            self.point(min(max(self.index + step, 0), len(self.options) - 1))
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter, Qt.Key.Key_Space):
            self.taken.emit(self.options[self.index])
        elif event.key() == Qt.Key.Key_Escape:
            self.left.emit()


class PictureSheet(QFrame):
    """The grid in a popup under its control, within the panel: the board beside it stays seen."""

    folded = pyqtSignal()

    def __init__(self, grid: PictureGrid, parent: QWidget) -> None:
        super().__init__(parent, Qt.WindowType.Popup)
        self.grid = grid
        self.setObjectName("sheet")
        self._scroll = QScrollArea()
        self._scroll.setObjectName("panel")
        self._scroll.setFrameShape(QFrame.Shape.NoFrame)
        self._scroll.setWidget(grid)
        self._scroll.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self._scroll.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        column = QVBoxLayout(self)
        column.setContentsMargins(5, 5, 5, 5)
        column.addWidget(self._scroll)
        grid.left.connect(self.hide)
        grid.pointed.connect(lambda _: self._follow())

    def unfold(self, under: QWidget, option: Any) -> None:
        """Show it below a widget, or above where there is no room below."""
        grid = self.grid
        grid.index = grid.options.index(option) if option in grid.options else 0
        rows = -(-len(grid.options) // PER_ROW)
        high = min(rows, MOST_ROWS) * CELL.height() + 12
        wide = grid.width() + 12 + (12 if rows > MOST_ROWS else 0)
        corner = under.mapToGlobal(QPoint(under.width() - wide, under.height() + 2))
        screen = under.screen()
        if screen is not None:
            room = screen.availableGeometry()
            if corner.y() + high > room.bottom():
                corner.setY(max(under.mapToGlobal(QPoint(0, -high - 2)).y(), room.top()))
            corner.setX(max(min(corner.x(), room.right() - wide), room.left()))
        self.setGeometry(corner.x(), corner.y(), wide, high)
        self.show()
        grid.setFocus()
        self._follow()

    def _follow(self) -> None:
        middle = self.grid.box(self.grid.index).center()
        self._scroll.ensureVisible(middle.x(), middle.y(), 0, CELL.height() // 2 + 2)

    def hideEvent(self, event: QHideEvent | None) -> None:
        super().hideEvent(event)
        self.folded.emit()
