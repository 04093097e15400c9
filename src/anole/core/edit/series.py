"""The series of a board: its table and what columns are bound to."""

from __future__ import annotations

from typing import Any

import msgspec

from ..model import Board
from ..model.series import Binding, Series
from .checked import replaced


def series_of(board: Board) -> Series:
    """The board's series, an empty one where it has none."""
    return board.series or Series()


def change_series(board: Board, **fields: Any) -> Board:
    """Set fields of the series. Raises ModelError."""
    return replaced(board, series=replaced(series_of(board), **fields))


def set_cell(board: Board, row: int, column: int, text: str) -> Board:
    """Another text in a cell; beyond the last row a new one begins. Raises IndexError, ModelError."""
    series = series_of(board)
    rows = list(series.rows)
    if row == len(rows):
        rows.append(("",) * len(series.columns))
    cells = list(rows[row])
    cells[column] = text
    rows[row] = tuple(cells)
    return change_series(board, rows=tuple(rows))


def remove_rows(board: Board, numbers: set[int]) -> Board:
    """Rows by their places from 0; what is not there is passed over."""
    rows = series_of(board).rows
    return change_series(board, rows=tuple(r for n, r in enumerate(rows) if n not in numbers))


def bind(board: Board, column: str, piece: str, sets: str) -> Board:
    """What a column sets, in place of what it set; an empty piece sets nothing. Raises ModelError."""
    others = tuple(one for one in series_of(board).bindings if one.column != column)
    if not piece:
        return change_series(board, bindings=others)
    fresh = msgspec.convert({"column": column, "piece": piece, "sets": sets}, Binding)
    return change_series(board, bindings=(*others, fresh))


def add_column(board: Board, name: str) -> Board:
    """One more column, empty, under a name that none has."""
    series = series_of(board)
    title, number = name, 2
    while title in series.columns:
        title, number = f"{name} {number}", number + 1
    rows = tuple((*row, "") for row in series.rows)
    return change_series(board, columns=(*series.columns, title), rows=rows)
