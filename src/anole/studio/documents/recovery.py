"""Boards that were open when the program last ended, brought back with all their steps."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import Protocol

from PyQt6.QtCore import QObject

from ...core.files.journal import Journal, JournalError, JournalFolder, folders, read
from ...core.files.journal.reader import About, about
from ...core.text import short
from ..look.status_bar import StatusBar
from ..runtime.background import Background
from ..runtime.troubles import TROUBLES
from .board_files import BoardFiles
from .document import Document
from .journaling import Journaling

Found = list[tuple[Path, About]]


def found() -> Found:
    """Journals that nobody writes any more, the newest first."""
    kept = []
    for path in folders():
        try:
            kept.append((path, about(path)))
        except JournalError:
            continue
    return kept


def told(one: About) -> str:
    """What a journal is called: its board, its steps, and when the last was made."""
    steps = f"{one.steps - 1} step{'' if one.steps == 2 else 's'}"
    state = "saved" if one.is_saved else "not saved"
    when = one.time.astimezone().strftime("%-d %b, %H:%M")
    return f"“{short(one.name)}” ({steps}, {state}, {when})"


class HasRecovery(Protocol):
    """A window, as far as this is concerned."""

    recovery: Recovery


class Recovery(QObject):
    """`another` opens one more window."""

    def __init__(
        self,
        files: BoardFiles,
        journaling: Journaling,
        foot: StatusBar,
        another: Callable[[], HasRecovery],
    ) -> None:
        super().__init__(files)
        self.document: Document = files.document
        self._files, self._journaling, self._foot = files, journaling, foot
        self._another = another
        self.task: Background | None = None

    def offer(self) -> None:
        """Ask whether what was open is wanted back; nothing is thrown away."""
        there = found()
        if not there:
            return
        names = ", ".join(told(one) for _, one in there[:3])
        more = f" and {len(there) - 3} more" if len(there) > 3 else ""
        was = "was" if len(there) == 1 else "were"
        self._foot.ask(
            f"{names}{more} {was} open when Anole last ended without closing.",
            [
                ("Bring back", lambda: self.bring_back([path for path, _ in there])),
                (
                    "Later",
                    lambda: self._foot.say("It stays on the start page: Left open last time."),
                ),
            ],
        )

    def bring_back(self, paths: list[Path]) -> None:
        """The first in this window, where nothing is open here; each other in one of its own."""
        for path in paths:
            if self.task is None and self.document.is_pristine:
                self.start(path)
            else:
                self._another().recovery.start(path)

    def start(self, path: Path) -> None:
        """Put the board of a journal on."""
        try:
            folder = JournalFolder(path)
        except OSError as error:
            self._foot.say(f"This board is open elsewhere, or cannot be read: {error.strerror}")
            return
        task = self.task = Background(lambda _: read(path))
        task.ended.connect(lambda journal, error: self._ended(folder, journal, error))
        task.start()

    def throw_away(self, path: Path) -> None:
        """Forget a journal for good."""
        try:
            JournalFolder(path).remove()
        except OSError as error:
            self._foot.say(f"This board is open elsewhere: {error.strerror}")

    def stop(self) -> None:
        """Give up what is being read; it stays for another time."""
        task, self.task = self.task, None
        if task is not None:
            task.cancel()
            task.wait()

    def _ended(
        self, folder: JournalFolder, journal: Journal | None, error: BaseException | None
    ) -> None:
        self.task = None
        if journal is None:
            folder.close()
            message = f"What was open could not be brought back: {short(error)}"
            if isinstance(error, JournalError):
                self._foot.say(message)
            elif error is not None:
                TROUBLES.caught(error, message)
            return
        self.document.resume(journal)
        self._journaling.adopt(folder)
        self._files.opened.emit(False)
        if journal.lost:
            self._foot.say(f"{journal.lost} of its steps were damaged and are missing.")
