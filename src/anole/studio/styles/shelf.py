"""The shelf: the user's words in other styles. Hover shows one, a click puts it on."""

from __future__ import annotations

import functools
from pathlib import Path
from typing import Any

import msgspec
from PyQt6.QtCore import QMimeData, Qt
from PyQt6.QtGui import QDragEnterEvent, QDropEvent, QImage
from PyQt6.QtWidgets import QHBoxLayout, QWidget

from ...core.edit.wearing import style_of, wear_as
from ...core.library.keeping import free_name, own_names
from ...core.library.sets import FAVOURITES
from ...core.library.styles import StoredStyle, is_found
from ...core.model import Coated, Style
from ...core.paint.image_formats import SUFFIXES
from ..commands.dressing import coloured, dressed, mix, mixed_board, wear
from ..exchange.dropping import files_in
from ..look.status_bar import nothing
from ..rendering.samples import bare, sample, words_of
from ..shared.session import Session
from .chip import PICTURE, Chip
from .chip_row import ChipRow
from .shelf_side import ShelfSide


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
        self.setAcceptDrops(True)
        self.row = ChipRow()
        self._asked: Any = None
        self._images: dict[str, QImage] = {}
        self._waiting: set[str] = set()
        self.side = ShelfSide(session)
        self.search, self.save, self.name = self.side.search, self.side.save, self.side.name
        line = QHBoxLayout(self)
        line.setContentsMargins(14, 7, 14, 5)
        line.setSpacing(12)
        line.addWidget(self.row, 1)
        line.addWidget(self.side)
        self._connect()
        self.reload()

    def _connect(self) -> None:
        self.row.made.connect(self._made)
        self.row.scrolled.connect(self._ask_pictures)
        self.side.searched.connect(lambda _: self.reload())
        self.side.saved.connect(self._save)
        self.side.colours.changed.connect(self.refresh)
        self.document.settled.connect(self.refresh)
        self.selection.changed.connect(self.refresh)
        self.worker.drawn.connect(self._take)
        self.session.styles.changed.connect(self._changed)

    @property
    def chips(self) -> list[Chip]:
        """Those that are seen, or nearly, from the left."""
        return self.row.chips

    @property
    def shown(self) -> list[StoredStyle]:
        """The styles of the row, seen or not."""
        return self.row.styles

    def _changed(self) -> None:
        """Other styles in the library, or other marks."""
        self._asked = None
        self.reload()
        self.refresh()

    def reload(self) -> None:
        """Those styles that every typed word is found in."""
        library, text = self.session.styles, self.search.text()
        found = [one for one in library.favourites_first if is_found(one.style, text)]
        self.row.show_styles(found, frozenset(library.in_set(FAVOURITES)))
        self._ask_pictures()

    def _made(self, chip: Chip) -> None:
        chip.image = self._images.get(chip.stored.style.name)
        chip.worn = chip.stored.style.name == self._worn
        chip.pointed.connect(lambda on, c=chip: self._look(c if on else None))
        chip.clicked.connect(lambda _, c=chip: wear(self.session, c.stored.style))
        chip.mixing.connect(lambda share, c=chip: self._look_mixed(c, share))
        chip.mixed.connect(lambda share, c=chip: self._mix(c, share))

    @property
    def _worn(self) -> str | None:
        piece = self.selection.coated
        return piece.worn.name if piece and piece.worn else None

    def refresh(self) -> None:
        """Show which styles there are, and which one is worn."""
        piece = self.selection.coated
        worn = self._worn
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
            self._waiting = {one.style.name for one in self.session.styles.entries}
            self._ask_pictures()

    def showEvent(self, event: Any) -> None:
        super().showEvent(event)
        self.refresh()

    def _ask_pictures(self) -> None:
        """The pictures of chips that are seen, or nearly, each once."""
        if not self._waiting or not self.isVisible():
            return
        piece, board = self.selection.coated, self.document.board
        size = (PICTURE.width(), PICTURE.height())
        whose = self.session.styles.colours
        for chip in self.chips:
            name = chip.stored.style.name
            if name in self._waiting:
                self._waiting.discard(name)
                make = functools.partial(_sample, piece, chip.stored, board, whose, size)
                self.worker.ask_small(("chip", name), make, 2.0)

    def _take(self, key: Any, image: QImage) -> None:
        if key[0] != "chip":
            return
        self._images[key[1]] = image
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

    # a picture of finished lettering, dropped

    def dragEnterEvent(self, event: QDragEnterEvent | None) -> None:
        if event is not None and _pictures(event.mimeData()):
            event.acceptProposedAction()

    def dropEvent(self, event: QDropEvent | None) -> None:
        paths = _pictures(event.mimeData()) if event is not None else []
        if event is not None and paths:
            event.acceptProposedAction()
            self.session.shell.read_look(paths[0])

    # saving

    def ask_name(self) -> None:
        """Ask what the chosen piece's coats are to be called as a style."""
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
        self.session.reading.status.ask(
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


def _pictures(mime: QMimeData | None) -> list[Path]:
    return [path for path in files_in(mime) if path.suffix.lower() in SUFFIXES]


def _sample(
    piece: Coated | None, stored: StoredStyle, board: Any, whose: str, size: tuple[int, int]
) -> Any:
    """The board of a chip's picture; made in the worker's thread."""
    style = stored.style
    if piece is not None:
        style = coloured(board, piece.id, style, whose)
    return sample(piece, style.coats, words_of(piece), *size, board)
