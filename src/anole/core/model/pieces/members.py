"""Which kinds of piece there are: an open union, for pieces that hold pieces need it too."""

from __future__ import annotations

from typing import TYPE_CHECKING, Annotated

from msgspec import Meta

from ..open_union import OpenUnion
from .base import Piece, Placed

PIECES = OpenUnion("piece")
"""Every kind of piece that a board may hold."""
MOST_HELD = 200

if TYPE_CHECKING:
    Pieces = tuple[Piece, ...]
    Held = tuple[Placed, ...]
else:
    Pieces = Annotated[tuple[PIECES, ...], Meta(max_length=1000)]
    Held = Annotated[tuple[PIECES, ...], Meta(max_length=MOST_HELD, extra={"hidden": True})]
