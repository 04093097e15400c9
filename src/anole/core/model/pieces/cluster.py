"""Cluster: several pieces as one silhouette, with a style besides their own."""

from __future__ import annotations

from typing import Annotated

from msgspec import Meta

from .base import Coated, Coordinate
from .members import Held


class Cluster(Coated, frozen=True, cache_hash=True, kw_only=True, tag="cluster"):
    """Pieces that keep their own styles, and are one to its coats, its place and its pose.

    home : the point of their own px that lies at its place
    """

    pieces: Held = ()
    home: Annotated[tuple[Coordinate, Coordinate], Meta(extra={"hidden": True})] = (0.0, 0.0)
