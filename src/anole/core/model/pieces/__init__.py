"""The pieces a board is made of: one frozen struct each."""

from __future__ import annotations

from typing import TYPE_CHECKING, Annotated

from msgspec import Meta

from ..open_union import OpenUnion
from .base import Coated, Piece, Place, Placed, Sourced
from .emblem import Emblem
from .ground import Ground
from .lettering import Font, Lettering
from .picture import Picture
from .pool import Pool, Rim, Spot
from .wash import Wash

__all__ = [
    "PIECES",
    "Coated",
    "Emblem",
    "Font",
    "Ground",
    "Lettering",
    "Picture",
    "Piece",
    "Pieces",
    "Place",
    "Placed",
    "Pool",
    "Rim",
    "Sourced",
    "Spot",
    "Wash",
]

PIECES = OpenUnion("piece", Emblem, Ground, Lettering, Picture, Pool, Wash)
"""Every kind of piece that a board may hold."""

if TYPE_CHECKING:
    Pieces = tuple[Piece, ...]
else:
    Pieces = Annotated[tuple[PIECES, ...], Meta(max_length=1000)]
