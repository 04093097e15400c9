"""A highlight of any paint: the light of the surface and of its highlight made apart, then added."""

from __future__ import annotations

from collections.abc import Callable

import msgspec
import numpy as np

from ...arrays import Plane, Planes
from ...box import Box
from ...model import Colour, ColourPaint, Paint, Relief
from ...paint.context import PaintContext
from ...paint.source import source
from ..context import CoatContext

WHITE = ColourPaint(colour=Colour(255, 255, 255))
CLEAR = Colour(0, 0, 0, 0)
Shading = Callable[[Relief, CoatContext, Box], Planes]


def is_painted(paint: Paint) -> bool:
    """Whether a highlight has more than one colour."""
    return not isinstance(paint, ColourPaint) or paint.speckle > 0


def with_highlight(
    coat: Relief, context: CoatContext, paint: PaintContext, shaded: Shading
) -> Planes:
    """(4, H, W) straight: the coat as it is shaded, with its highlight in its paint added."""
    assert coat.gleam is not None
    surface = shaded(msgspec.structs.replace(coat, gleam=None), context, paint.box)
    clear = tuple(msgspec.structs.replace(stop, colour=CLEAR) for stop in coat.ramp)
    white = msgspec.structs.replace(coat.gleam, paint=WHITE)
    alone = msgspec.structs.replace(coat, ramp=clear, gleam=white)
    share = shaded(alone, context, paint.box)[3]
    colour = np.broadcast_to(source(coat.gleam.paint, paint), surface.shape)
    return added(surface, colour, share * colour[3])


def added(surface: Planes, colour: Planes, share: Plane) -> Planes:
    """Straight colours with `share` of another's light added: what they lack of cover it brings.

    surface, colour : (4, H, W) float32 straight, 0..1; share : (H, W) float32, 0 and more
    """
    out = surface.copy()
    out[3] += np.minimum(share, 1 - surface[3])
    out[:3] = surface[:3] * surface[3] + colour[:3] * share
    out[:3] /= np.maximum(out[3], 1e-6)
    return np.ascontiguousarray(np.clip(out, 0, 1, out=out))
