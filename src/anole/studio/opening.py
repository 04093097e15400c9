"""A board is read in the background; it can be given up, and the one that is open stays till then."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import QObject, QTimer, pyqtSignal

from ..core.atomic import FileError
from ..core.files import board_file
from ..core.text import short
from .background import Background
from .document import Document
from .foot_bar import FootBar
from .troubles import TROUBLES

PATIENCE_MS = 200
"""An opening that is quicker is not mentioned."""


class Opening(QObject):
    """`opened(its path, None for a copy)`."""

    opened = pyqtSignal(object)

    def __init__(self, document: Document, foot: FootBar, parent: QObject) -> None:
        super().__init__(parent)
        self.document, self.foot = document, foot
        self.task: Background | None = None
        self._name = ""
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._soon.setInterval(PATIENCE_MS)
        self._soon.timeout.connect(self._say)

    def start(self, path: Path, copy: bool = False) -> None:
        """Read a board and put it on; what cannot be read is said."""
        self.stop()
        self._name = path.name
        task = self.task = Background(lambda _: board_file.read_stamped(path))
        task.ended.connect(lambda read, error: self._ended(path, copy, read, error))
        task.start()
        self._soon.start()

    def stop(self) -> None:
        """Give up what is being opened; the board that is open stays."""
        task, self.task = self.task, None
        self._soon.stop()
        if task is not None:
            task.cancel()
            self.foot.fall_silent()

    def _say(self) -> None:
        self.foot.show_progress(f"Opening {short(self._name)}", None, self.stop)

    def _ended(
        self, path: Path, copy: bool, read: board_file.Stamped | None, error: Exception | None
    ) -> None:
        self.task = None
        self._soon.stop()
        self.foot.fall_silent()
        if read is not None:
            own = None if copy else path
            self.document.take(read.document, own, "" if copy else read.stamp)
            self.opened.emit(own)
        elif isinstance(error, FileError):
            self.foot.say(str(error))
        elif error is not None:
            TROUBLES.caught(error, f"{path.name} could not be opened: {short(error)}")
