"""Picture files that the board takes in."""

from __future__ import annotations

from pathlib import Path

from ..core.atomic import FileError, read_bytes
from ..core.edit.pictures import ImageError, add_picture
from .document import Document

MOST_BYTES = 1 << 29


def take_picture(document: Document, path: Path) -> str | None:
    """Let the board carry a picture file; returns its SHA-256, or says what is wrong with it."""
    try:
        board, sha, troubles = add_picture(document.board, read_bytes(path, MOST_BYTES), path.name)
    except (FileError, ImageError) as error:
        document.said.emit(str(error))
        return None
    document.apply(f"Add picture {path.name}", lambda _: board)
    for trouble in troubles:
        document.said.emit(trouble)
    return sha
