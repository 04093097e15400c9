"""Work in a thread of its own that ends in one result, and that can be given up."""

from __future__ import annotations

import threading
from collections.abc import Callable

from PyQt6.QtCore import QObject, pyqtSignal

Stop = Callable[[], bool]


class Background(QObject):
    """`ended(result, error)`, one of them None, exactly once and never after cancel().

    `work` is given a function that says whether it should stop.
    """

    ended = pyqtSignal(object, object)

    def __init__(self, work: Callable[[Stop], object], parent: QObject | None = None) -> None:
        super().__init__(parent)
        self._work, self._stop = work, threading.Event()
        self._thread = threading.Thread(target=self._run, name="anole-background", daemon=True)

    def start(self) -> None:
        self._thread.start()

    def cancel(self) -> None:
        """Give up: what it ends in is not told."""
        self._stop.set()

    def wait(self) -> None:
        if self._thread.is_alive():
            self._thread.join()

    def _run(self) -> None:
        try:
            result, error = self._work(self._stop.is_set), None
        except Exception as caught:
            result, error = None, caught
        if not self._stop.is_set():
            self.ended.emit(result, error)
