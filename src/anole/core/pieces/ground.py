"""Ground: a paint over the whole board."""

from __future__ import annotations

from ..coats.scene import Cover, full
from ..model import Ground
from ..paint.source import Frames, Spot, source
from ..render.ops import Lay, Op
from .view import View


def ops(piece: Ground, view: View) -> list[Op]:
    frames = Frames(view.frame, view.frame)
    box = view.window
    return [
        Lay(
            ("ground", piece.paint, piece.opacity, piece.blend, view.frame, box), box,
            lambda: Cover(full(box), outside=True, face=False),
            lambda: source(piece.paint, Spot(frames, box, view.cache)),
            piece.opacity, piece.blend, (0, 1, 1, -0.5), "everywhere",
        )
    ]  # fmt: skip
