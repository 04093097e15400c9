"""A pack: styles to hand on, with the gradients and mouldings that were saved beside them."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta, Struct

from .board import NamedGradient
from .fields import Name
from .moulding import NamedMoulding
from .style import Style

MOST_STYLES = 1000
MOST_PICTURE = 1 << 26
"""Bytes of a picture that a style paints with, in packs and in the library."""


class Pack(Struct, frozen=True, kw_only=True):
    """What a file of styles holds beside its pictures."""

    format: Literal["anole-pack/1"] = "anole-pack/1"
    name: Name = ""
    author: Name = ""
    licence: Name = ""
    notes: Annotated[str, Meta(max_length=2000)] = ""
    styles: Annotated[tuple[Style, ...], Meta(max_length=MOST_STYLES)] = ()
    gradients: Annotated[tuple[NamedGradient, ...], Meta(max_length=1000)] = ()
    mouldings: Annotated[tuple[NamedMoulding, ...], Meta(max_length=1000)] = ()
