"""The first sheet of a spreadsheet's bytes (ODS, XLSX, XLS and their kin, through python-calamine).

For the helper alone: a file of a kilobyte may ask for more memory than there is.
"""

from __future__ import annotations

import io

from ..atomic import FileError
from ..text import short


def rows_of(data: bytes, name: str) -> list[list[str]]:
    """The cells as text, from the first row and column that have any. Raises FileError."""
    from python_calamine import CalamineWorkbook

    try:
        sheet = CalamineWorkbook.from_filelike(io.BytesIO(data)).get_sheet_by_index(0)
        rows = sheet.to_python(skip_empty_area=True)
    except Exception as error:  # each of its formats has errors of its own
        raise FileError(f"{name} is not a table that can be read: {short(error)}") from error
    return [[_text(cell) for cell in row] for row in rows]


def _text(cell: object) -> str:
    """A cell as it is read: whole numbers without a fraction."""
    if isinstance(cell, float) and cell.is_integer():
        return str(int(cell))
    return str(cell)
