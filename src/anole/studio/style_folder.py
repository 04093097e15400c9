"""The user's folder of styles, watched: who shows styles hears when a file comes, goes or changes,
whoever wrote it."""

from __future__ import annotations

import os

from PyQt6.QtCore import QFileSystemWatcher, QObject, QTimer, pyqtSignal

from ..core.library.styles import SUFFIX, folder

WAIT_MS = 150
"""Files are copied many at a time."""


class StyleFolder(QObject):
    """`changed`: a moment after the last of several changes. A folder that cannot be made is not
    watched."""

    changed = pyqtSignal()

    def __init__(self, parent: QObject | None = None) -> None:
        super().__init__(parent)
        self._watcher = QFileSystemWatcher(self)
        self._later = QTimer(self)
        self._later.setSingleShot(True)
        self._later.setInterval(WAIT_MS)
        self._later.timeout.connect(self._told)
        self._watcher.directoryChanged.connect(lambda _: self._later.start())
        self._watcher.fileChanged.connect(lambda _: self._later.start())
        home = folder()
        try:
            os.makedirs(home, exist_ok=True)
        except OSError:
            return
        self._watcher.addPath(str(home))
        self._watch_files()

    def _watch_files(self) -> None:
        """A file that is written over in place changes no folder."""
        found = {str(path) for path in folder().glob(f"*{SUFFIX}")}
        fresh = sorted(found - set(self._watcher.files()))
        if fresh:
            self._watcher.addPaths(fresh)

    def _told(self) -> None:
        self._watch_files()
        self.changed.emit()
