"""Keeps the open board's history on disk while it is worked on, off the window's thread."""

from __future__ import annotations

import contextlib
import threading
from pathlib import Path
from typing import NamedTuple

from PyQt6.QtCore import QObject, pyqtSignal

from ...core.atomic import FileError, reason
from ...core.files.journal import JournalFolder, JournalWriter, Snapshot
from ..runtime.troubles import TROUBLES
from .document import Document

PAUSE = 1.0
"""Seconds between two writes: a drag of many steps is written a few times."""


class _End(NamedTuple):
    """The board is closed; `stays`: what was done is offered at the next start."""

    stays: bool


class _Adopt(NamedTuple):
    """Go on in the journal of the board that was brought back."""

    folder: JournalFolder


class Journaling(QObject):
    """Follows a document. What cannot be written is said once, and tried again at the next step."""

    failed = pyqtSignal(str)

    def __init__(self, document: Document) -> None:
        super().__init__()
        self.document = document
        self._wake = threading.Condition()
        self._told: list[Snapshot | _End | _Adopt] = []
        self._over = self._busy = self._has_failed = False
        self._writer: JournalWriter | None = None
        self._thread = threading.Thread(target=self._loop, name="anole-journal", daemon=True)
        document.stepped.connect(self._stepped)
        document.saved.connect(self._stepped)
        document.replaced.connect(lambda: self._tell(_End(stays=False)))

    def start(self) -> None:
        """Begin to write, in a thread of its own."""
        self._thread.start()

    def adopt(self, folder: JournalFolder) -> None:
        """Go on in a journal that was brought back."""
        self._tell(_Adopt(folder))
        self._stepped()

    def stop(self, stays: bool) -> None:
        """End the thread when all is written; `stays` leaves the journal for the next start."""
        self._tell(_End(stays))
        with self._wake:
            self._over = True
            self._wake.notify()
        if self._thread.is_alive():
            self._thread.join()

    @property
    def idle(self) -> bool:
        """Whether everything that was done is on the disk."""
        with self._wake:
            return not self._told and not self._busy

    @property
    def path(self) -> Path | None:
        """Where the journal lies; None before the first step."""
        writer = self._writer
        return None if writer is None else writer.folder.path

    def _stepped(self) -> None:
        self._tell(self.document.snapshot())

    def _tell(self, what: Snapshot | _End | _Adopt) -> None:
        with self._wake:
            if self._told and isinstance(what, Snapshot) and isinstance(self._told[-1], Snapshot):
                self._told.pop()
            self._told.append(what)
            self._wake.notify()

    # in the thread

    def _loop(self) -> None:
        while True:
            with self._wake:
                self._busy = False
                while not self._told and not self._over:
                    self._wake.wait()
                if not self._told:
                    return
                what, self._busy = self._told.pop(0), True
            try:
                self._do(what)
                self._has_failed = False
            except (OSError, FileError) as error:
                self._fail(error)
            except BaseException as error:  # the next step is written all the same
                TROUBLES.caught(error, "Crash recovery is off.")
            with self._wake:
                if not self._over and all(isinstance(w, Snapshot) for w in self._told):
                    self._busy = False
                    self._wake.wait_for(self._is_urgent, PAUSE)

    def _is_urgent(self) -> bool:
        return self._over or not all(isinstance(what, Snapshot) for what in self._told)

    def _do(self, what: Snapshot | _End | _Adopt) -> None:
        if isinstance(what, _End):
            self._end(what.stays)
        elif isinstance(what, _Adopt):
            self._end(stays=False)
            self._writer = JournalWriter(what.folder)
        else:
            if self._writer is None:
                self._writer = JournalWriter(JournalFolder())
            self._writer.write(what)

    def _end(self, stays: bool) -> None:
        writer, self._writer = self._writer, None
        if writer is not None:
            with contextlib.suppress(OSError):
                writer.folder.close() if stays else writer.folder.remove()

    def _fail(self, error: OSError | FileError) -> None:
        if not self._has_failed:
            why = reason(error) if isinstance(error, OSError) else str(error)
            self.failed.emit(f"Crash recovery is off: {why}")
        self._has_failed = True
