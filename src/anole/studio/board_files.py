"""Boards on disk, as the window opens and saves them; unsaved work is kept aside."""

from __future__ import annotations

import contextlib
from collections.abc import Callable
from importlib.resources import files
from pathlib import Path

import platformdirs
from PyQt6.QtCore import QObject, QTimer, pyqtSignal
from PyQt6.QtWidgets import QFileDialog, QWidget

from ..core.edit.boards import as_stored
from ..core.files import board_file
from ..core.files.atomic import FileError
from ..core.files.preview import preview
from ..core.model import Board, Colour, ColourPaint, Ground
from .document import Document
from .settings import Settings

KEEP_MS = 20_000
BOARDS = "Anole boards (*.anole)"


def new_board(width: int, height: int, dpi: float = 96.0) -> Board:
    ground = Ground(id="ground", name="Ground", paint=ColourPaint(colour=Colour(24, 42, 60)))
    return Board(width=width, height=height, dpi=dpi, pieces=(ground,))


def demo_folder() -> Path:
    return Path(str(files("anole") / "data" / "boards"))


def demo_boards() -> list[Path]:
    return sorted(demo_folder().glob("*.anole"))


def saved_path() -> Path:
    return platformdirs.user_state_path("anole") / "autosave" / "unsaved.anole"


def saved_work() -> Path | None:
    """Unsaved work of an earlier time, if there is any."""
    path = saved_path()
    return path if path.exists() else None


class BoardFiles(QObject):
    """`opened(whether it is a fresh one)`: another board is on; `say` tells what went wrong."""

    opened = pyqtSignal(bool)

    def __init__(
        self, document: Document, settings: Settings, window: QWidget, say: Callable[[str], None]
    ) -> None:
        super().__init__(window)
        self.document, self.settings, self._window, self._say = document, settings, window, say
        self._timer = QTimer(self)
        self._timer.timeout.connect(self.keep_work)
        self._timer.start(KEEP_MS)

    def new(self, width: int, height: int, dpi: float = 96.0) -> None:
        self.keep_work()
        self.document.start(new_board(width, height, dpi))
        self.opened.emit(True)

    def _read(self, path: Path) -> bool:
        """Put another board on; unsaved work is kept aside first."""
        self.keep_work()
        if not self.document.open(path):
            return False
        self.settings.add_recent(path)
        return True

    def open(self, path: Path) -> bool:
        """Open a board; False when it could not be read."""
        if not self._read(path):
            return False
        self.opened.emit(False)
        return True

    def open_copy(self, path: Path) -> bool:
        """Open a board that saving must not write over."""
        if not self._read(path):
            return False
        self.document.path = None
        self.settings.put("recent", [str(p) for p in self.settings.recent if p != path])
        self.opened.emit(False)
        return True

    def ask_open(self) -> None:
        name, _ = QFileDialog.getOpenFileName(self._window, "Open a board", "", BOARDS)
        if name:
            self.open(Path(name))

    def save(self) -> None:
        if self.document.path is None:
            self.ask_save()
        else:
            self.save_to(self.document.path)

    def ask_save(self) -> None:
        start = str(self.document.path or f"{self.document.board.name}.anole")
        name, _ = QFileDialog.getSaveFileName(self._window, "Save the board", start, BOARDS)
        if name:
            self.save_to(Path(name).with_suffix(".anole"))

    def save_to(self, path: Path) -> bool:
        if not self.document.save(path):
            return False
        self.settings.add_recent(path)
        with contextlib.suppress(OSError):
            saved_path().unlink()
        return True

    def keep_work(self) -> None:
        """Put unsaved work aside, so that closing or opening loses nothing."""
        if self.document.is_saved:
            return
        path = saved_path()
        try:
            path.parent.mkdir(parents=True, exist_ok=True)
            board = self.document.board
            board_file.write(path, board_file.Document(as_stored(board)), preview(board))
        except (OSError, FileError) as error:
            self._say(f"Unsaved work could not be kept aside: {error}")

    def stop(self) -> None:
        self._timer.stop()
