"""Styles as files: one JSON file a style, the user's own before the built-in ones."""

from __future__ import annotations

import functools
import hashlib
import os
import re
import unicodedata
from collections.abc import Sequence
from importlib.resources import files
from pathlib import Path
from typing import NamedTuple

import msgspec
import platformdirs

from ..atomic import FileError, read_bytes, reason, write_bytes
from ..model import Coat, ModelError, Style, from_builtins, from_json, to_builtins, to_json
from ..model.named_assets import assets_named
from . import pictures

SUFFIX = ".anolestyle"
PICTURES, ORDER = "pictures", "order.json"
MOST = 1 << 22
RENAMED = {
    "tin toy": "stamped tin",
    "fern print": "beetle wing",
    "long noon": "low sun",
    "rubber decal": "die-cut decal",
    "marquee": "lit channel",
    "offset press": "off register",
    "pewter frost": "gilt frost",
    "picture in words": "ground in two inks",
    "pressed plank": "pushed-up ground",
    "saddle stitch": "hide and thread",
    "northern light": "polar curtain",
}
"""What built-in styles were called in earlier versions."""


class StoredStyle(NamedTuple):
    """A style of the library and the file it came from."""

    style: Style
    path: Path
    own: bool


def folder() -> Path:
    """Where the user's styles are kept ($XDG_DATA_HOME/anole/styles)."""
    return platformdirs.user_data_path("anole") / "styles"


def built_in_folder() -> Path:
    """Where the styles that come with Anole lie."""
    return Path(str(files("anole") / "data" / "styles"))


def digest(coats: Sequence[Coat]) -> str:
    """What a stack of coats is, whatever its ids and what is noted of them."""
    return _digest(tuple(msgspec.structs.replace(coat, id=str(i)) for i, coat in enumerate(coats)))


@functools.lru_cache(1000)
def _digest(coats: tuple[Coat, ...]) -> str:
    # as a file would give them back: 0 where a number may have a fraction is 0.0
    read = to_builtins(from_builtins(to_builtins(Style(name="", coats=coats)), Style).coats)
    for coat in read:
        # styles were told apart before coats had notes
        del coat["note"]
    return hashlib.sha256(to_json(read)).hexdigest()[:16]


def file_name(name: str) -> str:
    """A safe file name for a style's name; different names give different files."""
    flat = unicodedata.normalize("NFKD", name).encode("ascii", "ignore").decode().lower()
    slug = re.sub(r"[^a-z0-9]+", "-", flat).strip("-")[:60]
    if slug.replace("-", " ") != name:
        slug = f"{slug or 'style'}-{hashlib.sha256(name.encode()).hexdigest()[:6]}"
    return slug + SUFFIX


class _Known(NamedTuple):
    """A style's file as it was read: when it was written, its size, what it paints with."""

    changed: int
    size: int
    stored: StoredStyle
    pictures: tuple[str, ...]


_KNOWN: dict[str, _Known] = {}
"""Files that were read, so that one that has not changed since is not read again."""


def read(path: Path) -> Style:
    """Read one style; a file that has not changed since is not read again. Raises FileError."""
    try:
        return _known(str(path), path.stat()).stored.style
    except OSError as error:
        raise FileError(f"cannot read {path}: {reason(error)}") from error


def _known(path: str, state: os.stat_result) -> _Known:
    known = _KNOWN.get(path)
    if known is None or (known.changed, known.size) != (state.st_mtime_ns, state.st_size):
        try:
            style = from_json(read_bytes(Path(path), MOST), Style)
        except ModelError as error:
            raise FileError(f"{Path(path).name} is not a style: {error}") from error
        named = tuple(assets_named(style.coats))
        stored = StoredStyle(style, Path(path), True)
        known = _KNOWN[path] = _Known(state.st_mtime_ns, state.st_size, stored, named)
    return known


def _files() -> list[os.DirEntry[str]]:
    """Those of the user's folder, in no order."""
    try:
        with os.scandir(folder()) as entries:
            return [entry for entry in entries if entry.name.endswith(SUFFIX)]
    except OSError:
        return []


def unread() -> int:
    """How many of the user's styles were never read."""
    return sum(entry.path not in _KNOWN for entry in _files())


def keep(style: Style) -> Path:
    """Write a style to the user's library, over one of the same name. Raises FileError."""
    if not style.name.strip():
        raise FileError("a style needs a name before it can be saved")
    home = folder()
    try:
        os.makedirs(home, exist_ok=True)
    except OSError as error:
        raise FileError(f"cannot make {home}: {error.strerror}") from error
    path = home / file_name(style.name)
    pictures.keep(home / PICTURES, style.coats)
    write_bytes(path, to_json(style))
    return path


def remove(style_name: str) -> None:
    """Take a style out of the user's library. Raises FileError."""
    try:
        (folder() / file_name(style_name)).unlink()
    except OSError as error:
        raise FileError(f"cannot remove {style_name!r}: {error.strerror}") from error


@functools.cache
def built_in() -> tuple[StoredStyle, ...]:
    """The styles that come with Anole, those that are to be seen first first; read once."""
    paths = sorted(built_in_folder().glob(f"*{SUFFIX}"))
    found = [StoredStyle(read(path), path, False) for path in paths]
    order = msgspec.json.decode((built_in_folder() / ORDER).read_bytes(), type=list[str])
    places = {name: number for number, name in enumerate(order)}
    return tuple(sorted(found, key=lambda entry: places.get(entry.style.name, len(order))))


def library() -> tuple[list[StoredStyle], list[str]]:
    """All styles, the user's newest first, then the built-in ones but those that the user has a
    version of; and what could not be read."""
    own, troubles = [], []
    pictured: dict[str, None] = {}
    for entry in _newest_first(_files()):
        try:
            known = _known(entry.path, entry.stat())
        except OSError:
            # gone meanwhile
            continue
        except FileError as error:
            troubles.append(str(error))
            continue
        own.append(known.stored)
        pictured.update(dict.fromkeys(known.pictures))
    pictures.fetch(folder() / PICTURES, list(pictured))
    names = {entry.style.name for entry in own}
    return own + [entry for entry in built_in() if entry.style.name not in names], troubles


def _newest_first(entries: list[os.DirEntry[str]]) -> list[os.DirEntry[str]]:
    def age(entry: os.DirEntry[str]) -> tuple[float, str]:
        try:
            return (-entry.stat().st_mtime, entry.name)
        except OSError:
            return (0.0, entry.name)

    return sorted(entries, key=age)


def is_found(style: Style, text: str) -> bool:
    """Whether every word of a text occurs in the style's name, words, notes or author."""
    if not text:
        return True
    about = " ".join((style.name, *style.words, style.notes, style.author)).casefold()
    return all(word in about for word in text.casefold().split())


def find(name: str) -> Style:
    """The style of that name, or in that file. Raises FileError."""
    kept, _ = library()
    now = RENAMED.get(name.lower(), name.lower())
    for entry in kept:
        if entry.style.name.lower() in (name.lower(), now):
            return entry.style
    if Path(name).suffix == SUFFIX or os.sep in name:
        return read(Path(name))
    known = ", ".join(entry.style.name for entry in kept)
    raise FileError(f"there is no style called {name!r}; there are: {known}")
