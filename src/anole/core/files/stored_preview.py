"""The picture that a board's file keeps of it, without reading the board."""

from __future__ import annotations

import zipfile
from pathlib import Path

from ..atomic import FileError, opened, reason
from ..text import short
from .container import BROKEN

MOST_PREVIEW = 1 << 24


def stored_preview(path: Path) -> bytes | None:
    """The PNG in a .anole file, None where it keeps none. Raises FileError, which says what
    is wrong without naming the file."""
    try:
        with opened(path) as whole, zipfile.ZipFile(whole) as box:
            try:
                info = box.getinfo("preview.png")
            except KeyError:
                return None
            if info.file_size > MOST_PREVIEW:
                return None
            with box.open(info) as file:
                return file.read(MOST_PREVIEW)
    except FileNotFoundError:
        raise FileError("not there now") from None
    except OSError as error:
        raise FileError(f"cannot be read: {reason(error)}") from error
    except BROKEN as error:
        raise FileError(f"cannot be read: {short(error)}") from error
