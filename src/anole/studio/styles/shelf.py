"""The shelf: the user's words in other styles. Hover shows one, a click puts it on."""

from __future__ import annotations

import functools
from typing import Any

import msgspec
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QImage
from PyQt6.QtWidgets import QFrame, QHBoxLayout, QScrollArea, QWidget

from ...core.edit.wearing import style_of, wear_as
from ...core.library.keeping import free_name, own_names
from ...core.library.sets import FAVOURITES
from ...core.library.styles import is_found
from ...core.model import Coated, Style
from ..commands.dressing import coloured, dressed, mix, mixed_board, wear
from ..foot_bar import nothing
from ..samples import bare, sample, words_of
from ..session import Session
from .chip import CHIP, PICTURE, Chip
from .shelf_side import ShelfSide

AHEAD = 600
"""px beyond what is seen of the row whose pictures are made too."""


class Shelf(QWidget):
    """Chips in a row; those that are seen have their pictures made first."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.document, self.selection = session.document, session.selection
        self.worker = session.worker
        self.setObjectName("bar")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.setFixedHeight(106)
        self.chips: list[Chip] = []
        self._asked: Any = None
        self._waiting: set[Chip] = set()
        self._row_widget = QWidget()
        self._row_widget.setObjectName("panel")
        self._row = QHBoxLayout(self._row_widget)
        self._row.setContentsMargins(0, 0, 0, 0)
        self._row.setSpacing(8)
        self._scroll = QScrollArea()
        self._scroll.setObjectName("panel")
        self._scroll.setFrameShape(QFrame.Shape.NoFrame)
        self._scroll.setWidgetResizable(True)
        self._scroll.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self._scroll.setWidget(self._row_widget)
        self.side = ShelfSide(session)
        self.search, self.save, self.name = self.side.search, self.side.save, self.side.name
        line = QHBoxLayout(self)
        line.setContentsMargins(14, 7, 14, 5)
        line.setSpacing(12)
        line.addWidget(self._scroll, 1)
        line.addWidget(self.side)
        self._connect()
        self.reload()

    def _connect(self) -> None:
        self.side.searched.connect(lambda _: self._filter())
        self.side.saved.connect(self._save)
        self.side.colours.changed.connect(self.refresh)
        bar = self._scroll.horizontalScrollBar()
        assert bar is not None
        bar.valueChanged.connect(lambda _: self._ask_pictures())
        self.document.settled.connect(self.refresh)
        self.selection.changed.connect(self.refresh)
        self.worker.drawn.connect(self._take)
        self.session.styles.changed.connect(self.reload)

    def reload(self) -> None:
        """Other styles in the library, or other marks."""
        for chip in self.chips:
            self._row.removeWidget(chip)
            chip.deleteLater()
        while self._row.count():
            self._row.takeAt(0)
        library = self.session.styles
        marked = set(library.in_set(FAVOURITES))
        self.chips = [Chip(entry) for entry in library.favourites_first]
        for chip in self.chips:
            chip.favourite = chip.stored.style.name in marked
            self._row.addWidget(chip)
            chip.pointed.connect(lambda on, c=chip: self._look(c if on else None))
            chip.clicked.connect(lambda _, c=chip: wear(self.session, c.stored.style))
            chip.mixing.connect(lambda share, c=chip: self._look_mixed(c, share))
            chip.mixed.connect(lambda share, c=chip: self._mix(c, share))
        self._row.addStretch(1)
        self._asked = None
        self._filter()
        self.refresh()

    def _filter(self) -> None:
        """Only the styles that every typed word is found in."""
        for chip in self.chips:
            chip.setVisible(is_found(chip.stored.style, self.search.text()))
        self._ask_pictures()

    def refresh(self) -> None:
        piece = self.selection.coated
        worn = piece.worn.name if piece and piece.worn else None
        for chip in self.chips:
            if chip.worn != (chip.stored.style.name == worn):
                chip.worn = not chip.worn
                chip.update()
        self.side.worn.refresh(piece)
        self.side.colours.refresh()
        whose = self.session.styles.colours
        # the words' own colours, and what lies behind them, change with the board
        of = None if whose == "style" else (whose, self.document.board)
        wanted = (bare(piece, words_of(piece)), self.document.board.lamp, of)
        if self.isVisible() and wanted != self._asked:
            self._asked = wanted
            self._waiting = set(self.chips)
            self._ask_pictures()

    def showEvent(self, event: Any) -> None:
        super().showEvent(event)
        self.refresh()

    def resizeEvent(self, event: Any) -> None:
        super().resizeEvent(event)
        self._ask_pictures()

    def _ask_pictures(self) -> None:
        """The pictures of chips that are seen, or nearly, each once."""
        viewport, bar = self._scroll.viewport(), self._scroll.horizontalScrollBar()
        if not self._waiting or not self.isVisible() or viewport is None or bar is None:
            return
        piece, board = self.selection.coated, self.document.board
        size, end = (PICTURE.width(), PICTURE.height()), bar.value() + viewport.width() + AHEAD
        whose = self.session.styles.colours
        found = [chip for chip in self.chips if not chip.isHidden()]
        for number, chip in enumerate(found):
            # where it will lie: the layout comes to that later
            x = number * (CHIP.width() + self._row.spacing())
            if chip not in self._waiting or not bar.value() - AHEAD <= x <= end:
                continue
            self._waiting.discard(chip)
            make = functools.partial(_sample, piece, chip, board, whose, size)
            self.worker.ask_small(("chip", chip.stored.style.name), make, 2.0)

    def _take(self, key: Any, image: QImage) -> None:
        if key[0] != "chip":
            return
        for chip in self.chips:
            if chip.stored.style.name == key[1]:
                chip.image = image
                chip.update()

    def _look(self, chip: Chip | None) -> None:
        self.document.look_at(None if chip is None else dressed(self.session, chip.stored.style))

    def _look_mixed(self, chip: Chip, share: float) -> None:
        self.document.look_at(mixed_board(self.session, chip.stored.style, share))

    def _mix(self, chip: Chip, share: float) -> None:
        self.document.look_at(None)
        mix(self.session, chip.stored.style, share)

    # saving

    def ask_name(self) -> None:
        piece = self.selection.coated
        if piece is None or not piece.style:
            self.document.said.emit("There is no coat to save: choose a piece that has some.")
            return
        self.side.ask_name(piece)

    def _save(self, name: str, setting: bool) -> None:
        """Under a name that is free; else ask whether that style is meant."""
        if name not in own_names():
            self.save_as(name, setting)
            return
        other = free_name(name)
        self.session.reading.foot.ask(
            f"There is a style called “{name}” already.",
            [
                (f"Save as “{other}”", lambda: self.save_as(other, setting)),
                ("Write over it", lambda: self.save_as(name, setting)),
                ("Do not save", nothing),
            ],
        )

    def save_as(self, name: str, setting: bool = False) -> bool:
        """Save the chosen piece's coats under a name; says what goes wrong."""
        piece_id = self.selection.piece_id
        assert piece_id is not None
        style, old = style_of(self.document.board, piece_id, name, setting), self._own(name)
        if old is not None:
            style = msgspec.structs.replace(old, coats=style.coats, setting=style.setting)
        if not self.session.styles.keep(style):
            return False
        self.document.apply(f"Save {name}", lambda b: wear_as(b, piece_id, style))
        self.side.fold()
        self.document.said.emit(f"The style {name!r} is in your library.")
        return True

    def _own(self, name: str) -> Style | None:
        """The user's style of that name, whose notes and words stay when it is written over."""
        stored = self.session.styles.find(name)
        return stored.style if stored is not None and stored.own else None


def _sample(piece: Coated | None, chip: Chip, board: Any, whose: str, size: tuple[int, int]) -> Any:
    """The board of a chip's picture; made in the worker's thread."""
    style = chip.stored.style
    if piece is not None:
        style = coloured(board, piece.id, style, whose)
    return sample(piece, style.coats, words_of(piece), *size, board)
