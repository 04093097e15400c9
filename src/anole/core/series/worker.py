"""One row rendered, in whatever process: what the pool here, and a cluster elsewhere, calls."""

from __future__ import annotations

from pathlib import Path
from typing import NamedTuple

import cv2

from .. import bands
from ..atomic import FileError
from ..cache import Cache
from ..files import board_file
from ..files.exporting import Written, write
from ..model import Board
from ..render.export import TooLarge
from ..render.renderer import Renderer
from ..text import short
from .plan import PlannedRow, Setup
from .rows import bound

CACHE = 192 << 20
_kept: dict[Setup, tuple[Board, Renderer]] = {}
_own: list[Setup] = []
"""What this process was begun with."""


class Done(NamedTuple):
    """A row's end: what was written, or what went wrong; and what there is to say of the row."""

    row: PlannedRow
    written: Written | None
    trouble: str
    warnings: tuple[str, ...]


def begin(setup: Setup) -> None:
    """A process that shares a machine with others works in one thread; what its rows share comes to it
    once."""
    bands.use_one_thread()
    cv2.setNumThreads(1)
    _own[:] = [setup]


def render_own_row(row: PlannedRow) -> Done:
    """A row of the series that this process was begun with."""
    return render_row(_own[0], row)


def _opened(setup: Setup) -> tuple[Board, Renderer]:
    """The board and a renderer that keeps what rows share, opened once in a process."""
    if setup not in _kept:
        _kept.clear()
        board = board_file.decode(setup.board, "the board").board
        _kept[setup] = board, Renderer(Cache(CACHE))
    return _kept[setup]


def render_row(setup: Setup, row: PlannedRow) -> Done:
    """Write one row's file; what goes wrong with it is told and stops no other."""
    try:
        board, renderer = _opened(setup)
        made = bound(board, setup.bindings, row.cells, Path(setup.folder))
        written = write(row.path, made.board, setup.export, shrink=True, renderer=renderer)
        return Done(row, written, "", made.warnings)
    except (FileError, TooLarge, MemoryError) as error:
        return Done(row, None, short(str(error) or "there is not enough memory"), ())
    except BaseException as error:  # a library's panic would take the whole pool with it
        trouble = short(error) or type(error).__name__
        return Done(row, None, f"it could not be rendered: {trouble}", ())
