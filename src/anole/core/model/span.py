"""Where a coat lies across the edge."""

from __future__ import annotations

from msgspec import Struct, field

from .length import Position


class Span(Struct, frozen=True, cache_hash=True):
    """Two signed positions on the axis outside - edge - core."""

    from_: Position = field(name="from")
    to: Position

    def ends(self, em: float, core: float, dpi: float = 96.0) -> tuple[float, float]:
        """Outer and inner end in px, clamped to the core and sorted.

        `core` is the silhouette's greatest inside distance in the same px.
        """
        a, b = (min(p.px(em, dpi), core) for p in (self.from_, self.to))
        return (a, b) if a <= b else (b, a)
