"""The one place that makes cache keys of coats, from what their kinds declare."""

from __future__ import annotations

from collections.abc import Hashable
from typing import Any

from ..box import Box
from ..model import Coat
from ..paint.context import PaintContext
from ..paint.source import value_of
from .context import CoatContext, Overlap, Reads
from .kind import CoatKind


def _read(kind: CoatKind[Any], coat: Coat, context: CoatContext, reads: Reads) -> tuple:
    """The values of all that is declared to be read."""
    shape, frames, backdrop = context.shape, context.frames, context.backdrop
    whole = Reads.OUTSET in reads and kind.whole(coat)
    return (
        (shape.key, shape.box) if Reads.FIELDS in reads else None,
        context.outset if whole else None,
        context.units if Reads.UNITS in reads else None,
        (frames.piece, frames.board) if Reads.FRAME in reads else None,
        frames.letters if Reads.LETTERS in reads else None,
        (kind.lamp(coat) or context.lamp) if Reads.LAMP in reads else None,
        backdrop.key("beneath") if backdrop and Reads.BENEATH in reads else None,
        backdrop.key("own") if backdrop and Reads.OWN in reads else None,
    )


def _fields(coat: Coat, names: tuple[str, ...]) -> tuple:
    return tuple(getattr(coat, name) for name in names)


def coverage_key(
    kind: CoatKind[Any], coat: Coat, context: CoatContext, box: Box, overlap: Overlap
) -> tuple[Hashable, ...]:
    """All that a coat's coverage over `box` comes from."""
    own = _fields(coat, kind.coverage)
    return ("cover", kind.tag, own, box, overlap, *_read(kind, coat, context, kind.coverage_reads))


def colour_key(
    kind: CoatKind[Any], coat: Coat, context: CoatContext, paint: PaintContext
) -> tuple[Hashable, ...]:
    """All that a coat's colours over paint.box come from."""
    own = _fields(coat, kind.colour_fields(coat))
    paints = tuple(value_of(laid, paint) for laid in kind.paints(coat))
    read = _read(kind, coat, context, kind.colour_reads)
    return ("colour", kind.tag, own, paints, paint.box, *read)
