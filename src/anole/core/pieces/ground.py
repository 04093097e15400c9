"""Ground: a paint over the whole board."""

from __future__ import annotations

from typing import Any

from ..compose.cover import Cover, full
from ..compose.program import NO_FACTORS
from ..compose.steps import CompositeStep, Step
from ..model import Ground, ImagePaint, Paint
from ..paint.context import PaintContext
from ..paint.frames import Frames
from ..paint.source import opaque, source, value_of
from ..paint.spray import sprayed
from .backdrop import BackdropRenderer
from .kind import PieceKind
from .view import View


class GroundKind(PieceKind[Ground]):
    """A paint over the whole board, or a rectangle of it."""

    struct = Ground
    title = "ground"
    ground = True

    def steps(self, piece: Ground, view: View) -> list[Step]:
        frames = Frames(view.frame, view.frame)
        box, paint = view.window, piece.paint
        context = PaintContext(
            frames, box, view.cache, view.units, None, BackdropRenderer(view, piece)
        )

        def cover() -> Cover:
            plane = full(box)
            if paint.speckle > 0:
                plane = sprayed(plane, paint, box, view.units)
            return Cover(plane, outside=True, face=False)

        return [
            CompositeStep(
                ("ground", value_of(paint, context)),
                box,
                cover,
                lambda: source(paint, context),
                piece.opacity,
                piece.blend,
                NO_FACTORS,
                "everywhere",
            )
        ]

    def opaque(self, piece: Ground) -> bool:
        return piece.opacity == 1 and opaque(piece.paint)

    def paint(self, piece: Ground) -> Paint:
        return piece.paint

    def dropped(self, piece: Ground, asset: str) -> dict[str, Any]:
        return {"paint": ImagePaint(asset=asset, frame="board")}
