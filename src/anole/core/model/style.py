"""Styles: an ordered stack of coats, bottom first."""

from __future__ import annotations

from typing import TYPE_CHECKING, Annotated, Literal

from msgspec import Meta, Struct

from .coats import COATS, Coat
from .fields import Name

if TYPE_CHECKING:
    Coats = tuple[Coat, ...]
else:
    Coats = Annotated[tuple[COATS, ...], Meta(max_length=200)]


class Worn(Struct, frozen=True, cache_hash=True):
    """The saved style that a piece's coats came from."""

    name: Name
    digest: Annotated[str, Meta(max_length=128)]


class Style(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A stack of coats with a name, as kept in the library."""

    format: Literal["anole-style/1"] = "anole-style/1"
    name: Name
    words: Annotated[tuple[Annotated[str, Meta(max_length=200)], ...], Meta(max_length=32)] = ()
    coats: Coats
