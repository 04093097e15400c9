"""ZIP files of ours: a stored `mimetype` first, JSON, and the files that it names by SHA-256. They may
come from anybody: nothing is unpacked to disk, and everything is counted before it is read."""

from __future__ import annotations

import contextlib
import io
import lzma
import shutil
import stat
import zipfile
import zlib
from collections.abc import Iterable, Iterator
from pathlib import Path
from typing import Any, BinaryIO, NamedTuple

import msgspec

from ..atomic import FileError
from ..model import Asset
from ..text import short

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
MOST_FILE, MOST_JSON, MOST_ASSET = 1 << 30, 1 << 26, 1 << 29
MOST_UNPACKED, MOST_ENTRIES = 1 << 31, 10_000
"""Bytes and files of a whole container."""


class Content(NamedTuple):
    """A file to put into a container: its bytes, or an open file that holds them."""

    name: str
    data: bytes | BinaryIO
    stored: bool = False


def written(media_type: str, contents: Iterable[Content]) -> bytes:
    """The container's bytes; the same contents give the same bytes."""
    room = io.BytesIO()
    write_into(room, media_type, contents)
    return room.getvalue()


def write_into(file: BinaryIO, media_type: str, contents: Iterable[Content]) -> None:
    """Write a container; the same contents give the same bytes."""
    first = Content("mimetype", media_type.encode(), stored=True)
    with zipfile.ZipFile(file, "w", zipfile.ZIP_DEFLATED) as box:
        for content in (first, *contents):
            info = zipfile.ZipInfo(content.name, (1980, 1, 1, 0, 0, 0))
            info.external_attr = 0o644 << 16
            info.compress_type = zipfile.ZIP_STORED if content.stored else zipfile.ZIP_DEFLATED
            if isinstance(content.data, bytes):
                box.writestr(info, content.data)
                continue
            info.file_size = content.data.seek(0, io.SEEK_END)
            content.data.seek(0)
            with box.open(info, "w") as entry:
                shutil.copyfileobj(content.data, entry)


def json_text(data: Any) -> bytes:
    """JSON with one field a line, of dicts and lists."""
    return msgspec.json.format(msgspec.json.encode(data), indent=1)


class TooLargeEntry(FileError):
    """A file in a container is larger than it may be."""


class Container:
    """An open one. `name` is the file's, `what` it should be."""

    def __init__(self, box: zipfile.ZipFile, name: str, what: str) -> None:
        self._box, self.name, self.what = box, name, what

    def entry(self, entry: str, most: int) -> bytes:
        """The bytes of a file in it. Raises FileError, and what BROKEN lists."""
        try:
            info = self._box.getinfo(entry)
        except KeyError:
            raise FileError(f"{self.name} is not {self.what}: it has no {entry}") from None
        if info.file_size > most:
            size = f"{info.file_size >> 20} MB"
            raise TooLargeEntry(f"{self.name}: {entry} is too large ({size})")
        if stat.S_ISLNK(info.external_attr >> 16):
            raise FileError(f"{self.name}: {entry} is a link and was not followed")
        with self._box.open(info) as file:
            return file.read(most + 1)[:most]

    def json(self, entry: str, format_name: str, major: int) -> Any:
        """A JSON file of a format and version in it, as dicts and lists. Raises FileError."""
        text = self.entry(entry, MOST_JSON)
        return decoded_json(text, f"{self.name}: {entry}", format_name, major)


def decoded_json(text: bytes, name: str, format_name: str, major: int) -> Any:
    """JSON of a format and version, as dicts and lists. Raises FileError."""
    try:
        raw = msgspec.json.decode(text)
    except (msgspec.DecodeError, UnicodeDecodeError, RecursionError) as error:
        raise FileError(f"{name} is not JSON: {short(error)}") from error
    said = str(raw.get("format", "")) if isinstance(raw, dict) else ""
    found = said.partition("/")[2].partition(".")[0]
    if said.startswith(f"{format_name}/") and found.isdigit() and int(found) > major:
        raise FileError(
            f"{name} was made by a newer Anole ({short(said, 40)}); this one reads version {major}"
        )
    return raw


@contextlib.contextmanager
def opened(data: bytes, name: str, what: str, media_type: str) -> Iterator[Container]:
    """A container of a kind, read within the block. Raises FileError naming what is wrong."""
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as box:
            _check_size(box, name)
            container = Container(box, name, what)
            kind = container.entry("mimetype", 256).decode("ascii", "replace").strip()
            if kind != media_type:
                raise FileError(f"{name} is not {what} (it says it is {short(kind, 60)!r})")
            yield container
    except BROKEN as error:
        raise FileError(f"{name} is not {what}, or it is cut short: {short(error)}") from error


def _check_size(box: zipfile.ZipFile, name: str) -> None:
    entries = box.infolist()
    if len(entries) > MOST_ENTRIES:
        raise FileError(f"{name} holds {len(entries):,} files; {MOST_ENTRIES:,} are the most")
    size = sum(info.file_size for info in entries)
    if size > MOST_UNPACKED:
        raise FileError(
            f"{name} unpacks to {size >> 20:,} MB; {MOST_UNPACKED >> 20:,} are the most"
        )


def entry_of(asset: Asset) -> str:
    """Name of the entry that holds an asset."""
    suffix = Path(asset.name).suffix.lower()
    return f"assets/{asset.sha}{suffix if suffix[1:].isalnum() else ''}"
