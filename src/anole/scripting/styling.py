"""Styles and packs from Python: found, made of coats, read and written."""

from __future__ import annotations

import os
from collections.abc import Iterable, Sequence
from pathlib import Path

import msgspec

from ..core.atomic import FileError, write_bytes
from ..core.files import pack_file
from ..core.library import packs
from ..core.library import styles as library
from ..core.model import Coat, Style, to_json
from ..core.model.open_union import tag_of

PathLike = str | os.PathLike[str]
StyleLike = str | os.PathLike[str] | Style | Coat | Sequence[Coat]
"""A style, its name or its file, or coats, bottom first."""


def style(name: str, *coats: Coat, words: Iterable[str] = (), notes: str = "") -> Style:
    """A style of coats, bottom first. words : what it is found by"""
    return Style(name=name, coats=_told_apart(coats), words=tuple(words), notes=notes)


def _told_apart(coats: Iterable[Coat]) -> tuple[Coat, ...]:
    """Coats under ids of their own, by their kinds."""
    used: dict[str, int] = {}
    out = []
    for coat in coats:
        tag = tag_of(coat)
        used[tag] = used.get(tag, 0) + 1
        out.append(msgspec.structs.replace(coat, id=tag if used[tag] == 1 else f"{tag}-{used[tag]}"))  # fmt: skip
    return tuple(out)


def styles(words: str = "") -> list[str]:
    """The names of the styles of the library, or of those that all words are found in."""
    kept, _ = library.library()
    return [entry.style.name for entry in kept if library.is_found(entry.style, words)]


def find_style(wanted: StyleLike) -> Style:
    """A style by its name or its file, or of coats. Raises FileError."""
    if isinstance(wanted, Style):
        return wanted
    if isinstance(wanted, str | os.PathLike):
        return library.find(os.fspath(wanted))
    return style("", *([wanted] if isinstance(wanted, Coat) else wanted))


def keep_style(kept: Style) -> None:
    """Put a style into the library, in place of one of its name. Raises FileError."""
    library.keep(kept)


def write_style(written: Style, path: PathLike) -> None:
    """Write an .anolestyle file; pictures that it paints with only a pack carries. Raises FileError."""
    target = Path(path)
    if target.suffix != library.SUFFIX:
        raise FileError(f"{target.name}: the name of a style's file must end in {library.SUFFIX}")
    write_bytes(target, to_json(written))


def read_pack(path: PathLike) -> list[Style]:
    """The styles of an .anolepack file, with the pictures that they paint with. Raises FileError."""
    return list(pack_file.read(Path(path)).pack.styles)


def write_pack(written: Iterable[Style], path: PathLike, name: str = "") -> None:
    """Write styles as one .anolepack file. Raises FileError."""
    target = Path(path)
    if target.suffix != pack_file.SUFFIX:
        raise FileError(f"{target.name}: the name of a pack must end in {pack_file.SUFFIX}")
    pack_file.write(target, packs.pack_of(list(written), name or target.stem), {})
