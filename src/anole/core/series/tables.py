"""Tables from files and from the clipboard: CSV of any separator and usual encoding; ODS, XLSX and XLS
by way of the helper."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Sequence
from pathlib import Path
from typing import NamedTuple

import msgspec
import numpy as np

from .. import isolation
from ..atomic import FileError, read_bytes
from ..model.series import MOST_COLUMNS, MOST_ROWS
from ..text import short

MOST_FILE = 1 << 28
SHEETS = (".ods", ".xlsx", ".xls", ".xlsm", ".xlsb")
TEXTS = (".csv", ".tsv", ".txt")
SUFFIXES = (".csv", ".tsv", *SHEETS)
"""Endings that say by themselves that a file is a table."""
SEPARATORS = ",;\t|"
MOST_CELL = 20_000


class Table(NamedTuple):
    """Names of the columns, and rows with as many cells, all text."""

    columns: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]

    def cells(self, row: Sequence[str]) -> dict[str, str]:
        """A row by the names of its columns."""
        return dict(zip(self.columns, row, strict=True))


def read(path: Path) -> Table:
    """The table in a file, of a spreadsheet's first sheet. Raises FileError."""
    kind, data = path.suffix.lower(), read_bytes(path, MOST_FILE)
    if kind in SHEETS:
        return table_of(_sheet_rows(data, path.name), path.name)
    if kind in TEXTS:
        return from_text(_decoded(data, path.name), path.name)
    raise FileError(f"{path.name} is not a table: use {', '.join((*TEXTS, *SHEETS))}, or paste one")


def from_text(text: str, name: str = "the table") -> Table:
    """The table in a text, such as a spreadsheet puts on the clipboard. Raises FileError."""
    plain = text.lstrip("\ufeff")
    head = plain[:8192].split("\n", 1)[0]
    separator = max(SEPARATORS, key=head.count) if any(c in head for c in SEPARATORS) else ","
    csv.field_size_limit(MOST_CELL * 4)
    try:
        rows = csv.reader(io.StringIO(plain, newline=""), delimiter=separator)
        return table_of(rows, name)
    except csv.Error as error:
        raise FileError(f"{name} is not a table that can be read: {error}") from error


def table_of(rows: Iterable[Sequence[str]], name: str) -> Table:
    """Rows as a table: the first has the names of the columns, empty rows are left out. Raises
    FileError."""
    found: list[tuple[str, ...]] = []
    columns: tuple[str, ...] = ()
    for row in rows:
        cells = tuple(cell.strip() for cell in row)
        if not any(cells):
            continue
        if not columns:
            columns = _named(cells, name)
            continue
        if any(len(cell) > MOST_CELL for cell in cells):
            raise FileError(f"{name}: a cell has more than {MOST_CELL:,} letters")
        found.append((*cells[: len(columns)], *[""] * (len(columns) - len(cells))))
        if len(found) > MOST_ROWS:
            raise FileError(f"{name} has more than {MOST_ROWS:,} rows")
    if not columns:
        raise FileError(f"{name} is empty: its first row has the names of the columns")
    return Table(columns, tuple(found))


def _named(cells: tuple[str, ...], name: str) -> tuple[str, ...]:
    """Names for all columns, each once."""
    if len(cells) > MOST_COLUMNS:
        raise FileError(f"{name} has {len(cells):,} columns; {MOST_COLUMNS} are the most")
    names: list[str] = []
    for number, cell in enumerate(cells, 1):
        title = short(cell, 100) or f"column {number}"
        while title in names:
            title = f"{title} {number}"
        names.append(title)
    return tuple(names)


def _decoded(data: bytes, name: str) -> str:
    """Text by its byte order mark, as UTF-8, or else as what spreadsheets of one country wrote."""
    for mark, encoding in (
        (b"\xef\xbb\xbf", "utf-8-sig"),
        (b"\xff\xfe", "utf-16"),
        (b"\xfe\xff", "utf-16"),
    ):
        if data.startswith(mark):
            try:
                return data.decode(encoding)
            except UnicodeDecodeError as error:
                raise FileError(f"{name}: its {encoding} is broken: {error.reason}") from error
    if b"\0" in data:
        raise FileError(f"{name} is not a text: save it as CSV in UTF-8")
    try:
        return data.decode("utf-8")
    except UnicodeDecodeError:
        return data.decode("cp1252", "replace")


def _sheet_rows(data: bytes, name: str) -> list[list[str]]:
    """A spreadsheet's cells, read in the helper. Raises FileError."""
    try:
        _, (packed,) = isolation.ask("spreadsheet", {"name": name}, [np.frombuffer(data, np.uint8)])
        return msgspec.msgpack.decode(packed.tobytes(), type=list[list[str]])
    except isolation.Refused as error:
        raise FileError(str(error)) from error
    except (isolation.HelperError, msgspec.DecodeError, ValueError) as error:
        raise FileError(f"{name} is not read: {error}") from error
