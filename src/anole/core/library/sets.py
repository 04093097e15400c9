"""Sets of styles under a name, such as those of a club's season; the favourites are one of them."""

from __future__ import annotations

from typing import Annotated

import msgspec
from msgspec import Meta, Struct

from ..atomic import FileError
from ..model.fields import Name
from .named import NamedFile

FAVOURITES = "favourites"


class StyleSet(Struct, frozen=True):
    """Styles by name, in the order in which they came in."""

    name: Name
    styles: Annotated[tuple[Name, ...], Meta(max_length=10_000)] = ()


OWN = NamedFile("style-sets.json", StyleSet)
"""The user's."""


def all_sets() -> tuple[StyleSet, ...]:
    """The favourites, then the others, the one last changed first. Raises FileError."""
    kept = OWN.all()
    marked = next((one for one in kept if one.name == FAVOURITES), StyleSet(FAVOURITES))
    return (marked, *(one for one in kept if one.name != FAVOURITES))


def styles_in(name: str) -> tuple[str, ...]:
    """The styles of a set, none where there is no such set. Raises FileError."""
    return next((one.styles for one in OWN.all() if one.name == name), ())


def put(name: str, style: str, inside: bool) -> None:
    """Take a style into a set, which is made where there is none, or out of it; an
    empty set goes. Raises FileError."""
    if not name.strip():
        raise FileError("a set needs a name")
    others = tuple(one for one in styles_in(name) if one != style)
    if inside or others:
        OWN.keep(StyleSet(name.strip(), (*others, style) if inside else others))
    else:
        OWN.remove(name)


def renamed(old: str, new: str) -> None:
    """A style has another name. Raises FileError."""
    for one in OWN.all():
        if old in one.styles:
            styles = tuple(new if name == old else name for name in one.styles)
            OWN.keep(msgspec.structs.replace(one, styles=styles))
