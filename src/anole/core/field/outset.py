"""What the strokes on the letters add to them: the silhouette called the whole."""

from __future__ import annotations

from collections.abc import Iterable
from typing import NamedTuple


class StrokeOutset(NamedTuple):
    """A stroke's outer end, px beyond the letters, and how it turns corners.

    longest : of its mitres, in widths of the stroke
    """

    by: float
    join: str = "round"
    limit: float = 1.0
    longest: float = 1.0

    @property
    def reach(self) -> float:
        """px from the outline to the farthest tip of a corner."""
        return self.by * self.longest


class Outset(NamedTuple):
    """Of each kind of join the widest stroke; empty when the strokes stay within the letters."""

    strokes: tuple[StrokeOutset, ...] = ()

    @property
    def by(self) -> float:
        """px beyond the letters along straight edges."""
        return max((stroke.by for stroke in self.strokes), default=0.0)

    @property
    def mitre_overhang(self) -> float:
        """How much further its corners may stick out, px."""
        return max((stroke.reach for stroke in self.strokes), default=0.0) - self.by

    @property
    def round(self) -> bool:
        """Whether the letters' plain distance leads to its edge."""
        return all(stroke.join == "round" for stroke in self.strokes)


def outset(strokes: Iterable[StrokeOutset]) -> Outset:
    """Of strokes that turn corners alike the widest alone counts."""
    widest: dict[tuple[str, float], StrokeOutset] = {}
    for stroke in strokes:
        kind = (stroke.join, stroke.limit)
        if stroke.by > 0 and (kind not in widest or widest[kind].by < stroke.by):
            widest[kind] = stroke
    return Outset(tuple(sorted(widest.values())))
