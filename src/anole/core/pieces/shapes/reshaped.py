"""A piece's shape with all that changes it before its coats see it."""

from __future__ import annotations

from typing import Any

from ...coats.registry import kind_of
from ...coats.shape import Shape
from ...failures import blaming
from ...model import Coat, Coated
from ..backdrop import BackdropRenderer
from ..contexts import context_of
from ..placing.view import View


def shapers(style: tuple[Coat, ...]) -> list[Coat]:
    """The coats of a style that change the shape, in their order."""
    return [coat for coat in style if coat.on and kind_of(coat).shapes(coat)]


def shape_of(kind: Any, piece: Coated, view: View) -> Shape:
    """What the coats of a piece work on."""
    shape: Shape = kind.shape(piece, view)
    for coat in shapers(piece.style):
        with blaming(coat):
            context = context_of(shape, (), view)
            context = context._replace(backdrop=BackdropRenderer(view, piece))
            shape = kind_of(coat).reshaped(coat, shape, context)
    return shape
