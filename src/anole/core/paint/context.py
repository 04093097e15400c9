"""Where a paint is laid, and what it may look at there."""

from __future__ import annotations

from collections.abc import Callable, Hashable
from typing import NamedTuple, Protocol

from ..arrays import Plane, Planes
from ..box import Box
from ..cache import Cache
from ..units import Units
from .frames import Frames


class Edge(NamedTuple):
    """The distance a coat runs along: t is 0 at `outer` and 1 at `inner`, px."""

    key: Hashable
    field: Callable[[Box], Plane]
    outer: float
    inner: float


class BackdropSource(Protocol):
    """Pictures of what was painted before: ``beneath``, ``ground``, ``own``, or a piece's id."""

    def key(self, of: str) -> Hashable:
        """The value that the picture is made from."""

    def planes(self, of: str, scale: float, box: Box) -> Planes:
        """(4, H, W) premultiplied float32 over `box`, in px of `scale` times the render scale."""


class PaintContext(NamedTuple):
    """The frames a paint may be stretched over and the px it has to cover."""

    frames: Frames
    box: Box
    cache: Cache
    units: Units = Units(100.0)
    edge: Edge | None = None
    backdrop: BackdropSource | None = None

    def over(self, box: Box) -> PaintContext:
        """The same context for another box of px."""
        return self._replace(box=box)
