"""Reads looks off one picture in the background: a first answer soon, then the whole of it."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtCore import QObject, pyqtSignal

from ....core.arrays import Pixels
from ...runtime.background import Background, Stop
from ...runtime.troubles import TROUBLES, what

if TYPE_CHECKING:
    from ....core.reading.look import Look
    from ....core.reading.reader import Reader, Wanted


class LookTask(QObject):
    """`read(look, whole)` as it comes; `failed(why)` where there is no look. The newest wish wins."""

    read = pyqtSignal(object, bool)
    failed = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self._reader: Reader | None = None
        self._task: Background | None = None
        self._wanted: Wanted | None = None
        self._wishes = 0
        self._left: Background | None = None
        """The last that was given up; it ends when it hears of it."""

    @property
    def idle(self) -> bool:
        """Whether nothing is being read."""
        return self._task is None and (self._left is None or self._left.is_over)

    def take(self, pixels: Pixels) -> None:
        """Another picture, (H, W, 4) uint8, not premultiplied."""
        from ....core.reading.reader import Reader

        self.stop()
        self._reader = Reader(pixels)

    def stop(self) -> None:
        """Nobody looks any more: the picture is let go of."""
        task, self._task, self._wanted, self._reader = self._task, None, None, None
        self._wishes += 1
        if task is not None:
            task.cancel()
            self._left = task

    def want(self, wanted: Wanted) -> None:
        """Read: first quickly, and then the whole of it unless it is wanted quickly alone."""
        self._wanted = wanted
        self._wishes += 1
        if self._task is None:
            self._begin(quick=True)

    def _begin(self, quick: bool) -> None:
        reader, wanted, wish = self._reader, self._wanted, self._wishes
        if reader is None or wanted is None:
            return

        def stale() -> bool:
            # a first answer is shown though the line has moved on: it follows the hand
            return not quick and wish != self._wishes

        def work(stop: Stop) -> Look:
            return reader.read(wanted._replace(quick=quick), stop=lambda: stop() or stale())

        self._task = task = Background(work)
        task.ended.connect(lambda look, error: self._ended(wish, quick, look, error))
        task.start()

    def _ended(
        self, wish: int, quick: bool, look: Look | None, error: BaseException | None
    ) -> None:
        from ....core.reading.seen import GivenUp, Unreadable

        wanted, self._task = self._wanted, None
        if wanted is None:
            return
        if look is not None:
            self.read.emit(look, not quick)
        elif isinstance(error, Unreadable):
            self.failed.emit(str(error))
        elif error is not None and not isinstance(error, GivenUp):
            TROUBLES.caught(error, f"No look could be read here: {what(error)}")
        if wish != self._wishes:
            self._begin(quick=True)
        elif quick and not wanted.quick and look is not None:
            self._begin(quick=False)
