"""Writing a picture in a thread of its own, with progress and a Cancel that works."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import pyqtSignal

from ..core.atomic import FileError
from ..core.files import picture
from ..core.model import Board
from ..core.render.export import TooLarge
from ..core.render.renderer import Cancelled
from ..core.text import short
from .background import Threaded
from .left_out import LeftOut, title_of
from .troubles import Trouble, trouble_of


class ExportJob(Threaded):
    """`progressed(0..1)`, then `ended(Trouble, path or None)` exactly once: what there is to say."""

    progressed = pyqtSignal(float)
    ended = pyqtSignal(object, object)

    def __init__(
        self, board: Board, path: Path, scale: float, transparent: bool, left_out: LeftOut
    ) -> None:
        super().__init__("anole-export")
        self._left_out = left_out
        self._board, self.path, self._scale, self._transparent = board, path, scale, transparent

    def _run(self) -> None:
        try:
            count = self._write()
        except Cancelled:
            self._say("Stopped; nothing was exported.")
        except (FileError, TooLarge) as error:
            self._say(str(error))
        except MemoryError:
            self._say("There is not enough memory for a picture of that size.")
        except Exception as error:
            message = f"{self.path.name} could not be exported: {short(error)}"
            self.ended.emit(trouble_of(error, message), None)
        else:
            without = ", ".join(title_of(part) for part in self._left_out.of(self._board))
            less = f", without {without}" if without else ""
            self._say(f"{self.path.name} is exported, {count / 1000:,.0f} kB{less}.", self.path)

    def _say(self, message: str, path: Path | None = None) -> None:
        self.ended.emit(Trouble(message, ""), path)

    def _write(self) -> int:
        return self._left_out.tried(self._board, self._written)

    def _written(self, board: Board) -> int:
        return picture.write(
            self.path,
            board,
            self._scale,
            transparent=self._transparent,
            progress=self.progressed.emit,
            stop=self._stop.is_set,
        )
