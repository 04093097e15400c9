"""A paint over the board through a coverage: what grounds, pools and washes are made of."""

from __future__ import annotations

from collections.abc import Callable, Hashable

from ..arrays import Plane
from ..box import Box
from ..compose.cover import Cover
from ..compose.program import NO_FACTORS
from ..compose.steps import CompositeStep
from ..model import Paint, Piece
from ..paint.context import PaintContext
from ..paint.frames import Frames
from ..paint.source import source, value_of
from ..paint.spray import sprayed
from .backdrop import BackdropRenderer
from .placing.view import View


def painted(
    name: Hashable, piece: Piece, paint: Paint, view: View, box: Box, plane: Callable[[], Plane]
) -> CompositeStep:
    """The step that paints a box of the board.

    name : all that the coverage comes from; plane : makes it, (H or 1, W) float32 over the box
    """
    frames = Frames(view.frame, view.frame)
    backdrop = BackdropRenderer(view, piece, begun=False)
    context = PaintContext(frames, box, view.cache, view.units, None, backdrop)

    def cover() -> Cover:
        coverage = plane()
        if paint.speckle > 0:
            coverage = sprayed(coverage, paint, box, view.units)
        return Cover(coverage, outside=True, face=False)

    return CompositeStep(
        (name, value_of(paint, context)),
        box,
        cover,
        lambda: source(paint, context),
        piece.opacity,
        piece.blend,
        NO_FACTORS,
        "everywhere",
    )
