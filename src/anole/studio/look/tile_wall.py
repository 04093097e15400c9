"""Pictures in rows, each with its name beneath it, walked by pointer and arrows."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRect, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import (
    QFocusEvent,
    QImage,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
    QResizeEvent,
)
from PyQt6.QtWidgets import QAbstractScrollArea, QFrame

from . import theme
from .painting import painting

GAP, HEAD, MARGIN = 14, 30, 2
"""px between tiles; of a heading; round all."""
KEYS = {
    Qt.Key.Key_Left: (-1, 0),
    Qt.Key.Key_Right: (1, 0),
    Qt.Key.Key_Up: (0, -1),
    Qt.Key.Key_Down: (0, 1),
}


class TileWall(QAbstractScrollArea):
    """`marked`: another tile is pointed at; `above`: the pointer by keys left it upwards.

    Subclasses say how many tiles there are, what stands on and beneath each, what seeing them asks
    for, and what a click or Enter does. area : px of a tile's picture; under : px of the lines
    beneath it."""

    marked = pyqtSignal()
    above = pyqtSignal()

    def __init__(self, area: float, under: int) -> None:
        super().__init__()
        self._area_of_tile, self._under = area, under
        self.across: int | None = None
        """Tiles in a row; None for as many as there is room for."""
        self.index = 0
        self._aspect = 16 / 9
        self._places: list[QRect] = []
        self._heads: list[tuple[int, str]] = []
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setObjectName("wall")
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setMouseTracking(True)
        viewport = self.viewport()
        assert viewport is not None
        viewport.setMouseTracking(True)
        viewport.setCursor(Qt.CursorShape.PointingHandCursor)

    # what subclasses say

    def count(self) -> int:
        """How many tiles there are."""
        raise AssertionError(type(self).__name__)

    def image(self, number: int) -> QImage | None:
        """A tile's picture, once it is made."""
        raise AssertionError(type(self).__name__)

    def lines(self, number: int) -> tuple[str, ...]:
        """What stands beneath it: its name first."""
        raise AssertionError(type(self).__name__)

    def heading(self, number: int) -> str:
        """What the tiles from this one on are; one that differs from the last begins a new row."""
        return ""

    def paint_on(self, painter: QPainter, number: int, box: QRectF) -> None:
        """More on a tile's picture."""

    def ask(self) -> None:
        """Other tiles may be seen now."""

    def take(self) -> None:
        """Do what a click or Enter does."""

    def pointed(self) -> None:
        """Another tile is pointed at."""

    # where tiles lie

    @property
    def columns(self) -> int:
        """How many tiles stand in a row."""
        viewport = self.viewport()
        if self.across is not None:
            return self.across
        assert viewport is not None
        wide = (self._area_of_tile * self._aspect) ** 0.5
        return max(round((viewport.width() - 2 * MARGIN + GAP) / (wide + GAP)), 1)

    @property
    def size_of_picture(self) -> QSize:
        """The columns share the whole width."""
        viewport, columns = self.viewport(), self.columns
        assert viewport is not None
        wide = (viewport.width() - 2 * MARGIN - GAP * (columns - 1)) / columns
        # what is very wide or very high keeps within a tile of a common area
        wide = min(wide, 1.25 * (self._area_of_tile * self._aspect) ** 0.5)
        return QSize(max(int(wide), 8), max(int(wide / self._aspect), 8))

    def tile(self, number: int) -> QRect:
        """A picture's place in the viewport."""
        bar = self.verticalScrollBar()
        assert bar is not None
        return self._places[number].translated(0, -bar.value())

    def at(self, point: QPointF) -> int | None:
        """The tile at a point of the viewport."""
        spot = point.toPoint()
        return next(
            (
                number
                for number in range(self.count())
                if self.tile(number).adjusted(0, 0, 0, self._under).contains(spot)
            ),
            None,
        )

    def seen(self) -> list[int]:
        """The tiles of which something is in the viewport."""
        viewport = self.viewport()
        assert viewport is not None
        area = viewport.rect()
        return [n for n in range(self.count()) if self.tile(n).intersects(area)]

    def arrange(self) -> None:
        """Lay the tiles anew."""
        bar, viewport = self.verticalScrollBar(), self.viewport()
        assert bar is not None and viewport is not None
        size, columns = self.size_of_picture, self.columns
        step = size.height() + self._under + GAP
        self._places, self._heads = [], []
        y, column, heading = MARGIN, 0, ""
        for number in range(self.count()):
            title = self.heading(number)
            if column == columns or (title != heading and column):
                y, column = y + step, 0
            if title != heading:
                heading = title
                self._heads.append((y, title))
                y += HEAD
            x = MARGIN + column * (size.width() + GAP)
            self._places.append(QRect(x, y, size.width(), size.height()))
            column += 1
        high = y + (step if self._places else 0)
        bar.setRange(0, max(high + MARGIN - viewport.height(), 0))
        bar.setPageStep(viewport.height())
        bar.setSingleStep(step // 3)
        viewport.update()

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        self.arrange()
        self.ask()

    def scrollContentsBy(self, dx: int, dy: int) -> None:
        self.refresh()
        self.ask()

    def refresh(self) -> None:
        """Paint all of it again."""
        viewport = self.viewport()
        if viewport is not None:
            viewport.update()

    def refresh_tile(self, number: int) -> None:
        """Paint one tile again."""
        viewport = self.viewport()
        if viewport is not None and number < len(self._places):
            viewport.update(self._painted(number))

    def _painted(self, number: int) -> QRect:
        """All that a tile paints, with its rim and its lines."""
        return self.tile(number).adjusted(-3, -3, 3, self._under)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        bar, viewport = self.verticalScrollBar(), self.viewport()
        assert bar is not None and viewport is not None
        area = event.rect() if event is not None else viewport.rect()
        with painting(viewport) as painter:
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            painter.setFont(theme.font(13, bold=True))
            painter.setPen(theme.colour("text"))
            for y, title in self._heads:
                line = QRectF(MARGIN, y - bar.value(), self.width(), HEAD - 8)
                painter.drawText(line, Qt.AlignmentFlag.AlignVCenter, title)
            for number in self.seen():
                if self._painted(number).intersects(area):
                    self._paint_tile(painter, number)

    def _paint_tile(self, painter: QPainter, number: int) -> None:
        box, image = QRectF(self.tile(number)), self.image(number)
        painter.fillRect(box, theme.colour("raised"))
        if image is not None:
            painter.drawImage(_within(box, image), image)
        lit = number == self.index
        self.paint_on(painter, number, box)
        painter.setPen(QPen(theme.colour("leaf" if lit else "line"), 2.5 if lit else 1))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.drawRect(box.adjusted(-0.5, -0.5, 0.5, 0.5))
        name, *more = self.lines(number)
        painter.setFont(theme.font(12))
        painter.setPen(theme.colour("text" if lit else "dim"))
        metrics = painter.fontMetrics()
        name = metrics.elidedText(name, Qt.TextElideMode.ElideRight, int(box.width()))
        room = QRectF(box.left(), box.bottom() + 3, box.width(), self._under - 4)
        painter.drawText(room, Qt.AlignmentFlag.AlignLeft, name)
        if more:
            painter.setFont(theme.font(11))
            painter.setPen(theme.colour("dim"))
            room.setTop(room.top() + metrics.height())
            painter.drawText(room, Qt.TextFlag.TextWordWrap, more[0])

    # by hand and by key

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        number = self.at(event.position()) if event is not None else None
        if number is not None and number != self.index:
            self.choose(number)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        number = self.at(event.position()) if event is not None else None
        if number is not None and event is not None and event.button() == Qt.MouseButton.LeftButton:
            self.choose(number)
            self.take()

    def choose(self, number: int) -> None:
        """Point at a tile, and bring it into view."""
        before, self.index = self.index, number
        self.pointed()
        self.marked.emit()
        viewport, bar = self.viewport(), self.verticalScrollBar()
        assert viewport is not None and bar is not None
        box = self.tile(number).adjusted(0, -GAP, 0, self._under)
        if box.top() < 0:
            bar.setValue(bar.value() + box.top())
        elif box.bottom() > viewport.height():
            bar.setValue(bar.value() + box.bottom() - viewport.height())
        self.refresh_tile(before)
        self.refresh_tile(number)

    def walk(self, across: int, down: int) -> None:
        """Go so many tiles to the right, and rows down; up out of the first row leaves it."""
        if not down:
            self.choose(min(max(self.index + across, 0), self.count() - 1))
            return
        here = self._places[self.index]
        rows = sorted({place.y() for place in self._places})
        row = rows.index(here.y()) + down
        if row < 0:
            self.above.emit()
        elif row < len(rows):
            there = [n for n, place in enumerate(self._places) if place.y() == rows[row]]
            self.choose(min(there, key=lambda n: abs(self._places[n].x() - here.x())))
        elif down > 0:
            self.choose(self.count() - 1)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        step = KEYS.get(Qt.Key(event.key()))
        if step is not None and self.count():
            self.walk(*step)
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter, Qt.Key.Key_Space):
            self.take()
        else:
            super().keyPressEvent(event)

    def focusInEvent(self, event: QFocusEvent | None) -> None:
        self.refresh()

    def focusOutEvent(self, event: QFocusEvent | None) -> None:
        self.refresh()


def _within(box: QRectF, image: QImage) -> QRectF:
    """Where a picture lies in a tile's box: all of it, or in its middle where its shape is another."""
    share = min(box.width() / image.width(), box.height() / image.height())
    wide, high = image.width() * share, image.height() * share
    if box.width() - wide < 2 and box.height() - high < 2:
        return box
    return QRectF(box.center().x() - wide / 2, box.center().y() - high / 2, wide, high)
