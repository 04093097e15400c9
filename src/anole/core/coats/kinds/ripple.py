"""Ripple: outlines, or what is painted beneath, moved by waves, turbulence or light."""

from __future__ import annotations

import math
from typing import Any

import cv2
import msgspec
import numpy as np

from ...arrays import Chords, Planes
from ...box import Box
from ...cache import Cache
from ...field.displacement import Displacement, by_light, displaced_points, over, turbulence, waves
from ...field.polygons import united_outlines
from ...field.remap import displaced
from ...field.shape_fields import bounds
from ...model import Coat, Ripple
from ...paint.pictures import reduced
from ..context import CoatContext
from ..kind import ActingKind, Throw
from ..shape import Shape, sound_outline
from ..throwing import by_bearing, thrown_toward

OFF = 0.02
"""px by which the chords of moved outlines may be off."""
FINEST, LONGEST = 0.5, 24.0
"""px of the chords that are moved."""
FOLDS = 0.7
"""Slope of a displacement from which on outlines may come to lie over themselves."""
BEYOND = 64.0
"""px round the piece within which light is looked at."""
THROWN = 1.5
"""em round the window within which it is."""


class RippleKind(ActingKind[Ripple]):
    """It paints nothing: either the shape is another one, or the picture so far."""

    struct = Ripple
    title, family, about = "Ripple", "Surface", "waves, turbulence or light move the letters"
    tells = ("height_x", "length_x", "amount")
    mark = '<path d="M1.5 5q3.2-4 6.5 0t6.5 0M1.5 11q3.2-4 6.5 0t6.5 0"/>'

    def why(self, coat: Ripple) -> str:
        return "The letters are moved in waves, so that they are no longer flat and still."

    def shapes(self, coat: Ripple) -> bool:
        return coat.drives == "outline"

    def reworks(self, coat: Ripple) -> bool:
        return coat.drives == "picture"

    def sees_beneath(self, coat: Ripple) -> bool:
        return coat.by == "ground"

    def throw(self, coat: Ripple, context: CoatContext) -> Throw | None:
        if coat.by not in ("image", "ground"):
            return None
        return by_bearing(coat.bearing, context.px(coat.amount))

    def thrown_to(self, coat: Ripple, context: CoatContext, throw: Throw) -> dict[str, Any]:
        return thrown_toward(coat, "amount", throw, context)

    def reshaped(self, coat: Ripple, shape: Shape, context: CoatContext) -> Shape:
        far = farthest_of(coat, context)
        key = ("rippled", shape.key, _looks_of(coat), context.units, _beneath(coat, context))
        if far == 0:
            return shape
        move, finest = displacement_of(coat, context)

        def rippled(name: str, outline: Chords) -> Chords:
            return context.cache.get((name, *key), lambda: moved(outline, move, finest, far))

        chords = whole = rippled("rippled outline", shape.chords)
        if shape.undamaged is not None:
            whole = rippled("rippled undamaged", shape.undamaged)
        frame, undamaged = bounds(whole), None if shape.undamaged is None else whole
        return shape._replace(key=key, chords=chords, frame=frame, raster=None, undamaged=undamaged)

    def rework_margin(self, coat: Ripple, context: CoatContext) -> float:
        # the background's light is not known yet where this is asked
        return farthest_of(coat, context) + 2

    def reworked(self, coat: Ripple, planes: Planes, box: Box, context: CoatContext) -> Planes:
        if farthest_of(coat, context) == 0:
            return planes
        move, finest = displacement_of(coat, context)
        dx, dy = over(move, box, finest)
        return displaced(planes, box, -dx, -dy, box)

    def faded(self, coat: Ripple, share: float) -> Ripple:
        return msgspec.structs.replace(
            coat,
            height_x=coat.height_x.times(share),
            height_y=coat.height_y.times(share),
            amount=coat.amount.times(share),
        )

    def samples(self) -> tuple[Ripple, ...]:
        return (
            Ripple(id="sample", by="turbulence"),
            Ripple(id="sample", drives="picture", height_y=Ripple(id="s").height_x),
        )


def _looks_of(coat: Ripple) -> tuple:
    """All of a coat that says how it moves."""
    names = (n for n in coat.__struct_fields__ if n not in Coat.__struct_fields__)
    return tuple(getattr(coat, name) for name in names)


def _beneath(coat: Ripple, context: CoatContext) -> object:
    if coat.by != "ground" or context.backdrop is None:
        return None
    return context.backdrop.key("beneath"), _around(context)


def farthest_of(coat: Ripple, context: CoatContext) -> float:
    """px by which things move at most, wherever light comes from."""
    if coat.by == "waves":
        return max(abs(context.px(coat.height_x)), abs(context.px(coat.height_y)))
    return abs(context.px(coat.amount))


def displacement_of(coat: Ripple, context: CoatContext) -> tuple[Displacement, float]:
    """How things move, and px over which that changes its way."""
    x0, y0, _, _ = context.frames.piece
    if coat.by == "waves":
        high = context.px(coat.height_x), context.px(coat.height_y)
        long = context.px(coat.length_x), context.px(coat.length_y)
        # they stand still on the piece
        phase = coat.phase_x - y0 / max(long[0], 1e-3), coat.phase_y - x0 / max(long[1], 1e-3)
        used = [side for side, by in zip(long, high, strict=True) if by] or [1e3]
        return waves(high, long, phase), min(used) / 2
    amount = context.px(coat.amount)
    if coat.by == "turbulence":
        size, octaves = context.px(coat.scale), round(coat.octaves)
        whirls = turbulence(amount, size, octaves, round(coat.seed))
        return lambda x, y: whirls(x - x0, y - y0), size / 2 ** (octaves - 1)
    seen = _light(coat, context)
    if seen is None:
        return waves((0, 0), (1, 1), (0, 0)), 1e3
    smooth = context.px(coat.smooth)
    way = by_bearing(coat.bearing, amount)
    return by_light(*seen, smooth / 2, way), max(smooth, 1.0)


def _around(context: CoatContext) -> Box:
    x0, y0, x1, y1 = context.frames.piece
    piece = Box(math.floor(x0), math.floor(y0), math.ceil(x1), math.ceil(y1))
    # an outline beside the window matters as far as coats are thrown
    far = max(BEYOND, THROWN * context.em * context.scale)
    return piece.grown(BEYOND).meet(context.window.grown(far))


def _light(coat: Ripple, context: CoatContext) -> tuple[Planes, Box] | None:
    """The picture whose light moves things, and where it lies; None where there is none."""
    if coat.by == "ground":
        box = _around(context)
        if context.backdrop is None or box.empty:
            return None
        return context.backdrop.planes("beneath", 1.0, box), box
    x0, y0, x1, y1 = context.frames.piece
    box = Box(math.floor(x0), math.floor(y0), math.ceil(x1), math.ceil(y1))
    made = reduced(coat.asset, box.width, box.height, IMAGES) if coat.asset else None
    if made is None:
        return None
    size = min(box.width, 8192), min(box.height, 8192)
    planes = np.stack([cv2.resize(np.ascontiguousarray(p), size) for p in made])
    return planes, box


IMAGES = Cache(16 << 20)


def moved(chords: Chords, move: Displacement, finest: float, far: float) -> Chords:
    """(m, 4) px: an outline through a displacement that changes over `finest` px by up to `far`."""
    if not len(chords):
        return chords
    # a wave's chord is off by its curvature times the square of its length, over eight
    longest = math.sqrt(8 * OFF / max(far, 1e-6)) * finest / math.pi
    fine = subdivided(chords, min(max(longest, FINEST), LONGEST))
    starts = displaced_points(move, fine[:, :2])
    ends = displaced_points(move, fine[:, 2:])
    found = sound_outline(np.hstack([starts, ends]))
    return united_outlines([found]) if far * math.pi / max(finest, 1e-6) > FOLDS else found


def subdivided(chords: Chords, longest: float) -> Chords:
    """(n, 4): the same outline in chords of at most so many px."""
    count = np.maximum(np.ceil(np.hypot(*(chords[:, 2:] - chords[:, :2]).T) / longest), 1).astype(
        int
    )
    which = np.repeat(np.arange(len(chords)), count)
    step = np.arange(len(which)) - np.repeat(np.cumsum(count) - count, count)
    start, end = step / count[which], (step + 1) / count[which]
    a, way = chords[which, :2], chords[which, 2:] - chords[which, :2]
    last = end == 1
    ends = np.where(last[:, None], chords[which, 2:], a + way * end[:, None])
    return np.hstack([a + way * start[:, None], ends])
