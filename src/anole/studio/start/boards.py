"""Boards that can be opened from the start page: brought back, recent and demo ones, as cards."""

from __future__ import annotations

import functools
from collections.abc import Callable
from pathlib import Path
from typing import Any

import numpy as np
from PyQt6.QtGui import QImage
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from ...core.arrays import Pixels
from ...core.atomic import FileError
from ...core.files.journal import JournalError, read
from ...core.files.stored_preview import stored_preview
from ...core.model import Board
from ...core.paint.image_formats import ImageError
from ...core.paint.picture_files import decoded
from ..documents.board_files import demo_boards
from ..documents.recovery import found, told
from ..look.pixel_images import image_of
from ..look.plain import Label
from ..look.status_bar import nothing
from ..runtime.background import Background, Stop
from ..runtime.lifetimes import discard
from ..runtime.troubles import TROUBLES
from ..shared.session import Session
from .card import PICTURE, BoardCard

PATIENCE = 2.0
"""Seconds that a file may keep the window from closing."""
Seen = tuple[str, Pixels | str | None]
"""A file, and its picture's px, or what is wrong with it."""


def pictures_of(paths: list[Path], stop: Stop) -> list[Seen]:
    """The pictures that boards keep of themselves; for a thread: files may be slow or gone."""
    seen: list[Seen] = []
    for path in paths:
        if stop():
            break
        try:
            data = stored_preview(path)
            seen.append((str(path), decoded(data, path.name, stop).pixels if data else None))
        except (FileError, ImageError, ValueError) as error:
            seen.append((str(path), str(error)))
    return seen


class BoardCards(QWidget):
    """Filled anew whenever the page is shown."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.cards: dict[str, BoardCard] = {}
        self.demos: list[Path] = []
        self._column = QVBoxLayout(self)
        self._column.setContentsMargins(0, 0, 0, 0)
        self._column.setSpacing(4)
        self._tasks: list[Background] = []
        session.worker.drawn.connect(self._take)

    def fill(self) -> None:
        """Show what there is now; pictures come when they are read."""
        self.rest()
        while self._column.count():
            item = self._column.takeAt(0)
            widget = item.widget() if item is not None else None
            if widget is not None:
                discard(widget)
        self.cards = {}
        self._add_not_closed()
        recent = self.session.settings.recent
        files = self.session.shell.files
        if recent:
            self._head("Recent boards")
        for path in recent:
            card = self._card(
                str(path), path.stem, path.parent.name, str(path), "Remove from this list"
            )
            card.clicked.connect(lambda _=False, p=path: files.open(p))
            card.unwanted.connect(lambda p=path: self._forget(p))
        self._head("Demo boards")
        self.demos = demo_boards()
        for path in self.demos:
            title = path.stem.replace("-", " ").capitalize()
            card = self._card(str(path), title, "to look into and change")
            card.clicked.connect(lambda _=False, p=path: files.open_copy(p))
        self._column.addStretch(1)
        self._start(lambda stop: pictures_of([*recent, *self.demos], stop), self._pictured)

    def rest(self) -> None:
        """The page is left: what is still read is of no use any more."""
        for task in self._tasks:
            task.cancel()

    def stop(self) -> None:
        """The window closes: no thread may outlive it."""
        self.rest()
        for task in self._tasks:
            task.wait(PATIENCE)
        self._tasks = []

    def _start(self, work: Callable[[Stop], object], then: Callable[[Any], None]) -> None:
        self._tasks = [task for task in self._tasks if not task.is_over]
        task = Background(work, self)

        def ended(result: object, error: BaseException | None) -> None:
            # what was asked for before the cards were filled anew is of no use
            if task.is_cancelled:
                return
            if error is None:
                then(result)
            else:
                TROUBLES.caught(error)

        task.ended.connect(ended)
        self._tasks.append(task)
        task.start()

    def _head(self, text: str) -> None:
        label = Label(text)
        label.setObjectName("group")
        self._column.addWidget(label)

    def _card(
        self, key: str, title: str, about: str, where: str = "", removable: str = ""
    ) -> BoardCard:
        card = self.cards[key] = BoardCard(title, about, where, removable)
        self._column.addWidget(card)
        return card

    # what was brought back

    def _add_not_closed(self) -> None:
        there = found()
        if there:
            self._head("Left open last time")
        for path, one in there:
            name = told(one)
            card = self._card(
                str(path), one.name, name.partition("(")[2].rstrip(")"), name, "Throw away"
            )
            card.clicked.connect(
                lambda _=False, p=path: self.session.shell.recovery.bring_back([p])
            )
            card.unwanted.connect(lambda p=path, n=name: self._ask_away(p, n))
            self._start(functools.partial(_last_board, path), functools.partial(self._draw, path))

    def _draw(self, path: Path, board: Board | None) -> None:
        if board is not None:
            scale = min(PICTURE.width() / board.width, PICTURE.height() / board.height)
            ratio = self.devicePixelRatioF()
            self.session.worker.ask_small(("card of", str(path)), board, scale * ratio, True)

    def _ask_away(self, path: Path, name: str) -> None:
        def go() -> None:
            self.session.shell.recovery.throw_away(path)
            self.fill()

        self.session.reading.status.ask(
            f"Throw away what was not saved of {name}?", [("Throw away", go), ("Cancel", nothing)]
        )

    # pictures

    def _forget(self, path: Path) -> None:
        self.session.settings.forget_recent(path)
        self.fill()

    def _pictured(self, seen: list[Seen]) -> None:
        for key, picture in seen:
            card = self.cards.get(key)
            if card is None:
                continue
            if isinstance(picture, str):
                card.show_gone(picture)
            elif picture is not None and picture.dtype == np.uint8:
                card.image = image_of(picture)
                card.update()

    def _take(self, key: Any, image: QImage) -> None:
        if key[0] == "card of" and key[1] in self.cards:
            self.cards[key[1]].image = image
            self.cards[key[1]].update()


def _last_board(path: Path, stop: Stop) -> Board | None:
    try:
        return read(path).history.board
    except JournalError:
        return None
