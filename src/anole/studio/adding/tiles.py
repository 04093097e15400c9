"""Additions as tiles, each on the user's own words over their own ground."""

from __future__ import annotations

import functools
from collections.abc import Sequence
from typing import Any

from PyQt6.QtCore import QEvent, pyqtSignal
from PyQt6.QtGui import QImage, QMouseEvent

from ...core.box import Box
from ...core.model import Board
from ...core.text import capital
from ..look.pixel_images import image_of
from ..look.tile_wall import TileWall
from ..rendering.worker import Area, Worker, scaled_box
from .addition import Addition
from .strength import Shown, shown

AREA, UNDER = 150.0 * 84.0, 48
KIND = "adding"


class AdditionTiles(TileWall):
    """`taken(addition, way)`: by click or Enter; `looked(way)`: one that does it is pointed at; None, no
    more. What is put on is what is seen."""

    taken = pyqtSignal(object, object)
    looked = pyqtSignal(object)

    def __init__(self, worker: Worker) -> None:
        super().__init__(AREA, UNDER)
        self.worker = worker
        self.additions: list[Addition] = []
        self._board: Board | None = None
        self._version, self._looking = 0, False
        self._areas: dict[str, Area] = {}
        self._images: dict[str, QImage] = {}
        self._shown: dict[str, Shown] = {}
        self._asked: set[str] = set()
        self.setAccessibleName("What can be added: arrows walk, Enter adds it")
        worker.done.connect(self._take)

    def show_board(self, board: Board, words: Area) -> None:
        """Another board; `words` is the area of it that shows what coats do, board px."""
        if board != self._board:
            self._board = board
            self._version += 1
            self._asked.clear()
            self._shown.clear()
            self.worker.forget(KIND)
        whole = (0.0, 0.0, float(board.width), float(board.height))
        self._areas = {"piece": whole, "mark": whole, "": words}
        self._lay()
        self.ask()

    def show_additions(self, additions: Sequence[Addition]) -> None:
        """Those to choose from."""
        self.additions, self.index, self._looking = list(additions), 0, False
        self._lay()
        bar = self.verticalScrollBar()
        if bar is not None:
            bar.setValue(0)
        self.ask()

    def _lay(self) -> None:
        """Tiles of the shape that the first one's picture has."""
        area = self._area(self.additions[0]) if self.additions and self._areas else None
        if area is not None:
            self._aspect = (area[2] - area[0]) / (area[3] - area[1])
        self.arrange()

    def _area(self, addition: Addition) -> Area:
        """What of the board its picture shows."""
        return self._areas.get(addition.kind, self._areas[""])

    def rest(self) -> None:
        """Nothing is shown for now: let the pictures go."""
        self.worker.forget(KIND)
        self._board = None
        for kept in (self._images, self._shown, self._asked):
            kept.clear()

    # what each tile is

    def count(self) -> int:
        return len(self.additions)

    def image(self, number: int) -> QImage | None:
        return self._images.get(self.additions[number].id)

    def lines(self, number: int) -> tuple[str, ...]:
        addition = self.additions[number]
        return capital(addition.name), capital(addition.why or addition.about)

    def heading(self, number: int) -> str:
        return self.additions[number].family

    @property
    def addition(self) -> Addition | None:
        """What is pointed at."""
        return self.additions[self.index] if self.index < len(self.additions) else None

    def _way(self, addition: Addition) -> Any:
        found = self._shown.get(addition.id)
        return found.make if found is not None else addition.make

    def pointed(self) -> None:
        addition = self.addition
        if addition is not None and not addition.why:
            self.looked.emit(self._way(addition))

    def take(self) -> None:
        addition = self.addition
        if addition is not None:
            self.taken.emit(addition, self._way(addition))

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        # the marked one too, when the pointer comes back to it
        number = self.at(event.position()) if event is not None else None
        if number is not None and (number != self.index or not self._looking):
            self._looking = True
            self.choose(number)

    def leaveEvent(self, event: QEvent | None) -> None:
        self._looking = False
        self.looked.emit(None)

    # pictures

    def ask(self) -> None:
        board = self._board
        if board is None or not self.isVisible():
            return
        wide = self.size_of_picture.width() * self.devicePixelRatioF()
        for number in self.seen():
            addition = self.additions[number]
            if addition.why or addition.id in self._asked:
                continue
            self._asked.add(addition.id)
            area = self._area(addition)
            self.worker.ask(
                (KIND, addition.id, self._version),
                functools.partial(_picture, addition=addition, board=board, area=area, wide=wide),
            )

    def _take(self, key: Any, found: Shown) -> None:
        if key[0] == KIND and key[2] == self._version:
            self._shown[key[1]] = found
            self._images[key[1]] = image_of(found.pixels)
            for number in (n for n, one in enumerate(self.additions) if one.id == key[1]):
                self.refresh_tile(number)


def _picture(worker: Worker, addition: Addition, board: Board, area: Area, wide: float) -> Shown:
    """In the worker's thread."""
    scale = wide / (area[2] - area[0])
    box: Box = scaled_box(area, scale)

    def render(made: Board) -> Any:
        return worker.small(made, scale, False, box)

    return shown(addition, board, render(board), render)
