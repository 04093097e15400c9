"""A changed style put on what wears it in the boards of a folder."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import NamedTuple

from ..atomic import FileError, reason
from ..files import board_file
from ..files.backup import Where, keep_previous
from ..files.preview import preview
from ..isolation.client import never
from ..model import ModelError, Style
from .boards import as_stored
from .wearing import reach

ENDING = ".anole"


class Reached(NamedTuple):
    """Boards that were written, pieces in them, pieces with changes of their own, and what went
    wrong."""

    boards: tuple[Path, ...]
    pieces: int
    left: int
    troubles: tuple[str, ...]

    def __str__(self) -> str:
        """As it is told."""
        said = f"{self.pieces} {_many(self.pieces, 'piece')} on {len(self.boards)} "
        said += f"{_many(len(self.boards), 'board')} changed."
        if self.left:
            said += f" {self.left} with changes of their own stay."
        return said + (f" {self.troubles[0]}" if self.troubles else "")


def _many(count: int, word: str) -> str:
    return word if count == 1 else f"{word}s"


def reach_folder(
    folder: Path,
    style: Style,
    leaving_out: Path | None = None,
    backup: Where = "state",
    stop: Callable[[], bool] = never,
) -> Reached:
    """Every board of a folder, each as it was kept as a backup; one that cannot be read or written
    is told and left, and one board is left out."""
    written, pieces, left, troubles = [], 0, 0, []
    for path in sorted(folder.glob(f"*{ENDING}")):
        if stop() or (leaving_out is not None and path.resolve() == leaving_out.resolve()):
            continue
        try:
            found, own = _reach_file(path, style, backup)
        except (FileError, ModelError) as error:
            troubles.append(str(error))
            continue
        left += own
        pieces += found
        written += [path] if found else []
    return Reached(tuple(written), pieces, left, tuple(troubles))


def _reach_file(path: Path, style: Style, backup: Where) -> tuple[int, int]:
    document = board_file.read(path)
    board, reached, left = reach(document.board, style)
    if reached:
        try:
            keep_previous(path, backup)
        except OSError as error:
            raise FileError(f"{path.name} was left: no backup of it: {reason(error)}") from error
        board_file.write(path, document._replace(board=as_stored(board)), preview(board))
    return len(reached), len(left)
