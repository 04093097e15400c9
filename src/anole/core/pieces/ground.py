"""Ground: a paint over the whole board."""

from __future__ import annotations

from ..coats.scene import Cover, full
from ..model import Ground
from ..paint.source import Frames, Spot, source, value_of
from ..paint.spray import sprayed
from ..render.ops import Lay, Op
from .backing import Behind
from .view import View


def ops(piece: Ground, view: View) -> list[Op]:
    frames = Frames(view.frame, view.frame)
    box, paint = view.window, piece.paint
    spot = Spot(frames, box, view.cache, view.units, None, Behind(view, piece))

    def cover() -> Cover:
        plane = full(box)
        if paint.speckle > 0:
            plane = sprayed(plane, paint, box, view.units)
        return Cover(plane, outside=True, face=False)

    return [
        Lay(
            ("ground", value_of(paint, spot)), box,
            cover, lambda: source(paint, spot),
            piece.opacity, piece.blend, (0, 1, 1, -0.5), "everywhere",
        )
    ]  # fmt: skip
