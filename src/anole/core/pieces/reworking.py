"""Coats that change what a piece has painted so far: it is painted apart, as one picture."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import Any

import msgspec
import numpy as np

from ..arrays import Planes
from ..box import around
from ..coats.registry import kind_of
from ..compose.cover import Cover
from ..compose.program import NO_FACTORS
from ..compose.steps import ApartBegin, ApartEnd, CompositeStep, Step
from ..model import Coat, Coated
from ..paint.own import straight
from .backdrop import BackdropRenderer
from .contexts import context_of
from .placing.view import View
from .shapes.reshaped import shape_of

Steps = Callable[[Any, View], list[Step]]


def _last(piece: Coated) -> int | None:
    """The place of the topmost coat that reworks the picture."""
    places = [
        n for n, c in enumerate(piece.style) if c.on and kind_of(c).reworks(c) and c.opacity > 0
    ]
    return places[-1] if places else None


def reworked_steps(kind: Any, piece: Coated, view: View, steps: Steps) -> list[Step]:
    """The steps of a piece, of which `steps` makes those of a piece without such coats: the picture
    of all beneath the topmost of them, changed, then the coats above it."""
    at = _last(piece)
    if at is None:
        return steps(piece, view)
    beneath = msgspec.structs.replace(
        piece, style=piece.style[:at], opacity=1.0, blend="normal", within=None
    )
    picture = _picture(kind, piece, at, reworked_steps(kind, beneath, view, steps), view)
    if picture is None:
        return []
    above = msgspec.structs.replace(piece, style=piece.style[at + 1 :], opacity=1.0, blend="normal")
    inner = view._replace(depth=view.depth + 1, bare=True)
    rest = steps(above, inner) if above.style else []
    box = around(step.box for step in (picture, *rest))
    end = ("reworked", box, piece.opacity, piece.blend, view.depth)
    return [
        ApartBegin(("apart", box, True, view.depth), box, True, view.depth),
        picture,
        *rest,
        ApartEnd(end, box, piece.opacity, piece.blend, view.depth, None, True),
    ]


def _picture(
    kind: Any, piece: Coated, at: int, made_of: list[Step], view: View
) -> CompositeStep | None:
    """What a coat makes of all that lies beneath it; None where that is nothing."""
    coat: Coat = piece.style[at]
    coat_kind = kind_of(coat)
    context = context_of(shape_of(kind, piece, view), (), view)
    # what comes from farther away than the window is wide is not looked at
    far = math.ceil(coat_kind.rework_margin(coat, context))
    far = min(far, max(view.window.width, view.window.height))
    box = around(step.box for step in made_of).grown(far).meet(view.window)
    if box.empty:
        return None
    backdrop = BackdropRenderer(view, piece, at)
    beneath = BackdropRenderer(view, piece)
    context = context._replace(backdrop=beneath)
    seen = beneath.key("beneath") if coat_kind.sees_beneath(coat) else None
    where = context.units, context.frames.piece
    key = ("reworked", coat, box, *where, backdrop.key("own"), seen)

    def planes() -> Planes:
        def make() -> Planes:
            wide = box.grown(far)
            own = backdrop.planes("own", 1.0, wide)
            rows, columns = box.slices_in(wide)
            made = coat_kind.reworked(coat, own, wide, context)[:, rows, columns]
            return np.ascontiguousarray(made, np.float32)

        return view.cache.get(key, make)

    return CompositeStep(
        key,
        box,
        lambda: Cover(np.ascontiguousarray(planes()[3]), outside=True, face=False),
        lambda: view.cache.get(("straight", *key), lambda: straight(planes(), solid=True)),
        1.0,
        "normal",
        NO_FACTORS,
        "everywhere",
    )
