"""Files dropped on the window or pasted: what each kind does."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import TYPE_CHECKING

from PyQt6.QtCore import QMimeData

from ..core.edit.coats import change_coat
from ..core.edit.pieces import change_piece
from ..core.model import Ground, ImagePaint
from ..core.paint.decoding import SUFFIXES
from .controls.asset_choice import take_picture

if TYPE_CHECKING:
    from .window import Window


def use_picture(window: Window, path: Path) -> None:
    """In Coat the chosen coat is painted with it; elsewhere the lowest ground."""
    document = window.document
    sha = take_picture(document, path)
    if sha is None:
        return
    piece, coat = document.piece_id, document.coat_id
    if window.stage == 1 and document.coat is not None and piece and coat:
        paint = ImagePaint(asset=sha)
        document.apply("Picture in the letters", lambda b: change_coat(b, piece, coat, paint=paint))
        return
    ground = next((p.id for p in document.board.pieces if isinstance(p, Ground)), None)
    if ground is not None:
        paint = ImagePaint(asset=sha, frame="board")
        document.apply("Picture as ground", lambda b: change_piece(b, ground, paint=paint))


TAKERS: dict[str, Callable[[Window, Path], object]] = {
    ".anole": lambda window, path: window.files.open(path),
    **{suffix: lambda window, path: use_picture(window, path) for suffix in SUFFIXES},
    **{
        suffix: lambda window, path: window.arrange.fonts.add_file(path)
        for suffix in (".ttf", ".otf", ".woff", ".woff2")
    },
}
MOST = 50
"""Files taken at one drop."""


def files_in(mime: QMimeData | None) -> list[Path]:
    """The files of a drop that something can be done with."""
    urls = mime.urls() if mime is not None else []
    paths = [Path(url.toLocalFile()) for url in urls if url.isLocalFile()]
    return [path for path in paths if path.suffix.lower() in TAKERS][:MOST]


def take(window: Window, paths: list[Path]) -> None:
    """Do with each file what its kind asks for."""
    for path in paths:
        TAKERS[path.suffix.lower()](window, path)
