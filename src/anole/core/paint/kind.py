"""What a paint declares of itself; one kind a file, listed in source.py."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Hashable
from typing import Protocol, TypeVar

from ..arrays import Planes
from ..model import Paint, Tone
from .context import PaintContext

P = TypeVar("P", bound=Paint)


class PaintKind(Protocol[P]):
    """One kind of paint. Subclass it, say what differs, and register an instance."""

    struct: type[P]

    @abstractmethod
    def rasterise(self, paint: P, context: PaintContext) -> Planes:
        """Its colours over context.box before its tone: straight alpha, sRGB-encoded float32,
        (4, H, W); (4, 1, W) where every row is the same, (4, H, 1) where every column is."""

    def value(self, paint: P, context: PaintContext) -> Hashable:
        """All that its colours come from."""
        return (paint, context.frames, context.units)

    def tone(self, paint: P) -> tuple[Tone, ...]:
        """Changes to its colours, in their order."""
        return ()

    def opaque(self, paint: P) -> bool:
        """Whether it surely hides what lies beneath, sprayed specks left aside."""
        return False

    def over_board(self, paint: P) -> bool:
        """Whether it is stretched over the board, whatever it is laid on."""
        return False

    def turned(self, paint: P, degrees: float) -> P:
        """The paint turned clockwise in its frame."""
        return paint
