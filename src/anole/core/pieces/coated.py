"""Any piece that wears a style: its shape to the fields its coats need, and its coats to steps."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Any, Protocol

from ..box import Box, around
from ..coats.context import CoatContext, Reach
from ..coats.kind import Place
from ..coats.registry import kind_of
from ..coats.shape import Shape
from ..compose.steps import ApartBegin, ApartEnd, CompositeStep, FaceBegin, FaceEnd, Step
from ..failures import blaming
from ..field.outset import Outset, outset
from ..field.shape_fields import ShapeFields, ink_box
from ..model import Coat, Coated
from ..paint.frames import Frames
from .backdrop import BackdropRenderer
from .coat_steps import coat_steps
from .placement import Placement
from .posed import flat_of, onto_face
from .shared_edges import shared_edges
from .view import View

LEAST_REACH = 48.0


class ShapeMaker(Protocol):
    """What of a kind of piece its coats need."""

    def shape(self, piece: Any, view: View) -> Shape:
        """The shape of the piece on the board of `view`, in px."""

    def placement(self, piece: Any, dpi: float) -> Placement:
        """Where the piece stands, at `dpi`."""

    def own_steps(self, piece: Any, context: CoatContext, view: View) -> list[CompositeStep]:
        """What the piece paints before its coats."""


def quantised(reach: float) -> float:
    """Reaches in steps of about a third, so that a drag seldom asks for new fields."""
    size = LEAST_REACH
    while size < reach:
        size *= 4 / 3
    return math.ceil(size)


def farthest(ink: Box, window: Box) -> float:
    """px that no distance within the window exceeds: fields need not reach further."""
    dx = max(ink.x0 - window.x1, window.x0 - ink.x1, 0)
    dy = max(ink.y0 - window.y1, window.y0 - ink.y1, 0)
    reach = math.hypot(max(ink.width, window.width), max(ink.height, window.height))
    return math.hypot(dx, dy) + reach


def outset_of(style: Sequence[Coat], context: CoatContext) -> Outset:
    """What the coats of a style add to the shape for those that follow the whole."""
    added = (kind_of(coat).outset(coat, context) for coat in style if coat.on)
    return outset(stroke for stroke in added if stroke is not None)


def context_of(shape: Shape, style: Sequence[Coat], view: View) -> CoatContext:
    """The surroundings of a shape's coats; fields are made only when they are read."""
    ink = ink_box(shape.chords)

    def context(box: Box, whole: Outset) -> CoatContext:
        fields = ShapeFields(
            shape.key, shape.chords, ink, box, shape.core, view.cache, shape.smooth, shape.raster
        )
        frames = Frames(shape.frame, view.frame, shape.letters(box))
        return CoatContext(
            fields,
            shape.em,
            view.board.dpi,
            view.scale,
            view.board.lamp,
            frames,
            view.window,
            whole,
            view.cache,
        )

    first = context(ink, Outset())
    first = first._replace(outset=outset_of(style, first))
    reaches = [kind_of(coat).reach(coat, first) for coat in style if coat.on] or [Reach()]
    far = quantised(min(max(r.distance for r in reaches), farthest(ink, view.window)))
    throw = quantised(max(r.throw for r in reaches))
    return context(ink.grown(far).meet(view.window.grown(far + throw)), first.outset)


def _steps(
    coats: Sequence[Coat], piece: Coated, context: CoatContext, view: View
) -> list[list[CompositeStep]]:
    """The steps of each coat on a shape as it stands in a view."""
    steps = []
    for coat, overlap in zip(coats, shared_edges(coats, context), strict=True):
        backdrop = BackdropRenderer(view, piece, piece.style.index(coat))
        with blaming(coat):
            steps.append(coat_steps(coat, context._replace(backdrop=backdrop), overlap))
    return steps


def _layers(
    kind: ShapeMaker, piece: Coated, context: CoatContext, view: View
) -> list[CompositeStep]:
    """The steps of the coats, bottom first; those on the face of a posed piece projected.

    A piece's own colours lie where words have their first fill: above shadows, glows and lines at
    the foot of the stack, so that these frame it."""
    coats = [coat for coat in piece.style if coat.on and coat.opacity > 0]
    own = kind.own_steps(piece, context, view)
    beneath = next(
        (n for n, coat in enumerate(coats) if kind_of(coat).place >= Place.TOP), len(coats)
    )
    upright = _steps(coats, piece, context, view)
    on_face = [coat.plane == "face" for coat in coats]
    flat = flat_of(kind.placement(piece, view.board.dpi), piece, view) if any(on_face) else None
    if flat is None or flat.view.window.empty:
        return _joined(upright, own, beneath)
    shape = kind.shape(flat.piece, flat.view)
    turned = [
        [onto_face(step, flat, view.window, view.cache, context.shape.covered) for step in steps]
        for steps in _steps(coats, flat.piece, context_of(shape, piece.style, flat.view), flat.view)
    ]
    chosen = [
        flat_steps if face else steps
        for face, flat_steps, steps in zip(on_face, turned, upright, strict=True)
    ]
    return _joined(chosen, own, beneath)


def _joined(
    coats: list[list[CompositeStep]], own: list[CompositeStep], beneath: int
) -> list[CompositeStep]:
    """All steps in their order, a piece's own above the first `beneath` coats."""
    parts = [*coats[:beneath], own, *coats[beneath:]]
    return [step for steps in parts for step in steps]


def coated_steps(kind: ShapeMaker, piece: Coated, view: View) -> list[Step]:
    """The steps of a piece: nothing where it has no outlines in reach of the window."""
    context = context_of(kind.shape(piece, view), piece.style, view)
    shape = context.shape
    if shape.box.empty:
        return []
    face = context.around(0)
    where = (shape.key, shape.box, face)
    layers = _layers(kind, piece, context, view)
    steps: list[Step] = [
        FaceBegin(("face", *where), face),
        *(layer for layer in layers if not layer.box.empty),
        FaceEnd(("joined", *where), face, shape.covered),
    ]
    if piece.opacity == 1 and piece.blend == "normal":
        return steps
    box = around(step.box for step in steps)
    apart = piece.blend != "normal"
    return [
        ApartBegin(("apart", box, apart), box, apart),
        *steps,
        ApartEnd(("merged", box, piece.opacity, piece.blend), box, piece.opacity, piece.blend),
    ]
