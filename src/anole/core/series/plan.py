"""What a series is going to write: one file a row, and what of it is there already."""

from __future__ import annotations

import hashlib
import json
import os
from collections.abc import Sequence
from pathlib import Path
from typing import NamedTuple

import msgspec

from ..atomic import FileError, appended, read_bytes, reason
from ..distinct import DistinctNames
from ..edit.exports import FILLED, file_name, slots
from ..files import board_file
from ..files.export_target import target_of
from ..model import Board, Export, to_json
from ..model.series import Binding
from ..text import short
from .tables import Table

DONE, MOST_DONE = ".anole-series", 1 << 26
"""In the folder that is written to: a line for each finished file, by which a series goes on; bytes."""


class Setup(NamedTuple):
    """What all rows share; pickled to other processes."""

    board: bytes
    bindings: tuple[Binding, ...]
    folder: str
    export: Export

    @property
    def mark(self) -> str:
        """A digest of all that every row's picture depends on."""
        parts = (self.board, to_json(self.bindings), to_json(self.export), self.folder.encode())
        return hashlib.sha256(b"\0".join(parts)).hexdigest()[:16]


class PlannedRow(NamedTuple):
    """A row to render: its number from 1, its cells, its file, and a digest of what it shows."""

    number: int
    cells: dict[str, str]
    path: Path
    mark: str


def setup_of(board: Board, bindings: Sequence[Binding], folder: Path, export: Export) -> Setup:
    """A board with what its rows are made with; `folder` is the table's own."""
    data = board_file.encode(board_file.StoredBoard(board), None)
    return Setup(data, tuple(bindings), str(folder), export)


def planned(setup: Setup, board: Board, table: Table, out: Path, pattern: str) -> list[PlannedRow]:
    """Every row with a file name of its own: names that come twice are numbered. Raises FileError
    where the pattern names a column that is not there."""
    _check(pattern, table)
    box = target_of(board, setup.export).box
    export = msgspec.structs.replace(setup.export, file=pattern)
    names = DistinctNames()
    rows, mark = [], setup.mark
    for number, cells in enumerate(map(table.cells, table.rows), 1):
        filled = {_slot(name): value for name, value in cells.items()}
        name = file_name(
            board, export, (box.width, box.height), row=f"{number:03d}", **_unreserved(filled)
        )
        text = json.dumps(cells, sort_keys=True, ensure_ascii=False)
        own = hashlib.sha256(f"{mark} {text}".encode()).hexdigest()[:16]
        rows.append(PlannedRow(number, cells, out / names.file(name), own))
    return rows


def _check(pattern: str, table: Table) -> None:
    """Raises FileError for braces that nothing fills."""
    there = {_slot(column) for column in table.columns} | FILLED | {"row"}
    for slot in slots(pattern):
        if slot not in there:
            raise FileError(
                f"the names of the files have {{{slot}}}, and the table has no such column; it has "
                f"{short(', '.join(table.columns), 160)}: change the names, or add the column"
            )


def _slot(column: str) -> str:
    """A column's name as it stands in braces: letters, digits and underscores."""
    return "".join(c if c.isalnum() else "_" for c in column.strip().lower())


def _unreserved(cells: dict[str, str]) -> dict[str, str]:
    own = FILLED | {"row"}
    return {name: value for name, value in cells.items() if name and name not in own}


def finished(out: Path) -> set[str]:
    """The marks of rows whose files were finished, as "mark name"."""
    try:
        text = read_bytes(out / DONE, MOST_DONE).decode()
    except (FileError, UnicodeDecodeError):
        return set()
    return set(text.splitlines())


def note_finished(out: Path, row: PlannedRow) -> None:
    """Remember that a row's file is whole. Raises FileError."""
    try:
        with appended(out / DONE, make=True) as file:
            file.write(f"{row.mark} {row.path.name}\n".encode())
            file.flush()
            os.fsync(file.fileno())
    except OSError as error:
        raise FileError(f"cannot write {out / DONE}: {reason(error)}") from error


def to_do(rows: Sequence[PlannedRow], out: Path) -> list[PlannedRow]:
    """Those that are not there yet, as they would be now."""
    done = finished(out)
    return [
        row for row in rows if f"{row.mark} {row.path.name}" not in done or not row.path.exists()
    ]
