"""Anole from Python: open or begin a board, put words and pieces on it, style them, render. `import anole`
gives what stands here.

    board = anole.open("bout-night.anole")
    board.set_words("Title", "Last lap")
    board.put_on("Title", "cup gold")
    board.export("last-lap.png")
"""

from __future__ import annotations

from pathlib import Path

from ..core.atomic import FileError
from ..core.edit.boards import change_board
from ..core.files import board_file
from ..core.model import Board, ModelError
from .open_board import OpenBoard
from .reading import ReadLook, read_look
from .styling import (
    PathLike,
    find_style,
    keep_style,
    read_pack,
    style,
    styles,
    write_pack,
    write_style,
)
from .values import asset

__all__ = [
    "FileError",
    "ModelError",
    "OpenBoard",
    "ReadLook",
    "asset",
    "find_style",
    "keep_style",
    "new",
    "open",
    "read_look",
    "read_pack",
    "style",
    "styles",
    "write_pack",
    "write_style",
]


def open(path: PathLike) -> OpenBoard:
    """A board from an .anole file. Raises FileError."""
    document = board_file.read(Path(path))
    return OpenBoard(document.board, document.unknown)


def new(width: int = 1280, height: int = 720, dpi: float = 96.0) -> OpenBoard:
    """An empty board, without a ground. Raises ModelError."""
    return OpenBoard(change_board(Board(width=width, height=height), dpi=dpi))
