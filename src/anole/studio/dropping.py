"""Files dropped on the window or pasted: what each kind does."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import TYPE_CHECKING

from PyQt6.QtCore import QMimeData

if TYPE_CHECKING:
    from .window import Window

TAKERS: dict[str, Callable[[Window, Path], object]] = {
    ".anole": lambda window, path: window.open(path),
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
