"""Writing pictures in a thread of its own, with progress and a Cancel that works."""

from __future__ import annotations

from collections.abc import Sequence
from pathlib import Path
from typing import NamedTuple

from PyQt6.QtCore import pyqtSignal

from ...core.atomic import FileError
from ...core.files.exporting import DoesNotFit, Written, write
from ...core.model import Board, Export
from ...core.render.export import TooLarge
from ...core.render.renderer import Cancelled
from ..runtime.background import Threaded
from ..runtime.left_out import LeftOut, title_of
from ..runtime.troubles import Trouble, trouble_of, what


class Order(NamedTuple):
    """A file to write; `shrink`: smaller where no quality fits."""

    path: Path
    export: Export
    shrink: bool = False


class ExportJob(Threaded):
    """`progressed(0..1)`, then `ended(Trouble, path or None)` exactly once: what there is to say.
    Before it `misfit(order)` for each file that no quality keeps under its limit."""

    progressed = pyqtSignal(float)
    misfit = pyqtSignal(object)
    ended = pyqtSignal(object, object)

    def __init__(self, board: Board, orders: Sequence[Order], left_out: LeftOut) -> None:
        super().__init__("anole-export")
        self._left_out = left_out
        self._board, self._orders = board, list(orders)

    @property
    def name(self) -> str:
        """What is written, in a few words."""
        return self._orders[0].path.name if len(self._orders) == 1 else f"{len(self._orders)} files"

    def _run(self) -> None:
        try:
            done = [self._write(n, order) for n, order in enumerate(self._orders)]
        except Cancelled:
            self._say("Stopped; nothing was exported.")
        except (FileError, TooLarge) as error:
            self._say(str(error))
        except MemoryError:
            self._say("There is not enough memory for a picture of that size.")
        except BaseException as error:  # a library's panic too: somebody waits for the end
            message = f"{self.name} could not be exported: {what(error)}"
            self.ended.emit(trouble_of(error, message), None)
        else:
            self._say(self._told(done), self._orders[0].path)

    def _told(self, done: list[Written]) -> str:
        without = ", ".join(title_of(part) for part in self._left_out.of(self._board))
        less = f", without {without}" if without else ""
        size = f"{sum(one.size for one in done) / 1000:,.0f} kB"
        if len(done) > 1:
            return f"{len(done)} files are exported, {size}{less}."
        (one,) = done
        quality = f", quality {one.quality}" if one.quality is not None else ""
        return f"{self.name} is exported, {one.width} × {one.height} px, {size}{quality}{less}."

    def _say(self, message: str, path: Path | None = None) -> None:
        self.ended.emit(Trouble(message, ""), path)

    def _write(self, number: int, order: Order) -> Written:
        try:
            return self._left_out.tried(
                self._board, lambda board: self._written(board, number, order)
            )
        except DoesNotFit:
            self.misfit.emit(order)
            raise

    def _written(self, board: Board, number: int, order: Order) -> Written:
        count = len(self._orders)
        return write(
            order.path,
            board,
            order.export,
            shrink=order.shrink,
            progress=lambda share: self.progressed.emit((number + share) / count),
            stop=self._stop.is_set,
        )
