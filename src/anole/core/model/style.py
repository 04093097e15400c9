"""Styles: an ordered stack of coats, bottom first."""

from __future__ import annotations

from typing import TYPE_CHECKING, Annotated, Literal

from msgspec import Meta, Struct

from .coats import COATS, Coat
from .fields import Name
from .shaping import Pose, Rail

if TYPE_CHECKING:
    Coats = tuple[Coat, ...]
else:
    Coats = Annotated[tuple[COATS, ...], Meta(max_length=200)]

Digest = Annotated[str, Meta(max_length=128)]
Tracking = Annotated[float, Meta(ge=-1000, le=10_000)]


class Setting(Struct, frozen=True, cache_hash=True, kw_only=True):
    """How words stand, as far as a style may carry it: their rails, tracking and pose."""

    tracking: Tracking = 0.0
    rails: Literal["block", "line"] = "block"
    head: Rail = Rail()
    foot: Rail = Rail()
    pose: Pose | None = None


class Worn(Struct, frozen=True, cache_hash=True):
    """The saved style that a piece's coats came from; where that brought its setting, what it set
    and how the words stood before."""

    name: Name
    digest: Digest
    set: Setting | None = None
    before: Setting | None = None


class Style(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A stack of coats with a name, as kept in the library.

    `words` are what it is found by, `made` is a date (ISO 8601).
    """

    format: Literal["anole-style/1"] = "anole-style/1"
    name: Name
    words: Annotated[tuple[Annotated[str, Meta(max_length=200)], ...], Meta(max_length=32)] = ()
    notes: Annotated[str, Meta(max_length=2000)] = ""
    author: Name = ""
    made: Annotated[str, Meta(pattern=r"^(\d{4}-\d{2}-\d{2})?$")] = ""
    setting: Setting | None = None
    coats: Coats
