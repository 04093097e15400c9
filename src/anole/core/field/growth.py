"""What the strokes on the letters add to them: the silhouette called the whole."""

from __future__ import annotations

from collections.abc import Iterable
from typing import NamedTuple


class Ply(NamedTuple):
    """A stroke's outer end, px beyond the letters, and how it turns corners.

    longest : of its mitres, in widths of the stroke
    """

    by: float
    join: str = "round"
    limit: float = 1.0
    longest: float = 1.0

    @property
    def reach(self) -> float:
        return self.by * self.longest


class Growth(NamedTuple):
    """Of each kind of join the widest stroke; empty when the strokes stay within the letters."""

    plies: tuple[Ply, ...] = ()

    @property
    def by(self) -> float:
        """px beyond the letters along straight edges."""
        return max((ply.by for ply in self.plies), default=0.0)

    @property
    def tips(self) -> float:
        """How much further its corners may stick out, px."""
        return max((ply.reach for ply in self.plies), default=0.0) - self.by

    @property
    def round(self) -> bool:
        """Whether the letters' plain distance leads to its edge."""
        return all(ply.join == "round" for ply in self.plies)


def growth(plies: Iterable[Ply]) -> Growth:
    """Of strokes that turn corners alike the widest alone counts."""
    widest: dict[tuple[str, float], Ply] = {}
    for ply in plies:
        kind = (ply.join, ply.limit)
        if ply.by > 0 and (kind not in widest or widest[kind].by < ply.by):
            widest[kind] = ply
    return Growth(tuple(sorted(widest.values())))
