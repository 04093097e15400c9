"""The library of styles as a window knows it: read, watched, changed in one place. What shows styles
listens to it."""

from __future__ import annotations

import os
from collections.abc import Callable
from pathlib import Path
from typing import TypeVar

from PyQt6.QtCore import QFileSystemWatcher, QObject, QTimer, pyqtSignal

from ...core.atomic import FileError
from ...core.library import keeping, sets, styles, worn_in
from ...core.library.sets import FAVOURITES, StyleSet
from ...core.library.styles import SUFFIX, StoredStyle, folder
from ...core.model import ModelError, Style
from ..runtime.background import Background
from ..runtime.troubles import TROUBLES
from .document import Document

T = TypeVar("T")
WAIT_MS = 150
"""Files are copied many at a time."""
FIRST_MS = 400
AT_ONCE = 40
"""Styles that are read while one waits; more come from a thread."""


class StyleLibrary(QObject):
    """`changed`: other styles, or other sets of them, whoever wrote the files; a moment after the
    last of several changes. What goes wrong is said."""

    changed = pyqtSignal()

    def __init__(self, document: Document) -> None:
        super().__init__(document)
        self._document = document
        self.entries: list[StoredStyle] = []
        self.sets: tuple[StyleSet, ...] = ()
        self.colours = "style"
        """Whose colours styles are put on in: style, words, ground, or a hue in degrees."""
        self._watcher = QFileSystemWatcher(self)
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.setInterval(WAIT_MS)
        self._later.timeout.connect(self._found_changes)
        self._watcher.directoryChanged.connect(lambda _: self._later.start())
        self._watcher.fileChanged.connect(lambda _: self._later.start())
        document.saved.connect(self._remember_where)
        self._task: Background | None = None
        self._read()
        self._watch()

    @property
    def idle(self) -> bool:
        """Whether all styles are read."""
        return self._task is None

    def stop(self) -> None:
        """Give up what is being read."""
        task, self._task = self._task, None
        if task is not None:
            task.cancel()
            task.wait()

    # what there is

    def find(self, name: str) -> StoredStyle | None:
        """The style of exactly that name, or of the one that took its place."""
        names = (name, styles.RENAMED.get(name, name))
        return next((entry for entry in self.entries if entry.style.name in names), None)

    @property
    def favourites_first(self) -> list[StoredStyle]:
        """All styles: the favourites, then the others, each as the library has them."""
        marked = set(self.in_set(FAVOURITES))
        return sorted(self.entries, key=lambda entry: entry.style.name not in marked)

    def is_favourite(self, name: str) -> bool:
        """Whether a style was starred."""
        return name in self.in_set(FAVOURITES)

    def in_set(self, name: str) -> tuple[str, ...]:
        """The names of the styles in a set."""
        return next((one.styles for one in self.sets if one.name == name), ())

    def boards_of(self, name: str) -> tuple[str, ...]:
        """Files of boards on which a style was last seen."""
        try:
            return worn_in.boards(name)
        except FileError:
            return ()

    # changing it

    def keep(self, style: Style) -> bool:
        """Save a style, over one of the same name."""
        return self.did(lambda: styles.keep(keeping.dated(style)))

    def delete(self, style: Style) -> bool:
        """Whether it was done; what went wrong is said."""
        return self.did(lambda: styles.remove(style.name))

    def rename(self, style: Style, name: str) -> bool:
        """Whether it was done; what went wrong is said."""
        return self.did(lambda: keeping.rename(style, name))

    def duplicate(self, style: Style) -> bool:
        """Whether it was done; what went wrong is said."""
        return self.did(lambda: keeping.duplicate(style))

    def put(self, name: str, style: str, inside: bool) -> bool:
        """Take a style into a set or out of it."""
        return self.did(lambda: sets.put(name, style, inside), self._read_sets)

    def mark(self, style: str) -> bool:
        """A favourite, or no longer one."""
        return self.put(FAVOURITES, style, not self.is_favourite(style))

    def did(self, act: Callable[[], object], read: Callable[[], object] | None = None) -> bool:
        """Change files of the library, and `read` what changed, all of it else; says what goes
        wrong."""
        try:
            act()
        except (FileError, ModelError) as error:
            self._document.said.emit(str(error))
            return False
        (read or self._read)()
        self.changed.emit()
        return True

    # files

    def _read(self) -> None:
        """What there is; many styles that are new come from a thread, and until then those are shown
        that come with the program or are known."""
        if styles.unread() > AT_ONCE:
            self.entries = self.entries or list(styles.built_in())
            if self._task is None:
                self._task = Background(lambda _: styles.library(), self)
                self._task.ended.connect(self._came)
                # the window comes first
                QTimer.singleShot(FIRST_MS, self._task.start)
            return
        self._put(*styles.library())

    def _came(self, found: tuple[list[StoredStyle], list[str]] | None, error: object) -> None:
        self._task = None
        if found is None:
            TROUBLES.caught(error)  # type: ignore[arg-type]
            return
        self._put(*found)
        self.changed.emit()
        self._watch()

    def _put(self, entries: list[StoredStyle], troubles: list[str]) -> None:
        self.entries = entries
        for trouble in troubles[:1]:
            self._document.said.emit(trouble)
        self._read_sets()

    def _read_sets(self) -> None:
        try:
            self.sets = sets.all_sets()
        except FileError as error:
            self._document.said.emit(str(error))

    def _found_changes(self) -> None:
        # what this window wrote itself is known already
        before = (self.entries, self.sets)
        self._read()
        if before != (self.entries, self.sets):
            self.changed.emit()
        self._watch()

    def _watch(self) -> None:
        """The folder, for files that come and go; and each file, for what is written into it."""
        there = folder()
        try:
            os.makedirs(there, exist_ok=True)
        except OSError:
            return
        paths = {str(there), *(str(p) for p in there.glob(f"*{SUFFIX}"))}
        paths |= {str(p) for p in (sets.OWN.path,) if p.exists()}
        fresh = paths - {*self._watcher.files(), *self._watcher.directories()}
        if fresh:
            self._watcher.addPaths(sorted(fresh))

    def _remember_where(self) -> None:
        """A board was saved: its styles are worn there."""
        path = self._document.path
        if path is not None:
            try:
                worn_in.remember(worn_in.styles_on(self._document.board), str(Path(path).resolve()))
            except FileError:
                return
