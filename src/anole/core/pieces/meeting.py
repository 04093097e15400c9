"""Where two coats meet at one position, the lower one runs a px under the upper."""

from __future__ import annotations

from collections.abc import Sequence

from ..coats.scene import Scene, Under
from ..model import Coat, Glow, Relief, Stroke

NEAR = 0.5
"""px between two ends that still count as one position."""
LAP = 1.0


def _ends(coat: Coat, scene: Scene) -> tuple[float, float] | None:
    if not isinstance(coat, Stroke | Glow | Relief):
        return None
    outer, inner = scene.ends(coat.span)
    base = scene.base(coat)
    return outer - base, inner - base


def meetings(coats: Sequence[Coat], scene: Scene) -> list[Under]:
    """For each coat, bottom first, how far its ends run under coats above it."""
    ends = [_ends(coat, scene) for coat in coats]
    found = []
    for index, own in enumerate(ends):
        if own is None:
            found.append(Under())
            continue
        above = [other for other in ends[index + 1 :] if other is not None]
        outer = any(abs(own[0] - other[1]) < NEAR for other in above)
        inner = any(abs(own[1] - other[0]) < NEAR for other in above)
        found.append(Under(LAP if outer else 0.0, LAP if inner else 0.0))
    return found
