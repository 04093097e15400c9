"""The .anole container: a ZIP of board.json, the files the board carries, and a preview."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import Any, NamedTuple

from .. import assets
from ..atomic import FileError, read_bytes, write_bytes
from ..isolation.client import never
from ..lettering.carried_fonts import take_in as take_in_fonts
from ..lettering.carried_fonts import with_carried_fonts
from ..model import Asset, Board, ModelError, from_builtins, to_builtins
from ..paint.image_formats import SVG, ImageError
from ..paint.picture_files import decoded_asset
from ..paint.svg_files import svg_file
from ..text import short
from . import formats  # noqa: F401  boards that are read name them
from .container import (
    BROKEN,
    MOST_ASSET,
    MOST_FILE,
    Container,
    Content,
    entry_of,
    json_text,
    opened,
    written,
)
from .stamp import stamp_of
from .unknown import leftover, merged

MEDIA_TYPE = "application/vnd.anole.board+zip"
WHAT, MAJOR = "an Anole board", 1


class StoredBoard(NamedTuple):
    """A board as read, with what a newer version wrote beside it."""

    board: Board
    unknown: Any = None
    troubles: tuple[str, ...] = ()


def encode(document: StoredBoard, preview: bytes | None) -> bytes:
    """The container's bytes, where there is one with a PNG of the board; the same document gives
    the same bytes."""
    data = merged(to_builtins(document.board), document.unknown)
    small = [Content("preview.png", preview, stored=True)] if preview is not None else []
    files = [
        Content(entry_of(asset), assets.get(asset.sha), stored=True)
        for asset in carried(document.board)
    ]
    return written(MEDIA_TYPE, [Content("board.json", json_text(data)), *small, *files])


def carried(board: Board) -> list[Asset]:
    """The files that go with a board, each once; those nobody has any more are left out."""
    once = {asset.sha: asset for asset in (*board.fonts, *board.assets)}
    return [asset for _, asset in sorted(once.items()) if assets.has(asset.sha)]


def decode(data: bytes, name: str, stop: Callable[[], bool] = never) -> StoredBoard:
    """Read a container. Raises FileError naming what is wrong."""
    with opened(data, name, WHAT, MEDIA_TYPE) as box:
        document = _document(box)
        troubles = _take_in(box, document.board)
        troubles += _try_pictures(document.board, stop)
    board = with_carried_fonts(document.board)
    return document._replace(board=board, troubles=troubles)


def _take_in(box: Container, board: Board) -> tuple[str, ...]:
    """Take the carried files in; what is wrong with one of them is told, the board still opens."""
    troubles = []
    for asset in {a.sha: a for a in (*board.fonts, *board.assets)}.values():
        try:
            data = box.entry(entry_of(asset), MOST_ASSET)
        except FileError:
            troubles.append(f"{short(asset.name)} is missing from {box.name}")
            continue
        except BROKEN:
            data = b""
        if assets.digest(data) != asset.sha:
            troubles.append(f"{short(asset.name)} in {box.name} is damaged and was left out")
            continue
        assets.put(data)
    return (*troubles, *take_in_fonts(board.fonts))


def _try_pictures(board: Board, stop: Callable[[], bool]) -> tuple[str, ...]:
    """Decode the carried pictures, now and once, for the window must not wait for any; what is wrong
    with one is told."""
    troubles: list[str] = []
    for asset in board.assets:
        if assets.has(asset.sha) and not stop():
            try:
                found = decoded_asset(asset.sha, short(asset.name), stop)
                troubles += found.troubles
                if found.format.name == SVG:
                    svg_file(asset.sha)
            except ImageError as error:
                troubles.append(str(error))
    return tuple(troubles)


def _document(box: Container) -> StoredBoard:
    raw = box.json("board.json", "anole-board", MAJOR)
    try:
        board = from_builtins(raw, Board)
    except ModelError as error:
        raise FileError(f"{box.name}: {error}") from error
    return StoredBoard(board, leftover(raw, to_builtins(board)))


class Stamped(NamedTuple):
    """A board, and what its file was when it was read."""

    document: StoredBoard
    stamp: str


def read_stamped(path: Path, stop: Callable[[], bool] = never) -> Stamped:
    """Read a .anole file. Raises FileError."""
    data = read_bytes(path, MOST_FILE)
    return Stamped(decode(data, short(path.name), stop), stamp_of(path, data))


def read(path: Path) -> StoredBoard:
    """Read a .anole file. Raises FileError."""
    return read_stamped(path).document


def write(path: Path, document: StoredBoard, preview: bytes | None) -> None:
    """Write a .anole file atomically. Raises FileError."""
    write_bytes(path, encode(document, preview))
