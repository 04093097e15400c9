"""The picture, with the box round its lettering and the line across an edge; both are pulled by hand."""

from __future__ import annotations

import math
from collections.abc import Callable

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QImage, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QWidget

from ...board.board_paint import checks
from ...look import theme
from ...look.painting import painting
from ...look.view_transform import ViewTransform
from .marks import Mark, Marks

NEAR, MARGIN = 11.0, 12
STEPS = {
    Qt.Key.Key_Left: (-1, 0),
    Qt.Key.Key_Right: (1, 0),
    Qt.Key.Key_Up: (0, -1),
    Qt.Key.Key_Down: (0, 1),
}


class PictureView(QWidget):
    """`pulled(rest)`: the box or the line is another one; rest: and it is let go of.

    Space takes the next mark, arrows move it by a px, with Shift by ten.
    """

    pulled = pyqtSignal(bool)

    def __init__(self) -> None:
        super().__init__()
        self.marks = Marks()
        self._image: QImage | None = None
        self._size = (1, 1)
        self._held: Mark | None = None
        self._off = QPointF()
        self.chosen = Mark.INNER
        self.setMouseTracking(True)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("The picture: Space takes the next mark, arrows move it")
        self.setToolTip(
            "Pull the box round the lettering, and the line from the ground into the middle of a stem"
        )

    def show_picture(self, image: QImage | None, size: tuple[int, int]) -> None:
        """Another picture, smaller than it is perhaps; its own size, px."""
        self._image, self._size = image, size
        self.marks.begin(*size)
        self.update()

    @property
    def now(self) -> ViewTransform:
        """From px of the picture to px of the view."""
        wide, high = self._size
        room = (max(self.width() - 2 * MARGIN, 16), max(self.height() - 2 * MARGIN, 16))
        zoom = min(room[0] / wide, room[1] / high)
        return ViewTransform(
            zoom, (self.width() - wide * zoom) / 2, (self.height() - high * zoom) / 2
        )

    # seen

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.fillRect(self.rect(), theme.colour("sunk"))
            if self._image is None:
                return
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            whole = self.now.rect(0, 0, *self._size)
            painter.fillRect(whole, checks())
            painter.drawImage(whole, self._image)
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            self._paint_box(painter, whole)
            self._paint_line(painter)

    def _paint_box(self, painter: QPainter, whole: QRectF) -> None:
        box = self._seen_box()
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("desk", 0.6))
        for part in _round(whole, box):
            painter.drawRect(part)
        _drawn_twice(painter, 1.4, "text", lambda: painter.drawRect(box))
        for mark in Mark:
            if mark.of_box:
                self._paint_mark(painter, mark, 4.5)

    def _paint_line(self, painter: QPainter) -> None:
        if self.marks.line is None:
            return
        ground, stem = (self._place(mark) for mark in (Mark.OUTER, Mark.INNER))
        _drawn_twice(painter, 2.2, "leaf", lambda: painter.drawLine(ground, stem))
        self._paint_mark(painter, Mark.OUTER, 6)
        self._paint_mark(painter, Mark.INNER, 6)

    def _paint_mark(self, painter: QPainter, mark: Mark, radius: float) -> None:
        at, chosen = self._place(mark), self.hasFocus() and mark == self.chosen
        painter.setPen(QPen(theme.colour("desk"), 3))
        painter.setBrush(theme.colour("leaf" if chosen or not mark.of_box else "text"))
        if mark.of_box:
            painter.drawRect(QRectF(at.x() - radius, at.y() - radius, 2 * radius, 2 * radius))
        else:
            painter.drawEllipse(at, radius, radius)
        if chosen:
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.setPen(QPen(theme.colour("leaf"), 2))
            painter.drawEllipse(at, radius + 5, radius + 5)

    def _seen_box(self) -> QRectF:
        box = self.marks.box
        return self.now.rect(box.x0, box.y0, box.width, box.height)

    def _place(self, mark: Mark) -> QPointF:
        return self.now.to_widget(*self.marks.place(mark))

    # pulled

    def _near(self, at: QPointF) -> Mark | None:
        found = []
        for mark in Mark:
            if mark.of_box or self.marks.line is not None:
                away = self._place(mark) - at
                found.append((math.hypot(away.x(), away.y()), mark.of_box, mark.value, mark))
        far, _, _, mark = min(found)
        return mark if far <= NEAR else None

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is None or event.button() != Qt.MouseButton.LeftButton or self._image is None:
            return
        at = event.position()
        self._held = self._near(at)
        if self._held is not None:
            self.chosen, self._off = self._held, self._place(self._held) - at
        self.update()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None or self._image is None:
            return
        if self._held is None:
            near = self._near(event.position())
            self.setCursor(Qt.CursorShape.ArrowCursor if near is None else near.cursor)
            return
        self.marks.move(self._held, *self.now.to_board(event.position() + self._off))
        self.update()
        self.pulled.emit(False)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        if self._held is not None:
            self._held = None
            self.pulled.emit(True)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        step = STEPS.get(Qt.Key(event.key()))
        if event.key() == Qt.Key.Key_Space:
            self.chosen = self.chosen.next
            self.update()
        elif step is not None and self._image is not None:
            far = 10 if event.modifiers() & Qt.KeyboardModifier.ShiftModifier else 1
            x, y = self.marks.place(self.chosen)
            self.marks.move(self.chosen, x + far * step[0], y + far * step[1])
            self.update()
            self.pulled.emit(True)
        else:
            super().keyPressEvent(event)


def _drawn_twice(painter: QPainter, width: float, name: str, draw: Callable[[], object]) -> None:
    """A line that is seen on light and on dark pictures."""
    painter.setBrush(Qt.BrushStyle.NoBrush)
    for pen in (QPen(theme.colour("desk"), width + 2.4), QPen(theme.colour(name), width)):
        painter.setPen(pen)
        draw()


def _round(whole: QRectF, box: QRectF) -> list[QRectF]:
    """What of the whole lies beside the box: above, below, left, right."""
    return [
        QRectF(whole.topLeft(), QPointF(whole.right(), box.top())),
        QRectF(QPointF(whole.left(), box.bottom()), whole.bottomRight()),
        QRectF(QPointF(whole.left(), box.top()), box.bottomLeft()),
        QRectF(box.topRight(), QPointF(whole.right(), box.bottom())),
    ]
