"""Work in a thread of its own that ends in one result, and that can be given up."""

from __future__ import annotations

import threading
from collections.abc import Callable

from PyQt6.QtCore import QObject, pyqtSignal

Stop = Callable[[], bool]


class Threaded(QObject):
    """Work in a thread: subclass it and say in _run() what is done there."""

    def __init__(self, name: str, parent: QObject | None = None) -> None:
        super().__init__(parent)
        self._stop = threading.Event()
        self._thread = threading.Thread(target=self._run, name=name, daemon=True)

    def start(self) -> None:
        """Begin, unless it was given up before."""
        if not self._stop.is_set():
            self._thread.start()

    def cancel(self) -> None:
        """Ask the work to end early."""
        self._stop.set()

    @property
    def is_cancelled(self) -> bool:
        """Whether it was given up."""
        return self._stop.is_set()

    @property
    def is_over(self) -> bool:
        """Whether the thread has ended."""
        return not self._thread.is_alive()

    def wait(self, seconds: float | None = None) -> None:
        """Until the thread has ended, or so long: what hangs on a dead mount ends with the program."""
        if self._thread.is_alive():
            self._thread.join(seconds)

    def _run(self) -> None:
        raise AssertionError(type(self).__name__)


class Background(Threaded):
    """`ended(result, error)`, one of them None, exactly once and never after cancel().

    `work` is given a function that says whether it should stop.
    """

    ended = pyqtSignal(object, object)

    def __init__(self, work: Callable[[Stop], object], parent: QObject | None = None) -> None:
        super().__init__("anole-background", parent)
        self._work = work

    def _run(self) -> None:
        try:
            result, error = self._work(self._stop.is_set), None
        except BaseException as caught:  # a library's panic too: somebody waits for the end
            result, error = None, caught
        if not self._stop.is_set():
            self.ended.emit(result, error)
