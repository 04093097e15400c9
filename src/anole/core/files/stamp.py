"""What a file was when it was last read or written, to notice that somebody else wrote to it."""

from __future__ import annotations

import hashlib
import os
from pathlib import Path

from ..atomic import FileError, read_bytes

MOST = 1 << 30


def _look(path: Path) -> str:
    """What tells at a glance that a file is the same. Raises OSError."""
    told = os.stat(path)
    return f"{told.st_ino}-{told.st_size}-{told.st_mtime_ns}"


def stamp_of(path: Path, data: bytes) -> str:
    """The stamp of a file that holds `data`, as text; "" when it is not there."""
    try:
        return f"{_look(path)}-{hashlib.sha256(data).hexdigest()}"
    except OSError:
        return ""


def changed_since(path: Path, stamp: str) -> bool:
    """Whether the file holds something else than when it was stamped. One that is gone, or that
    was never stamped, is not in anybody's way."""
    look, _, digest = stamp.rpartition("-")
    try:
        if not stamp or _look(path) == look:
            return False
        return hashlib.sha256(read_bytes(path, MOST)).hexdigest() != digest
    except OSError:
        return False
    except FileError:
        # it is there and nobody can say what it holds
        return True
