"""The .anole container: a ZIP of board.json, the files the board carries, and a preview."""

from __future__ import annotations

import io
import lzma
import zipfile
import zlib
from collections.abc import Callable
from pathlib import Path
from typing import Any, NamedTuple

import msgspec

from .. import assets
from ..atomic import FileError, read_bytes, write_bytes
from ..isolation.client import never
from ..lettering.carried_fonts import take_in as take_in_fonts
from ..lettering.carried_fonts import with_carried_fonts
from ..model import Asset, Board, ModelError, from_builtins, to_builtins
from ..paint.image_formats import ImageError
from ..paint.picture_files import decoded_asset
from ..text import short
from .stamp import stamp_of
from .unknown import leftover, merged

MEDIA_TYPE = "application/vnd.anole.board+zip"
MAJOR = 1
BROKEN = (
    zipfile.BadZipFile,
    zlib.error,
    lzma.LZMAError,
    EOFError,
    NotImplementedError,
    RuntimeError,
    ValueError,
    OSError,
)
"""What zipfile raises for damaged archives, depending on where the damage is."""
MOST_FILE = 1 << 30
MOST_JSON = 1 << 26
MOST_ASSET = 1 << 29
MOST_UNPACKED, MOST_ENTRIES = 1 << 31, 10_000
"""Bytes and files of a whole container."""


class Document(NamedTuple):
    """A board as read, with what a newer version wrote beside it."""

    board: Board
    unknown: Any = None
    troubles: tuple[str, ...] = ()


def encode(document: Document, preview: bytes | None) -> bytes:
    """The container's bytes, where there is one with a PNG of the board; the same document gives
    the same bytes."""
    data = merged(to_builtins(document.board), document.unknown)
    room = io.BytesIO()
    with zipfile.ZipFile(room, "w", zipfile.ZIP_DEFLATED) as box:
        for name, content, how in (
            ("mimetype", MEDIA_TYPE.encode(), zipfile.ZIP_STORED),
            ("board.json", msgspec.json.format(msgspec.json.encode(data), indent=1), None),
            ("preview.png", preview, zipfile.ZIP_STORED),
        ):
            if content is None:
                continue
            info = zipfile.ZipInfo(name, (1980, 1, 1, 0, 0, 0))
            info.external_attr = 0o644 << 16
            box.writestr(info, content, zipfile.ZIP_DEFLATED if how is None else how)
        for asset in carried(document.board):
            info = zipfile.ZipInfo(entry_of(asset), (1980, 1, 1, 0, 0, 0))
            info.external_attr = 0o644 << 16
            box.writestr(info, assets.get(asset.sha), zipfile.ZIP_STORED)
    return room.getvalue()


def carried(board: Board) -> list[Asset]:
    """The files that go with a board, each once; those nobody has any more are left out."""
    once = {asset.sha: asset for asset in (*board.fonts, *board.assets)}
    return [asset for _, asset in sorted(once.items()) if assets.has(asset.sha)]


def entry_of(asset: Asset) -> str:
    """Name of the archive's entry that holds the asset."""
    suffix = Path(asset.name).suffix.lower()
    return f"assets/{asset.sha}{suffix if suffix[1:].isalnum() else ''}"


def decode(data: bytes, name: str, stop: Callable[[], bool] = never) -> Document:
    """Read a container. Raises FileError naming what is wrong."""
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as box:
            _check_size(box, name)
            kind = _entry(box, "mimetype", 256, name).decode("ascii", "replace").strip()
            if kind != MEDIA_TYPE:
                raise FileError(f"{name} is not an Anole board (it says it is {short(kind, 60)!r})")
            text = _entry(box, "board.json", MOST_JSON, name)
            document = _document(text, name)
            troubles = _take_in(box, document.board, name)
            troubles += _try_pictures(document.board, stop)
    except BROKEN as error:
        raise FileError(
            f"{name} is not an Anole board, or it is cut short: {short(error)}"
        ) from error
    board = with_carried_fonts(document.board)
    return document._replace(board=board, troubles=troubles)


def _check_size(box: zipfile.ZipFile, name: str) -> None:
    entries = box.infolist()
    if len(entries) > MOST_ENTRIES:
        raise FileError(f"{name} holds {len(entries):,} files; {MOST_ENTRIES:,} are the most")
    size = sum(info.file_size for info in entries)
    if size > MOST_UNPACKED:
        raise FileError(
            f"{name} unpacks to {size >> 20:,} MB; {MOST_UNPACKED >> 20:,} are the most"
        )


def _take_in(box: zipfile.ZipFile, board: Board, name: str) -> tuple[str, ...]:
    """Take the carried files in; what is wrong with one of them is told, the board still opens."""
    troubles = []
    for asset in {a.sha: a for a in (*board.fonts, *board.assets)}.values():
        try:
            data = _entry(box, entry_of(asset), MOST_ASSET, name)
        except FileError:
            troubles.append(f"{short(asset.name)} is missing from {name}")
            continue
        except BROKEN:
            data = b""
        if assets.digest(data) != asset.sha:
            troubles.append(f"{short(asset.name)} in {name} is damaged and was left out")
            continue
        assets.put(data)
    return (*troubles, *take_in_fonts(board.fonts))


def _try_pictures(board: Board, stop: Callable[[], bool]) -> tuple[str, ...]:
    """Decode the carried pictures, now and once; what is wrong with one is told."""
    troubles: list[str] = []
    for asset in board.assets:
        if assets.has(asset.sha) and not stop():
            try:
                troubles += decoded_asset(asset.sha, short(asset.name), stop).troubles
            except ImageError as error:
                troubles.append(str(error))
    return tuple(troubles)


def _entry(box: zipfile.ZipFile, entry: str, most: int, name: str) -> bytes:
    try:
        info = box.getinfo(entry)
    except KeyError:
        raise FileError(f"{name} is not an Anole board: it has no {entry}") from None
    if info.file_size > most:
        raise FileError(f"{name}: {entry} is too large ({info.file_size >> 20} MB)")
    with box.open(info) as file:
        return file.read(most + 1)[:most]


def _document(text: bytes, name: str) -> Document:
    try:
        raw = msgspec.json.decode(text)
        _check_version(raw, name)
        board = from_builtins(raw, Board)
    except (msgspec.DecodeError, UnicodeDecodeError, RecursionError) as error:
        raise FileError(f"{name}: board.json is not JSON: {short(error)}") from error
    except ModelError as error:
        raise FileError(f"{name}: {error}") from error
    return Document(board, leftover(raw, to_builtins(board)))


def _check_version(raw: Any, name: str) -> None:
    text = str(raw.get("format", "")) if isinstance(raw, dict) else ""
    major = text.partition("/")[2].partition(".")[0]
    if text.startswith("anole-board/") and major.isdigit() and int(major) > MAJOR:
        raise FileError(
            f"{name} was made by a newer Anole ({short(text, 40)}); this one reads version {MAJOR}"
        )


class Stamped(NamedTuple):
    """A board, and what its file was when it was read."""

    document: Document
    stamp: str


def read_stamped(path: Path, stop: Callable[[], bool] = never) -> Stamped:
    """Read a .anole file. Raises FileError."""
    data = read_bytes(path, MOST_FILE)
    return Stamped(decode(data, short(path.name), stop), stamp_of(path, data))


def read(path: Path) -> Document:
    """Read a .anole file. Raises FileError."""
    return read_stamped(path).document


def write(path: Path, document: Document, preview: bytes | None) -> None:
    """Write a .anole file atomically. Raises FileError."""
    write_bytes(path, encode(document, preview))
