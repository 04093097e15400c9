"""Where two coats meet at one position, the lower one runs a px under the upper.

It does so under coats that hide it alone: under others it would show as a line a px wide, whatever
the scale.
"""

from __future__ import annotations

from collections.abc import Sequence

from ..coats.scene import Scene, Under
from ..model import Coat, Glow, Relief, Stroke
from ..paint.solid import solid

NEAR = 0.05
"""px between two ends that still count as one position."""
LAP = 1.0


def _ends(coat: Coat, scene: Scene) -> tuple[float, float] | None:
    if not isinstance(coat, Stroke | Glow | Relief):
        return None
    outer, inner = scene.ends(coat.span)
    base = scene.base(coat)
    return outer - base, inner - base


def _hides(coat: Coat) -> bool:
    """Whether nothing is seen through a coat where it covers all."""
    if coat.opacity < 1 or coat.blend != "normal" or coat.seen != "everywhere":
        return False
    if isinstance(coat, Relief):
        return all(stop.colour.a == 255 for stop in coat.ramp)
    return isinstance(coat, Stroke | Glow) and solid(coat.paint)


def meetings(coats: Sequence[Coat], scene: Scene) -> list[Under]:
    """For each coat, bottom first, how far its ends run under coats above it."""
    ends = [_ends(coat, scene) for coat in coats]
    found = []
    for index, own in enumerate(ends):
        if own is None:
            found.append(Under())
            continue
        above = [
            other
            for coat, other in zip(coats[index + 1 :], ends[index + 1 :], strict=True)
            if other is not None and _hides(coat)
        ]
        outer = any(abs(own[0] - other[1]) < NEAR for other in above)
        inner = any(abs(own[1] - other[0]) < NEAR for other in above)
        found.append(Under(LAP if outer else 0.0, LAP if inner else 0.0))
    return found
