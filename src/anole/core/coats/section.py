"""A cut through a straight edge: what each coat shows along it, by the functions that render it.

The edge stands upright at x = 0, outside to the left, and the shape goes on beyond its core, so
that a row of px across it is all that there is to see.
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from ..arrays import Plane, Planes, Values
from ..box import Box
from ..cache import Cache
from ..field.outset import Outset, outset
from ..field.shape_fields import ShapeFields
from ..model import Coat, Lamp
from ..paint.context import PaintContext
from ..paint.frames import Frames
from .context import CoatContext, Overlap
from .kind import CoatKind
from .registry import kind_of

ROWS = 9
"""Rows of the strip that is rendered; the middle one is looked at."""
FINEST, MOST_PX = 4.0, 900.0
"""px of the strip for one board px, and of all of it, at most."""
TALL = 1e5
"""px by which the edge goes on up and down: beyond all that a coat looks at."""
ABOVE = 1 / 3
"""Share of the frame that lies above the row: not its middle, where many a cut is."""
MARGIN = 8.0
"""px beyond what is looked at that fields reach: blurs look there too."""


class CrossSection(NamedTuple):
    """What the drawing is measured by, board px.

    em, dpi : of the piece; core : its greatest inside distance
    lamp : the board's; outset : what strokes add to the shape, px of the strip
    """

    em: float
    core: float
    dpi: float
    lamp: Lamp
    outset: Outset = Outset()

    @property
    def grown(self) -> float:
        """How far the edge of the whole lies outside the shape."""
        return self.outset.by

    def base(self, coat: Coat) -> float:
        """How far the edge that a coat follows lies outside the shape."""
        return self.grown if kind_of(coat).whole(coat) else 0.0

    def ends(self, coat: Coat) -> tuple[float, float] | None:
        """A coat's `from` and `to` across the shape's edge; None without a span."""
        span = kind_of(coat).span(coat)
        if span is None:
            return None
        base = self.base(coat)
        first, last = (
            min(end.px(self.em, self.dpi), self.core) - base for end in (span.from_, span.to)
        )
        return first, last


class Profile(NamedTuple):
    """What a coat shows along positions across the edge.

    coverage : (n,) float32, 0..1; colours : (4, n) straight, None for a coat that takes its paint's
    """

    coverage: Plane
    colours: Planes | None


def section_of(
    style: Sequence[Coat], em: float, core: float, dpi: float, lamp: Lamp
) -> CrossSection:
    """The section of a style, with what its strokes add to the shape."""
    bare = CrossSection(em, max(core, 0.5), dpi, lamp)
    context = surroundings(bare)
    added = (kind_of(coat).outset(coat, context) for coat in style if coat.on)
    return bare._replace(outset=outset(stroke for stroke in added if stroke is not None))


def _scaled(whole: Outset, scale: float) -> Outset:
    strokes = tuple(stroke._replace(by=stroke.by * scale) for stroke in whole.strokes)
    return Outset(strokes)


def _context(
    section: CrossSection, outer: float, scale: float, cache: Cache, throw: float = 0.0
) -> CoatContext:
    """The surroundings of coats at the edge; `outer` board px of what lies outside are seen, and
    fields reach `throw` px of the strip further."""
    core, em = section.core * scale, section.em * scale
    left, right = -outer * scale, core + TALL
    chords = np.array(
        [
            (0.0, TALL, 0.0, -TALL),
            (0.0, -TALL, right, -TALL),
            (right, -TALL, right, TALL),
            (right, TALL, 0.0, TALL),
        ]
    )
    box = Box(int(left) - 1, -(ROWS // 2), int(core) + 2, ROWS - ROWS // 2)
    key = ("section", core, box, throw)
    ink = Box(0, box.y0, box.x1, box.y1)
    fields = ShapeFields(key, chords, ink, box.grown(MARGIN + throw), core, cache)
    frame = (0.0, -em * ABOVE, 2 * core, em * (1 - ABOVE))
    return CoatContext(
        fields,
        section.em,
        section.dpi,
        scale,
        section.lamp,
        Frames(frame, frame),
        box,
        _scaled(section.outset, scale),
        cache,
    )


def surroundings(section: CrossSection) -> CoatContext:
    """What a coat's numbers are measured by, in board px."""
    return _context(section, 1.0, 1.0, Cache(1 << 20))


def _scale(section: CrossSection, at: Values) -> float:
    """px of the strip for one board px: as fine as the drawing, within bounds."""
    reach = max(float(at[-1] - at[0]), 1e-3)
    return min(len(at) / reach, FINEST, MOST_PX / reach)


def outermost(coat: Coat, section: CrossSection, most: float) -> float:
    """Board px outside the edge that a coat reaches, looked for up to `most`."""
    kind = kind_of(coat)
    context = _context(section, most, 1.0, Cache(1 << 20))
    box = kind.box(kind.sectioned(coat, section.lamp), context)
    return 0.0 if box.empty else float(max(-box.x0, 0))


def profile(coat: Coat, section: CrossSection, at: Values, cache: Cache) -> Profile:
    """What a coat shows at positions `at`: (n,) board px, rising, + inside."""
    kind = kind_of(coat)
    coat = kind.sectioned(coat, section.lamp)
    scale = _scale(section, at)
    outer = max(-float(at[0]), 1.0)
    plain = _context(section, outer, scale, cache)
    throw = kind.reach(coat, plain).throw
    context = plain if throw == 0 else _context(section, outer, scale, cache, throw)
    box = kind.box(coat, context)
    if box.empty:
        return Profile(np.zeros(len(at), np.float32), None)
    middles = (np.arange(box.x0, box.x1) + 0.5) / scale
    cover = kind.cover(coat, context, box, Overlap())
    row = cover.plane[-box.y0 if cover.plane.shape[0] > 1 else 0]
    along = np.interp(at, middles, row, 0.0, float(row[-1])).astype(np.float32)
    # cut at the edge itself, as the shape's own coverage does
    along[(at < 0) & (not cover.outside)] = 0
    along[(at >= 0) & (not cover.face)] = 0
    return Profile(along, _colours(kind, coat, context, box, at * scale))


def _colours(
    kind: CoatKind, coat: Coat, context: CoatContext, box: Box, at: Values
) -> Planes | None:
    if not kind.colour_fields(coat):
        return None
    paint = PaintContext(context.frames, box, context.cache, context.units)
    colours = kind.source(coat, context, paint)
    colours = np.broadcast_to(colours, (4, box.height, box.width))[:, -box.y0]
    return np.stack([np.interp(at, np.arange(box.x0, box.x1) + 0.5, part) for part in colours])


def throw_at(coat: Coat, section: CrossSection) -> tuple[float, float] | None:
    """From where to where a coat is thrown along the section, board px; None for one that is not."""
    kind = kind_of(coat)
    coat = kind.sectioned(coat, section.lamp)
    throw = kind.throw(coat, surroundings(section))
    if throw is None:
        return None
    start = 0.0 if throw.dx > 0 else -section.base(coat)
    return start, start + throw.dx
