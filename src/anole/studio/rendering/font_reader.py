"""Reads the system's fonts while the window is already in use."""

from __future__ import annotations

import contextlib
import threading

from PyQt6.QtCore import QObject, pyqtSignal

from ...core import isolation
from ...core.lettering.fonts import take_system
from ...core.lettering.system_fonts import read_system


class FontReader(QObject):
    """`read(count, troubles)` once all are in."""

    read = pyqtSignal(int, object)

    def __init__(self) -> None:
        super().__init__()
        self._over = False
        self._thread = threading.Thread(target=self._work, name="anole-fonts", daemon=True)

    def start(self) -> None:
        """Begin to look for fonts, in a thread of its own."""
        self._thread.start()

    def stop(self) -> None:
        """Look no further, and wait for the thread."""
        self._over = True
        if self._thread.is_alive():
            self._thread.join()

    def _work(self) -> None:
        # the helper takes a second to start; nobody should wait for it later
        with contextlib.suppress(isolation.HelperError):
            isolation.start()
        fonts, troubles = read_system(lambda: self._over)
        if not self._over:
            if fonts:
                take_system(fonts)
            self.read.emit(len(fonts), troubles)
