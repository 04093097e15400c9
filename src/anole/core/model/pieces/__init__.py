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
from .stamps import Mark, Scatter, Stamps
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
    "Mark",
    "Picture",
    "Piece",
    "Pieces",
    "Place",
    "Placed",
    "Pool",
    "Rim",
    "Scatter",
    "Sourced",
    "Spot",
    "Stamps",
    "Wash",
]

for _struct in (Cluster, Emblem, Ground, Lettering, Picture, Pool, Stamps, Wash):
    PIECES.add(_struct)
