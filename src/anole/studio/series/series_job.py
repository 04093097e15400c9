"""A series written in a thread of its own, which has processes do the work."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from pathlib import Path

from PyQt6.QtCore import pyqtSignal

from ...core.atomic import FileError
from ...core.series.plan import PlannedRow, Setup
from ...core.series.running import run
from ...core.series.worker import Done
from ..runtime.background import Threaded
from ..runtime.troubles import Trouble, trouble_of, what

Plan = tuple[Setup, Sequence[PlannedRow]]


class SeriesJob(Threaded):
    """`progressed(share, words)` after each file; then `ended(Trouble)` exactly once. `plan` gives what
    is to be written, in the thread: a long table takes its time. Raises FileError there."""

    progressed = pyqtSignal(float, str)
    ended = pyqtSignal(object)

    def __init__(self, plan: Callable[[], Plan], out: Path, jobs: int = 0) -> None:
        super().__init__("anole-series")
        self._plan, self._out, self._jobs = plan, out, jobs

    def _told(self, done: Done, count: int, total: int) -> None:
        self.progressed.emit(count / max(total, 1), f"{count} of {total}")

    def _run(self) -> None:
        try:
            setup, rows = self._plan()
            ends = run(
                setup,
                rows,
                self._out,
                jobs=self._jobs,
                told=self._told,
                stop=self._stop.is_set,
            )
        except FileError as error:
            self.ended.emit(Trouble(str(error), ""))
        except BaseException as error:  # a library's panic too: somebody waits for the end
            self.ended.emit(trouble_of(error, f"The series stopped: {what(error)}"))
        else:
            self.ended.emit(Trouble(self._sum(ends, len(rows)), ""))

    def _sum(self, ends: list[Done], total: int) -> str:
        wrong = [done for done in ends if done.trouble]
        before = total - len(ends)
        said = f"{len(ends) - len(wrong)} of {total} files are in {self._out.name}"
        if self.is_cancelled:
            return f"{said}; stopped. Render again to go on where it was."
        said += f", {before} were there already" if before else ""
        if wrong:
            said += f"; row {wrong[0].row.number}: {wrong[0].trouble}"
        return said + "."
