"""The user's styles looked after: renamed, doubled, described; nothing is written over unasked."""

from __future__ import annotations

import datetime
from typing import Any

import msgspec
import platformdirs

from ..atomic import FileError, clear_strays
from ..distinct import DistinctNames
from ..model import Style
from . import sets
from .styles import PICTURES, keep, library, remove
from .styles import folder as home


def names() -> set[str]:
    """What styles of the library are called."""
    return {entry.style.name for entry in library()[0]}


def own_names() -> set[str]:
    """What the user's own styles are called."""
    return {entry.style.name for entry in library()[0] if entry.own}


def tidy() -> None:
    """Clear what writers that died left in the program's own folders."""
    data = platformdirs.user_data_path("anole")
    for folder in (data, home(), home() / PICTURES, platformdirs.user_config_path("anole")):
        clear_strays(folder)


def free_name(name: str, taken: set[str] | None = None) -> str:
    """The name, or with the next number that is free; names that differ by case only are one."""
    return DistinctNames(names() if taken is None else taken).give(name)


def dated(style: Style) -> Style:
    """The style with today's date, where it has none."""
    today = datetime.date.today().isoformat()
    return style if style.made else msgspec.structs.replace(style, made=today)


def describe(style: Style, **fields: Any) -> Style:
    """Write a style with other words, notes or author. Raises FileError."""
    made = msgspec.structs.replace(style, **fields)
    keep(made)
    return made


def rename(style: Style, name: str) -> Style:
    """Give a style of one's own another name, in the sets too. Raises FileError."""
    name = name.strip()
    if name == style.name:
        return style
    others = names() - {style.name}
    if name.casefold() in {other.casefold() for other in others}:
        raise FileError(f"there is a style called {name!r} already")
    made = msgspec.structs.replace(style, name=name)
    keep(made)
    remove(style.name)
    sets.renamed(style.name, name)
    return made


def duplicate(style: Style) -> Style:
    """A copy under the next free name, as the user's own. Raises FileError."""
    made = msgspec.structs.replace(style, name=free_name(style.name))
    keep(made)
    return made
