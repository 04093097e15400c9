"""Files are read in the background, one after the other; what takes long shows at the foot and can be
cancelled."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, NamedTuple, TypeVar

from PyQt6.QtCore import QObject, QTimer

from ...core.atomic import FileError
from ...core.lettering.font_file import FontError
from ...core.paint.image_formats import ImageError
from ...core.text import short
from ..look.status_bar import StatusBar
from ..runtime.background import Background, Stop
from ..runtime.troubles import TROUBLES, what

T = TypeVar("T")
PATIENCE_MS = 200
"""What is quicker is not mentioned."""
EXPECTED = (FileError, ImageError, FontError)
"""Errors that say what is wrong with a file."""


class _Job(NamedTuple):
    name: str
    work: Callable[[Stop], Any]
    done: Callable[[Any], object]
    failed: Callable[[Exception], object] | None


class Reading(QObject):
    """What a window reads."""

    def __init__(self, foot: StatusBar) -> None:
        super().__init__()
        self.status = foot
        self.task: Background | None = None
        self._jobs: list[_Job] = []
        self._name = ""
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._soon.setInterval(PATIENCE_MS)
        self._soon.timeout.connect(self._say)

    @property
    def idle(self) -> bool:
        """Whether nothing is being read and nothing waits."""
        return self.task is None and not self._jobs

    def read(
        self,
        name: str,
        work: Callable[[Stop], T],
        done: Callable[[T], object],
        failed: Callable[[Exception], object] | None = None,
    ) -> None:
        """Do `work` in a thread, then `done` with its result in this one; what is wrong with the
        file is said, by `failed` if there is one."""
        self._jobs.append(_Job(name, work, done, failed))
        self._next()

    def stop(self) -> None:
        """Give up what is being read and what waits."""
        self._jobs.clear()
        task, self.task = self.task, None
        self._soon.stop()
        if task is not None:
            task.cancel()
            self.status.fall_silent()

    def _next(self) -> None:
        if self.task is not None or not self._jobs:
            return
        job = self._jobs.pop(0)
        task = self.task = Background(job.work)
        task.ended.connect(lambda result, error: self._ended(job, result, error))
        task.start()
        self._name = job.name
        self._soon.start()

    def _refuse(self, error: Exception) -> None:
        self.status.say(str(error))

    def _say(self) -> None:
        self.status.show_progress(f"Reading {short(self._name)}", None, self.stop)

    def _ended(self, job: _Job, result: object, error: BaseException | None) -> None:
        self.task = None
        self._soon.stop()
        if not self.status.progress.isHidden():
            self.status.fall_silent()
        try:
            if error is None:
                job.done(result)
            elif isinstance(error, EXPECTED):
                (job.failed or self._refuse)(error)
            else:
                TROUBLES.caught(error, f"{short(job.name)} could not be read: {what(error)}")
        finally:
            # whatever became of this one, others wait
            self._next()
