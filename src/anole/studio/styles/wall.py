"""The wall: many styles on the user's words, each as the board would be with it."""

from __future__ import annotations

import functools
from collections import OrderedDict
from collections.abc import Callable
from typing import Any

from PyQt6.QtCore import QPointF, QRectF, QTimer, pyqtSignal
from PyQt6.QtGui import QContextMenuEvent, QImage, QPainter

from ...core.library.styles import StoredStyle
from ...core.model import Board, Coat, Style
from ..look.tile_wall import TileWall
from ..rendering.worker import Area, Worker
from ..shared.session import aim, ask_menu
from .chip import paint_mark

AREA, NAME = 236.0 * 133.0, 22
"""Of a tile's picture, px; of the name below."""
WHILE_TYPING_MS = 15
ROUGH_FIRST = (1 / 3, 1.0)
"""Of a tile's size: in what sizes its picture is made, one after the other."""
Dressed = Callable[[Style], Board]


MOST_KEPT = 600
"""Pictures kept by what they show, the ones last seen."""


def _scale(width: float, area: Area | None, board: Board) -> float:
    """By which a board, or an area of it, becomes `width` px wide."""
    return width / (board.width if area is None else area[2] - area[0])


class Wall(TileWall):
    """`taken(stored style)`: by click or Enter.

    Pictures are made in the worker's thread: what is seen first, what is scrolled to then. They are
    kept by what they show: `value` of show_words() and the coats."""

    taken = pyqtSignal(object)

    def __init__(self, worker: Worker, kind: str = "wall") -> None:
        super().__init__(AREA, NAME)
        self.worker, self.kind = worker, kind
        self.favourites: frozenset[str] = frozenset()
        self.styles: list[StoredStyle] = []
        self._images: dict[str, QImage] = {}
        self._asked: set[str] = set()
        self._coats: dict[str, tuple[Coat, ...]] = {}
        self._kept: OrderedDict[Any, QImage] = OrderedDict()
        self._value: Any = None
        self._area: Area | None = None
        self._dressed: Dressed | None = None
        self.setAccessibleName("Styles on your words: arrows walk, Enter opens a board")
        # keys that follow each other closely are shown together
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._soon.setInterval(WHILE_TYPING_MS)
        self._soon.timeout.connect(self.ask)
        worker.drawn.connect(self._take)

    # what it shows

    def show_styles(self, styles: list[StoredStyle]) -> None:
        """Show these, in this order."""
        before = self.stored_style
        self.styles = styles
        names = [one.style.name for one in styles]
        name = before.style.name if before is not None else ""
        self.index = names.index(name) if name in names else 0
        coats = {one.style.name: one.style.coats for one in styles}
        self._asked = {n for n in self._asked if coats.get(n) == self._coats.get(n)}
        self._coats = coats
        self.arrange()
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
        self.arrange()
        self._soon.start()

    def mark(self, name: str) -> None:
        """Point at the style of that name, at the first where there is none."""
        names = [one.style.name for one in self.styles]
        if self.styles:
            self.choose(names.index(name) if name in names else 0)

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

    # pictures

    def ask(self) -> None:
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
        numbers = (n for n, one in enumerate(self.styles) if one.style.name == key[1])
        for number in numbers:
            self.refresh_tile(number)

    # what each tile is

    def count(self) -> int:
        return len(self.styles)

    def image(self, number: int) -> QImage | None:
        return self._images.get(self.styles[number].style.name)

    def lines(self, number: int) -> tuple[str, ...]:
        return (self.styles[number].style.name,)

    def paint_on(self, painter: QPainter, number: int, box: QRectF) -> None:
        if self.styles[number].style.name in self.favourites:
            paint_mark(painter, QPointF(box.right() - 11, box.top() + 11))

    def pointed(self) -> None:
        aim(self)

    def take(self) -> None:
        """Open a board in the style that is pointed at."""
        if self.styles:
            self.taken.emit(self.styles[self.index])

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        number = self.at(QPointF(event.pos())) if event is not None else None
        if event is not None and number is not None:
            self.choose(number)
            ask_menu(self, "style", event.globalPos())
