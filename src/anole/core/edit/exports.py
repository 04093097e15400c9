"""The saved exports of a board."""

from __future__ import annotations

import datetime
import re
from typing import Any

import msgspec

from ..files.exporting import ending_of
from ..model import Board, Export
from .checked import replaced

UNSAFE = re.compile(r'[\x00-\x1f<>:"/\\|?*\u202a-\u202e\u2066-\u2069]+')
MOST_NAME = 180
FILLED = frozenset({"board", "name", "width", "height", "date"})
"""What braces in the pattern of a file's name may hold, besides what a table has."""
_SLOT = re.compile(r"\{(\w+)\}")


def export_of(board: Board, export_id: str) -> Export:
    """Raises KeyError."""
    for export in board.exports:
        if export.id == export_id:
            return export
    raise KeyError(export_id)


def add_export(board: Board, export: Export | None = None) -> tuple[Board, str]:
    """One more export, a copy of one or as it is born; returns the board and its id."""
    taken, number = {one.id for one in board.exports}, 1
    while f"export-{number}" in taken:
        number += 1
    fresh = msgspec.structs.replace(export or Export(), id=f"export-{number}")
    return replaced(board, exports=(*board.exports, fresh)), fresh.id


def change_export(board: Board, export_id: str, **fields: Any) -> Board:
    """Set fields of an export. Raises KeyError and ModelError."""
    changed = replaced(export_of(board, export_id), **fields)
    exports = tuple(changed if one.id == export_id else one for one in board.exports)
    return msgspec.structs.replace(board, exports=exports)


def remove_export(board: Board, export_id: str) -> Board:
    """Raises KeyError."""
    export_of(board, export_id)
    exports = tuple(one for one in board.exports if one.id != export_id)
    return msgspec.structs.replace(board, exports=exports)


def safe_name(text: str) -> str:
    """A text as part of a file's name: no folder, no control character, not too long, never empty."""
    plain = UNSAFE.sub("-", text).strip(" .-")
    return plain[:MOST_NAME].strip(" .") or "picture"


def slots(pattern: str) -> list[str]:
    """What stands in the braces of a file name's pattern."""
    return _SLOT.findall(pattern)


def file_name(board: Board, export: Export, size: tuple[int, int], **more: str) -> str:
    """The name of an export's file: its pattern with {board}, {name}, {width}, {height}, {date} and
    whatever else is given filled in; what stands in other braces stays as it is written."""
    known = {
        "board": board.name,
        "name": export.name or export.format,
        "width": str(size[0]),
        "height": str(size[1]),
        "date": datetime.date.today().isoformat(),
        **more,
    }
    pattern = export.file or "{board}"
    text = _SLOT.sub(lambda found: known.get(found[1], found[0]), pattern)
    return safe_name(text) + ending_of(export)
