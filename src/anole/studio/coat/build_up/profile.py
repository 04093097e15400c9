"""The px of a coat's band in the build-up: its own coverage and light, and what it is painted with."""

from __future__ import annotations

import functools

import msgspec
import numpy as np

from ....core.arrays import AnyArray, Reals
from ....core.box import Box
from ....core.cache import Cache
from ....core.coats.registry import kind_of
from ....core.coats.section import CrossSection, profile
from ....core.model import Coat, Paint
from ....core.paint.context import PaintContext
from ....core.paint.frames import Frames
from ....core.paint.source import KINDS, source
from ....core.units import Units

CACHE = Cache(16 << 20)
LEAST_SEEN = 0.004


def _laid(paint: Paint, count: int, em: float) -> AnyArray:
    """A row of px through the middle of a square letter."""
    frame = (0.0, -em / 2, em, em / 2)
    context = PaintContext(Frames(frame, frame), Box(0, 0, count, 1), CACHE, Units(em))
    return source(KINDS[type(paint)].stand_in(paint), context)[:, 0]


def colours(paint: Paint, count: int, em: float = 100.0) -> AnyArray:
    """(4, count) straight colours of a paint, a gradient from its start to its end."""
    shown = KINDS[type(paint)].in_section(paint, count, em)
    return np.broadcast_to(_laid(paint, count, em), (4, count)) if shown is None else shown


@functools.lru_cache(512)
def _row(coat: Coat, section: CrossSection, where: bytes) -> AnyArray:
    at = np.frombuffer(where)
    shown = profile(coat, section, at, CACHE)
    alpha = shown.coverage * coat.opacity
    seen = np.flatnonzero(alpha > LEAST_SEEN)
    rgba = np.zeros((4, len(at)))
    if len(seen):
        part = slice(seen[0], seen[-1] + 1)
        paints = kind_of(coat).paints(coat)
        if shown.colours is not None:
            rgba[:, part] = shown.colours[:, part]
        elif paints:
            # the paint runs over what can be seen of the coat
            rgba[:, part] = colours(paints[0], part.stop - part.start, section.em)
    rgba[3] *= alpha
    return np.ascontiguousarray((np.clip(rgba, 0, 1).T * 255 + 0.5).astype(np.uint8))


def row_pixels(coat: Coat, section: CrossSection, at: Reals) -> AnyArray:
    """(count, 4) uint8 straight RGBA of a coat's band at positions `at`, board px."""
    return _row(msgspec.structs.replace(coat, id="-", name="", on=True), section, at.tobytes())
