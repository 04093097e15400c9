"""Boards on disk, as the window opens and saves them."""

from __future__ import annotations

from collections.abc import Callable
from datetime import datetime
from importlib.resources import files
from pathlib import Path

from PyQt6.QtCore import QObject, pyqtSignal
from PyQt6.QtWidgets import QFileDialog, QWidget

from ...core.edit.boards import change_board
from ...core.edit.exports import safe_name
from ...core.files import board_file
from ...core.files.backup import Where, keep_previous, kept_previous
from ...core.files.stamp import changed_since
from ...core.model import Board, Colour, ColourPaint, Ground
from ...core.text import short
from ..look.status_bar import nothing
from .document import Document
from .file_names import ended
from .reading import Reading
from .settings import Settings

BOARDS = "Anole boards (*.anole)"
ENDING = ".anole"
BACKUP: Where = "state"
BACKUPS: dict[Where, str] = {
    "state": "is kept in Anole's own folder",
    "beside": "is kept beside the file",
    "none": "is not kept",
}
Then = Callable[[], object]


def new_board(width: int, height: int, dpi: float = 96.0) -> Board:
    """A board with nothing but a ground."""
    ground = Ground(id="ground", name="Ground", paint=ColourPaint(colour=Colour(24, 42, 60)))
    return Board(width=width, height=height, dpi=dpi, pieces=(ground,))


def demo_folder() -> Path:
    """Where the boards that come with Anole lie."""
    return Path(str(files("anole") / "data" / "boards"))


def demo_boards() -> list[Path]:
    """Their files, by name."""
    return sorted(demo_folder().glob("*.anole"))


class BoardFiles(QObject):
    """`opened(whether it is a fresh one)`: another board is on. `refused`: one cannot be opened, and
    nothing else is. What would lose work asks first, in
    the bar at the foot."""

    opened = pyqtSignal(bool)
    refused = pyqtSignal()

    def __init__(
        self, document: Document, settings: Settings, reading: Reading, window: QWidget
    ) -> None:
        super().__init__(window)
        self.document, self.settings, self._window = document, settings, window
        self.reading, self.status = reading, reading.status

    # another board

    def leave(self, then: Then) -> None:
        """Go on when nothing is unsaved; else ask what becomes of it."""
        if self.document.is_saved:
            then()
            return
        self._window.raise_()
        self.status.ask(
            f"“{short(self.document.title)}” has changes that are not saved.",
            [("Save", lambda: self.save(then)), ("Do not save", then), ("Cancel", nothing)],
        )

    def new(self, width: int, height: int, dpi: float = 96.0, then: Then = nothing) -> None:
        """A new board; `then` follows when it is on."""

        def start() -> None:
            self.document.start(new_board(width, height, dpi))
            self.opened.emit(True)
            then()

        self.leave(start)

    def open(self, path: Path) -> None:
        """Open a board, in the background."""
        self.leave(lambda: self._read(path))

    def open_copy(self, path: Path) -> None:
        """Open a board that saving must not write over."""
        self.leave(lambda: self._read(path, copy=True))

    def _read(self, path: Path, copy: bool = False) -> None:
        def put_on(read: board_file.Stamped) -> None:
            self.document.take(read.document, None if copy else path, "" if copy else read.stamp)
            if not copy:
                self.settings.add_recent(path)
            self.opened.emit(False)

        def failed(error: Exception) -> None:
            if self.document.is_pristine:
                self.refused.emit()
            self._offer_before(path, error)

        self.reading.stop()
        self.reading.read(
            path.name, lambda stop: board_file.read_stamped(path, stop), put_on, failed
        )

    def _offer_before(self, path: Path, error: Exception) -> None:
        """Say what is wrong with a board, and offer the version before where one was kept."""
        before = kept_previous(path)
        if before is None:
            self.status.say(str(error))
            return
        when = datetime.fromtimestamp(before.stat().st_mtime).strftime("%-d %b %Y, %H:%M")
        self.status.ask(
            f"{error}. The version before it, of {when}, is kept.",
            [("Open that one", lambda: self.open_copy(before)), ("Leave it", nothing)],
        )

    def ask_open(self) -> None:
        """Ask for a board, and open it."""
        name, _ = QFileDialog.getOpenFileName(self._window, "Open a board", "", BOARDS)
        if name:
            self.open(Path(name))

    # saving

    def save(self, then: Then = nothing) -> None:
        """Save to the board's file, or ask for one; `then` follows when it is saved."""
        path = self.document.path
        if path is None:
            self.ask_save(then)
        elif changed_since(path, self.document.stamp):
            self.status.ask(
                f"{path.name} was changed by another program since it was opened here.",
                [
                    ("Save as another file", lambda: self.ask_save(then)),
                    ("Write over it", lambda: self._save(path, then)),
                    ("Cancel", nothing),
                ],
            )
        else:
            self._save(path, then)

    def ask_save(self, then: Then = nothing) -> None:
        """Ask where to save."""
        start = str(self.document.path or f"{self.document.title}{ENDING}")
        name, _ = QFileDialog.getSaveFileName(self._window, "Save the board", start, BOARDS)
        if not name:
            return
        path = ended(Path(name), ENDING)
        if path != Path(name) and path.exists():
            # the dialog asked about the name without its ending
            answers = [("Write over it", lambda: self._save(path, then)), ("Cancel", nothing)]
            self.status.ask(f"{path.name} is there already.", answers)
        else:
            self._save(path, then)

    def _save(self, path: Path, then: Then) -> None:
        if self.save_to(path):
            then()

    def save_to(self, path: Path) -> bool:
        """Save; the version before is kept as a backup, where the settings say."""
        try:
            keep_previous(path, self.backup)
        except OSError as error:
            self.status.say(f"The version before could not be kept: {error.strerror or error}")
        if not self.document.save(path):
            return False
        self.settings.add_recent(path)
        return True

    def rename(self, name: str) -> None:
        """Call the board otherwise: its file, once it has one; a file in the way stays."""
        path = self.document.path
        name = name.strip().removesuffix(ENDING)
        if not name or name == self.document.title:
            return
        if path is None:
            self.document.apply("Rename the board", lambda b: change_board(b, name=name))
            return
        there = path.with_name(safe_name(name) + ENDING)
        if there.exists():
            self.status.say(f"{there.name} is there already; the board keeps its name.")
            return
        try:
            path.rename(there)
        except OSError as error:
            self.status.say(f"{path.name} could not be renamed: {error.strerror or error}")
            return
        self.document.moved_to(there)
        self.settings.forget_recent(path)
        self.settings.add_recent(there)

    @property
    def backup(self) -> Where:
        """Where the version before is kept."""
        where = self.settings.get("backup", BACKUP)
        return where if where in BACKUPS else BACKUP
