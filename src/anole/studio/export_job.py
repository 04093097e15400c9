"""Writing a picture in a thread of its own, with progress and a Cancel that works."""

from __future__ import annotations

import threading
from pathlib import Path

from PyQt6.QtCore import QObject, pyqtSignal

from ..core.cache import Cache
from ..core.files import png
from ..core.files.atomic import FileError
from ..core.model import Board
from ..core.render.export import TooLarge, rgba
from ..core.render.renderer import Cancelled, Renderer


class ExportJob(QObject):
    """`progressed(0..1)`, then `ended(message, path or None)` exactly once."""

    progressed = pyqtSignal(float)
    ended = pyqtSignal(str, object)

    def __init__(self, board: Board, path: Path, scale: float, transparent: bool) -> None:
        super().__init__()
        self._board, self.path, self._scale, self._transparent = board, path, scale, transparent
        self._stop = threading.Event()
        self._thread = threading.Thread(target=self._run, name="anole-export", daemon=True)

    def start(self) -> None:
        self._thread.start()

    def cancel(self) -> None:
        self._stop.set()

    def wait(self) -> None:
        if self._thread.is_alive():
            self._thread.join()

    def _run(self) -> None:
        try:
            count = self._write()
        except Cancelled:
            self.ended.emit("Stopped; nothing was written.", None)
        except (FileError, TooLarge) as error:
            self.ended.emit(str(error), None)
        except MemoryError:
            self.ended.emit("There is not enough memory for a picture of that size.", None)
        else:
            self.ended.emit(f"{self.path.name} is written, {count / 1000:,.0f} kB.", self.path)

    def _write(self) -> int:
        pixels = rgba(
            self._board,
            self._scale,
            transparent=self._transparent,
            renderer=Renderer(Cache()),
            progress=self.progressed.emit,
            stop=self._stop.is_set,
        )
        if self._stop.is_set():
            raise Cancelled
        return png.write(self.path, pixels, self._board.dpi * self._scale)
