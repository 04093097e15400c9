"""The pieces a board is made of: one frozen struct each."""

from __future__ import annotations

from .base import Coated, Piece, Place, Placed, Sourced
from .cluster import Cluster
from .emblem import Emblem
from .ground import Ground
from .lettering import Font, Lettering
from .members import PIECES, Held, Pieces
from .picture import Picture
from .pool import Pool, Rim, Spot
from .wash import Wash

__all__ = [
    "PIECES",
    "Cluster",
    "Coated",
    "Emblem",
    "Font",
    "Ground",
    "Held",
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

for _struct in (Cluster, Emblem, Ground, Lettering, Picture, Pool, Wash):
    PIECES.add(_struct)
