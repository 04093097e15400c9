"""The wall: many styles on the user's words, each as the board would be with it."""

from __future__ import annotations

import functools
from collections import OrderedDict
from collections.abc import Callable
from typing import Any

from PyQt6.QtCore import QPointF, QRect, QRectF, QSize, Qt, QTimer, pyqtSignal
from PyQt6.QtGui import (
    QContextMenuEvent,
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

from ...core.library.styles import StoredStyle
from ...core.model import Board, Coat, Style
from ..look import theme
from ..look.painting import painting
from ..rendering.worker import Area, Worker
from ..shared.session import aim, ask_menu
from .chip import paint_mark

AREA, GAP, NAME = 236.0 * 133.0, 14, 22
"""Of a tile's picture, px; between tiles; of the name below."""
MARGIN = 2
WHILE_TYPING_MS = 15
ROUGH_FIRST = (1 / 3, 1.0)
"""Of a tile's size: in what sizes its picture is made, one after the other."""
KEYS = {
    Qt.Key.Key_Left: (-1, 0),
    Qt.Key.Key_Right: (1, 0),
    Qt.Key.Key_Up: (0, -1),
    Qt.Key.Key_Down: (0, 1),
}
Dressed = Callable[[Style], Board]


MOST_KEPT = 600
"""Pictures kept by what they show, the ones last seen."""


def _scale(width: float, area: Area | None, board: Board) -> float:
    """By which a board, or an area of it, becomes `width` px wide."""
    return width / (board.width if area is None else area[2] - area[0])


class Wall(QAbstractScrollArea):
    """`taken(stored style)`: by click or Enter; `marked`: another one is pointed at; `above`: the
    pointer by keys left it upwards.

    Pictures are made in the worker's thread: what is seen first, what is scrolled to then. They are
    kept by what they show: `value` of show_words() and the coats."""

    taken = pyqtSignal(object)
    marked = pyqtSignal()
    above = pyqtSignal()

    def __init__(self, worker: Worker, kind: str = "wall") -> None:
        super().__init__()
        self.worker, self.kind = worker, kind
        self.favourites: frozenset[str] = frozenset()
        self.across: int | None = None
        """Tiles in a row; None for as many as there is room for."""
        self.styles: list[StoredStyle] = []
        self.index = 0
        self._images: dict[str, QImage] = {}
        self._asked: set[str] = set()
        self._coats: dict[str, tuple[Coat, ...]] = {}
        self._kept: OrderedDict[Any, QImage] = OrderedDict()
        self._value: Any = None
        self._area: Area | None = None
        self._dressed: Dressed | None = None
        self._aspect = 16 / 9
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setObjectName("wall")
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("Styles on your words: arrows walk, Enter opens a board")
        self.setMouseTracking(True)
        viewport = self.viewport()
        assert viewport is not None
        viewport.setMouseTracking(True)
        viewport.setCursor(Qt.CursorShape.PointingHandCursor)
        # keys that follow each other closely are shown together
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._soon.setInterval(WHILE_TYPING_MS)
        self._soon.timeout.connect(self._ask)
        worker.drawn.connect(self._take)

    # what it shows

    def show_styles(self, styles: list[StoredStyle]) -> None:
        before = self.stored_style
        self.styles = styles
        names = [one.style.name for one in styles]
        name = before.style.name if before is not None else ""
        self.index = names.index(name) if name in names else 0
        coats = {one.style.name: one.style.coats for one in styles}
        self._asked = {n for n in self._asked if coats.get(n) == self._coats.get(n)}
        self._coats = coats
        self._arrange()
        self._soon.start()
        self.marked.emit()

    def show_words(
        self, dressed: Dressed, aspect: float, value: Any = None, area: Area | None = None
    ) -> None:
        """Other words, or another board: `dressed` gives the board with a style, in any thread;
        `value` is what its pictures depend on beside the coats, `area` the part to show, board px."""
        if abs(aspect - self._aspect) > 1e-6:
            self._images.clear()
        self._dressed, self._aspect = dressed, aspect
        self._value, self._area = value, area
        self._asked.clear()
        self.worker.forget(self.kind)
        self._arrange()
        self._soon.start()

    def mark(self, name: str) -> None:
        """Point at the style of that name, at the first where there is none."""
        names = [one.style.name for one in self.styles]
        if self.styles:
            self._choose(names.index(name) if name in names else 0)

    @property
    def stored_style(self) -> StoredStyle | None:
        """The style that is pointed at."""
        return self.styles[self.index] if self.index < len(self.styles) else None

    def rest(self) -> None:
        """Nothing is shown for now: let the pictures go."""
        self._soon.stop()
        self.worker.forget(self.kind)
        self._images.clear()
        self._asked.clear()

    def picture(self, name: str) -> QImage | None:
        """A style's picture as it is shown now."""
        return self._images.get(name)

    # where tiles lie

    @property
    def columns(self) -> int:
        viewport = self.viewport()
        if self.across is not None:
            return self.across
        assert viewport is not None
        wide = (AREA * self._aspect) ** 0.5
        return max(round((viewport.width() - 2 * MARGIN + GAP) / (wide + GAP)), 1)

    @property
    def size_of_picture(self) -> QSize:
        """The columns share the whole width."""
        viewport, columns = self.viewport(), self.columns
        assert viewport is not None
        wide = (viewport.width() - 2 * MARGIN - GAP * (columns - 1)) / columns
        # a board that is very wide or very high keeps within a tile of a common area
        wide = min(wide, 1.25 * (AREA * self._aspect) ** 0.5)
        return QSize(max(int(wide), 8), max(int(wide / self._aspect), 8))

    def tile(self, number: int) -> QRect:
        """A picture's place in the viewport."""
        size, (row, column) = self.size_of_picture, divmod(number, self.columns)
        bar = self.verticalScrollBar()
        assert bar is not None
        x = MARGIN + column * (size.width() + GAP)
        y = MARGIN + row * (size.height() + NAME + GAP) - bar.value()
        return QRect(x, y, size.width(), size.height())

    def at(self, point: QPointF) -> int | None:
        numbers = range(len(self.styles))
        spot = point.toPoint()
        return next(
            (n for n in numbers if self.tile(n).adjusted(0, 0, 0, NAME).contains(spot)), None
        )

    def seen(self) -> list[int]:
        """The tiles of which something is in the viewport."""
        viewport = self.viewport()
        assert viewport is not None
        area = viewport.rect()
        return [n for n in range(len(self.styles)) if self.tile(n).intersects(area)]

    def _arrange(self) -> None:
        bar, viewport = self.verticalScrollBar(), self.viewport()
        assert bar is not None and viewport is not None
        rows = -(-len(self.styles) // self.columns)
        row = self.size_of_picture.height() + NAME + GAP
        bar.setRange(0, max(rows * row + 2 * MARGIN - viewport.height(), 0))
        bar.setPageStep(viewport.height())
        bar.setSingleStep(row // 3)
        viewport.update()

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        self._arrange()
        self._soon.start()

    def scrollContentsBy(self, dx: int, dy: int) -> None:
        viewport = self.viewport()
        assert viewport is not None
        viewport.update()
        self._ask()

    # pictures

    def _ask(self) -> None:
        if self._dressed is None or not self.isVisible():
            return
        fresh = [
            style
            for number in self.seen()
            if (style := self.styles[number].style).name not in self._asked
        ]
        self._asked |= {style.name for style in fresh}
        wanted = [style for style in fresh if not self._recall(style)]
        # all that is seen first roughly, then sharp: between two keys there is time for little
        wide = self.size_of_picture.width() * self.devicePixelRatioF()
        for share in ROUGH_FIRST:
            for style in wanted:
                self.worker.ask_small(
                    (self.kind, style.name, share, self._key(style)),
                    functools.partial(self._dressed, style),
                    functools.partial(_scale, share * wide, self._area),
                    grounds=True,
                    area=self._area,
                )

    def _key(self, style: Style) -> Any:
        """By which a picture is kept; None where nobody says what it depends on."""
        if self._value is None:
            return None
        return self._value, self._area, style.coats, style.setting, self.size_of_picture.width()

    def _recall(self, style: Style) -> bool:
        """Show a picture that was made before."""
        key = self._key(style)
        if key is None or key not in self._kept:
            return False
        self._kept.move_to_end(key)
        self._images[style.name] = self._kept[key]
        return True

    def _take(self, key: Any, image: QImage) -> None:
        if key[0] != self.kind:
            return
        self._images[key[1]] = image
        if key[3] is not None and key[2] == ROUGH_FIRST[-1]:
            self._kept[key[3]] = image
            while len(self._kept) > MOST_KEPT:
                self._kept.popitem(last=False)
        viewport = self.viewport()
        if viewport is not None:
            viewport.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self.viewport()) as painter:
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            for number in self.seen():
                name, box = self.styles[number].style.name, QRectF(self.tile(number))
                image = self._images.get(name)
                painter.fillRect(box, theme.colour("raised"))
                if image is not None:
                    painter.drawImage(box, image)
                lit = number == self.index
                painter.setPen(QPen(theme.colour("leaf" if lit else "line"), 2.5 if lit else 1))
                painter.setBrush(Qt.BrushStyle.NoBrush)
                painter.drawRect(box.adjusted(-0.5, -0.5, 0.5, 0.5))
                if name in self.favourites:
                    paint_mark(painter, QPointF(box.right() - 11, box.top() + 11))
                painter.setFont(theme.font(12))
                painter.setPen(theme.colour("text" if number == self.index else "dim"))
                line = QRectF(box.left(), box.bottom() + 3, box.width(), NAME - 4)
                short = painter.fontMetrics().elidedText(
                    name, Qt.TextElideMode.ElideRight, int(line.width())
                )
                painter.drawText(line, Qt.AlignmentFlag.AlignLeft, short)

    # by hand and by key

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        number = self.at(event.position()) if event is not None else None
        if number is not None and number != self.index:
            self._choose(number)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        number = self.at(event.position()) if event is not None else None
        if number is not None and event is not None and event.button() == Qt.MouseButton.LeftButton:
            self._choose(number)
            self.take()

    def take(self) -> None:
        """Open a board in the style that is pointed at."""
        if self.styles:
            self.taken.emit(self.styles[self.index])

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        number = self.at(QPointF(event.pos())) if event is not None else None
        if event is not None and number is not None:
            self._choose(number)
            ask_menu(self, "style", event.globalPos())

    def _choose(self, number: int) -> None:
        self.index = number
        aim(self)
        self.marked.emit()
        viewport, bar = self.viewport(), self.verticalScrollBar()
        assert viewport is not None and bar is not None
        box = self.tile(number).adjusted(0, -GAP, 0, NAME)
        if box.top() < 0:
            bar.setValue(bar.value() + box.top())
        elif box.bottom() > viewport.height():
            bar.setValue(bar.value() + box.bottom() - viewport.height())
        viewport.update()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        step = KEYS.get(Qt.Key(event.key()))
        if step is not None and self.styles:
            to = self.index + step[0] + step[1] * self.columns
            if to < 0 and step[1]:
                self.above.emit()
            else:
                self._choose(min(max(to, 0), len(self.styles) - 1))
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter, Qt.Key.Key_Space):
            self.take()
        else:
            super().keyPressEvent(event)

    def focusInEvent(self, event: QFocusEvent | None) -> None:
        viewport = self.viewport()
        if viewport is not None:
            viewport.update()

    def focusOutEvent(self, event: QFocusEvent | None) -> None:
        self.focusInEvent(event)
