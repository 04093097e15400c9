"""Where two coats meet at one position, the lower one runs a px under the upper.

It does so under coats that hide it alone: under others it would show as a line a px wide, whatever
the scale.
"""

from __future__ import annotations

from collections.abc import Sequence

from ...coats.context import CoatContext, Overlap
from ...coats.registry import kind_of
from ...model import Coat

NEAR = 0.05
"""px between two ends that still count as one position."""
LAP = 1.0


def hides(coat: Coat) -> bool:
    """Whether nothing is seen through a coat where it covers all."""
    plain = coat.opacity == 1 and coat.blend == "normal" and coat.clip_side == "everywhere"
    return plain and kind_of(coat).opaque(coat)


def shared_edges(coats: Sequence[Coat], context: CoatContext) -> list[Overlap]:
    """For each coat, bottom first, how far its ends run under coats above it."""
    ends = [kind_of(coat).ends(coat, context) for coat in coats]
    overlaps = []
    for index, own in enumerate(ends):
        if own is None:
            overlaps.append(Overlap())
            continue
        above = [
            other
            for coat, other in zip(coats[index + 1 :], ends[index + 1 :], strict=True)
            if other is not None and hides(coat)
        ]
        outer = [_lap(other) for other in above if abs(own[0] - other[1]) < NEAR]
        inner = [_lap(other) for other in above if abs(own[1] - other[0]) < NEAR]
        overlaps.append(Overlap(max(outer, default=0.0), max(inner, default=0.0)))
    return overlaps


def _lap(above: tuple[float, float]) -> float:
    """px that may run under a coat with these ends: under a thin one no more would be hidden."""
    return min(LAP, abs(above[1] - above[0]) / 2)
