"""Everything the program reads, by format, the way the program reads it."""

from __future__ import annotations

import contextlib
import os
import tempfile
from collections.abc import Callable
from pathlib import Path

import numpy as np

from anole.core import isolation
from anole.core.atomic import FileError
from anole.core.edit.clipboard import paste
from anole.core.files import board_file, pack_file
from anole.core.files.css.reading import parse
from anole.core.files.css.tokens import CssError
from anole.core.files.journal import JournalError
from anole.core.files.journal import read as read_journal
from anole.core.lettering import font_file, fonts
from anole.core.lettering.fonts import FontError
from anole.core.library import styles
from anole.core.model import Board, ModelError
from anole.core.paint.image_formats import ImageError
from anole.core.paint.picture_files import decoded
from anole.core.render.export import rgba
from anole.core.series import tables

CLEAN = (FileError, ModelError, ImageError, FontError, CssError, JournalError)
"""What a message is made from."""
SMALL = 64
"""px a board that was taken is rendered at."""


def _board(data: bytes) -> None:
    board = board_file.decode(data, "trial.anole").board
    rgba(board, min(1.0, SMALL / max(board.width, board.height)))


def _style(data: bytes) -> None:
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder, "trial.anolestyle")
        path.write_bytes(data)
        styles.read(path)


def _journal(data: bytes) -> None:
    with tempfile.TemporaryDirectory() as folder:
        Path(folder, "steps.log").write_bytes(data)
        read_journal(Path(folder))


def _settings(data: bytes) -> None:
    from anole.studio.documents.settings import Settings

    path = Settings().path
    path.parent.mkdir(parents=True, exist_ok=True)
    path.write_bytes(data)
    settings = Settings()
    _ = settings.recent
    settings.put("theme", "dark")


def _css(data: bytes) -> None:
    parse(data.decode("utf-8", "replace"))


def _clipboard(data: bytes) -> None:
    paste(Board(width=100, height=100), data)


def _picture(data: bytes) -> None:
    decoded(data, "trial")


def _artwork(data: bytes) -> None:
    """Drawn, and its outlines united."""
    decoded(data, "trial")
    try:
        isolation.ask("svg outline", {"name": "trial"}, [np.frombuffer(data, np.uint8)])
    except isolation.Refused as error:
        raise ImageError(str(error)) from error
    except isolation.HelperError as error:
        raise ImageError(f"trial is not used: {error}") from error


def _font(data: bytes) -> None:
    fonts.add(data, "trial.ttf")


def _pack(data: bytes) -> None:
    pack_file.decode(data, "trial.anolepack")


def _table(data: bytes) -> None:
    """As its first bytes say: a spreadsheet is an archive."""
    ending = ".csv" if not data.startswith(b"PK") else ".ods" if b"oasis" in data[:120] else ".xlsx"
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder, f"trial{ending}")
        path.write_bytes(data)
        tables.read(path)


def _odd_path(data: bytes) -> None:
    """A path that is no file, of the kind and with the name that the data says, by each way to read."""
    how, name = (data or b"\0")[0], data[1:].decode("utf-8", "replace")
    name = "".join(c for c in name if c not in "/\0")[:60] or "trial"
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder, name)
        if path.name in (".", ".."):
            return
        ODD[how % len(ODD)](path)
        for reader in (board_file.read, pack_file.read, styles.read, tables.read, font_file.faces):
            with contextlib.suppress(*CLEAN):
                reader(path)


ODD: tuple[Callable[[Path], object], ...] = (
    os.mkfifo,
    lambda path: path.mkdir(),
    lambda path: path.symlink_to("/dev/zero"),
    lambda path: path.symlink_to(path),
    lambda path: path.symlink_to(path.parent / "nothing"),
    lambda path: path.symlink_to("/proc/self/mem"),
)


READERS: dict[str, Callable[[bytes], None]] = {
    "board": _board,
    "style": _style,
    "css gradient": _css,
    "clipboard": _clipboard,
    "journal": _journal,
    "settings": _settings,
    **dict.fromkeys(("png", "jpeg", "webp", "tiff", "avif", "gif"), _picture),
    "svg": _artwork,
    "font": _font,
    "pack": _pack,
    "table": _table,
    "odd path": _odd_path,
}
