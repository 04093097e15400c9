"""The whole of a piece with walls and copies: its letters, strokes and all these as one shape.

Two levels, so there are no circles: walls and copies follow the letters with their strokes, and all
other coats that follow the whole follow that joined with walls and copies.
"""

from __future__ import annotations

from collections.abc import Sequence

from ...box import Box
from ...coats.context import EDGE, CoatContext, Overlap
from ...coats.keys import added_key
from ...coats.registry import kind_of
from ...coats.shape import sound_outline
from ...field.outset import Outset
from ...field.polygons import united_outlines
from ...field.shape_fields import ShapeFields, greatest_inside, ink_box
from ...model import Coat
from ..contexts import field_box
from ..placing.view import View
from .shared_edges import LAP, hides, shared_edges


def follows_joined(coat: Coat) -> bool:
    """Whether a coat follows the letters with all that was added to them."""
    kind = kind_of(coat)
    return kind.whole(coat) and not kind.extends


def joined_context(coats: Sequence[Coat], context: CoatContext, view: View) -> CoatContext | None:
    """The surroundings of coats that follow the whole; None where nothing but strokes adds to it."""
    adding = [coat for coat in coats if kind_of(coat).extends]
    followers = [coat for coat in coats if follows_joined(coat)]
    if not adding or not followers:
        return None
    key = (
        "joined",
        context.shape.key,
        context.outset,
        context.window,
        *(added_key(kind_of(coat), coat, context) for coat in adding),
    )

    def make() -> tuple:
        added = [kind_of(coat).adds(coat, context) for coat in adding]
        chords = sound_outline(united_outlines([context.edge_chords(True), *added]))
        return chords, greatest_inside(chords)

    chords, core = view.cache.get(("joined outline", key), make)
    ink = ink_box(chords)

    def fields(box: Box) -> ShapeFields:
        return ShapeFields(key, chords, ink, box, core, view.cache, context.shape.smooth)

    first = context._replace(shape=fields(ink), outset=Outset())
    return first._replace(shape=fields(field_box(followers, first, view)))


def overlaps(
    coats: Sequence[Coat], context: CoatContext, joined: CoatContext | None
) -> list[Overlap]:
    """For each coat, bottom first, how far its ends run under coats above it."""
    if joined is None:
        return shared_edges(coats, context)
    apart = [follows_joined(coat) for coat in coats]
    found: dict[int, Overlap] = {}
    for which, there in ((True, joined), (False, context)):
        places = [n for n, one in enumerate(apart) if one is which]
        found.update(zip(places, shared_edges([coats[n] for n in places], there), strict=True))
    walls = [n for n, coat in enumerate(coats) if kind_of(coat).extends]
    for n, coat in enumerate(coats):
        lines = [coats[m] for m in range(n + 1, len(coats)) if apart[m] and hides(coats[m])]
        if apart[n] and any(above > n for above in walls):
            found[n] = found[n]._replace(inner=LAP)
        elif _meets_edge(coat, context) and any(_ends_on_edge(line, joined) for line in lines):
            found[n] = found[n]._replace(outer=LAP)
    return [found[n] for n in range(len(coats))]


def _meets_edge(coat: Coat, context: CoatContext) -> bool:
    """Whether a coat goes as far as the whole does, somewhere."""
    if kind_of(coat).extends:
        return True
    ends = kind_of(coat).ends(coat, context)
    return ends is not None and context.outset.by > 0 and abs(ends[0] + context.outset.by) < EDGE


def _ends_on_edge(coat: Coat, joined: CoatContext) -> bool:
    """Whether a coat lies outside, right beside the edge."""
    ends = kind_of(coat).ends(coat, joined)
    return ends is not None and abs(ends[1]) < EDGE
