"""Any piece that wears a style: its shape to the fields its coats need, and its coats to steps."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, NamedTuple, Protocol

from ..box import around
from ..coats.context import CoatContext
from ..coats.registry import kind_of
from ..coats.shape import Shape
from ..compose.steps import ApartBegin, ApartEnd, CompositeStep, FaceBegin, FaceEnd, Step
from ..failures import blaming
from ..model import Coat, Coated, Piece
from .backdrop import BackdropRenderer
from .coat_steps import coat_steps
from .contexts import context_of
from .placing.placement import Placement
from .placing.posed import flat_of, onto_face
from .placing.view import View
from .shapes.joined import follows_joined, joined_context, overlaps
from .shapes.reshaped import shape_of


class ShapeMaker(Protocol):
    """What of a kind of piece its coats need."""

    def shape(self, piece: Any, view: View) -> Shape:
        """The shape of the piece on the board of `view`, in px."""

    def placement(self, piece: Any, dpi: float) -> Placement:
        """Where the piece stands, at `dpi`."""

    def own_steps(self, piece: Any, context: CoatContext, view: View) -> list[CompositeStep]:
        """What the piece paints of its own."""

    def own_place(self, coats: Sequence[Coat]) -> int:
        """How many of the coats lie beneath that."""


def _steps(
    coats: Sequence[Coat], piece: Coated, context: CoatContext, view: View
) -> list[list[CompositeStep]]:
    """The steps of each coat on a shape as it stands in a view."""
    steps, joined = [], joined_context(coats, context, view)
    for coat, overlap in zip(coats, overlaps(coats, context, joined), strict=True):
        backdrop = BackdropRenderer(view, piece, piece.style.index(coat))
        with blaming(coat):
            here, edge = context._replace(backdrop=backdrop), None
            if joined is not None and follows_joined(coat):
                here, edge = joined._replace(backdrop=backdrop), context.shape
            steps.append(coat_steps(coat, here, overlap, edge))
    return steps


class Layers(NamedTuple):
    """The steps of a piece's coats, bottom first: those beneath its own colours, and those above."""

    lower: list[CompositeStep]
    upper: list[CompositeStep]


def layers(kind: ShapeMaker, piece: Coated, context: CoatContext, view: View) -> Layers:
    """The steps of the coats; those on the face of a posed piece projected."""
    coats = [c for c in piece.style if c.on and c.opacity > 0 and not kind_of(c).shapes(c)]
    beneath = kind.own_place(coats)
    steps = _steps(coats, piece, context, view)
    on_face = [coat.plane == "face" for coat in coats]
    flat = flat_of(kind.placement(piece, view.board.dpi), piece, view) if any(on_face) else None
    if flat is not None and not flat.view.window.empty:
        inner = context_of(shape_of(kind, flat.piece, flat.view), piece.style, flat.view)
        for n, made in enumerate(_steps(coats, flat.piece, inner, flat.view)):
            if on_face[n]:
                within = context.shape.covered
                steps[n] = [onto_face(s, flat, view.window, view.cache, within) for s in made]
    return Layers(_joined(steps[:beneath]), _joined(steps[beneath:]))


def _joined(steps: list[list[CompositeStep]]) -> list[CompositeStep]:
    """Those that touch anything."""
    return [step for some in steps for step in some if not step.box.empty]


def coated_steps(kind: ShapeMaker, piece: Coated, view: View) -> list[Step]:
    """The steps of a piece: nothing where it has no outlines in reach of the window."""
    context = context_of(shape_of(kind, piece, view), piece.style, view)
    shape = context.shape
    if shape.box.empty:
        return []
    face = context.around(0)
    where = (shape.key, shape.box, face)
    coats, own = layers(kind, piece, context, view), kind.own_steps(piece, context, view)
    steps: list[Step] = [
        FaceBegin(("face", *where), face),
        *coats.lower,
        *own,
        *coats.upper,
        FaceEnd(("joined", *where), face, shape.covered),
    ]
    return blended(piece, steps, view)


def is_apart(piece: Piece) -> bool:
    """Whether a piece is painted apart, for its opacity or its blend."""
    return piece.opacity < 1 or piece.blend != "normal"


def blended(piece: Piece, steps: list[Step], view: View) -> list[Step]:
    """The steps of a piece, painted apart where its opacity or its blend ask for it."""
    if not is_apart(piece) or not steps:
        return steps
    box = around(step.box for step in steps)
    apart = piece.blend != "normal"
    end = ("merged", box, piece.opacity, piece.blend, view.depth)
    return [
        ApartBegin(("apart", box, apart, view.depth), box, apart, view.depth),
        *steps,
        ApartEnd(end, box, piece.opacity, piece.blend, view.depth),
    ]
