"""The one place that makes cache keys of coats, from what their kinds declare."""

from __future__ import annotations

import functools
from collections.abc import Callable, Hashable
from typing import Any

from ..box import Box
from ..model import Coat
from ..paint.context import PaintContext
from ..paint.source import value_of
from .context import CoatContext, Overlap, Reads
from .kind import CoatKind

Reader = Callable[[CoatKind[Any], Coat, CoatContext], Hashable]


def _outset(kind: CoatKind[Any], coat: Coat, context: CoatContext) -> Hashable:
    return context.outset if kind.whole(coat) else None


def _picture(of: str) -> Reader:
    def read(kind: CoatKind[Any], coat: Coat, context: CoatContext) -> Hashable:
        return context.backdrop.key(of) if context.backdrop else None

    return read


READERS: dict[Reads, Reader] = {
    Reads.FIELDS: lambda kind, coat, context: (
        context.shape.key,
        context.shape.box,
        context.depth_axis,
    ),
    Reads.OUTSET: _outset,
    Reads.UNITS: lambda kind, coat, context: context.units,
    Reads.FRAME: lambda kind, coat, context: (context.frames.piece, context.frames.board),
    Reads.LETTERS: lambda kind, coat, context: context.frames.letters,
    Reads.LAMP: lambda kind, coat, context: kind.lamp(coat) or context.lamp,
    Reads.BENEATH: _picture("beneath"),
    Reads.PAINTED: _picture("painted"),
    Reads.FACE: _picture("face"),
    Reads.LIT: _picture("lit"),
    Reads.MIRRORED: _picture("mirrored"),
    Reads.OWN: _picture("own"),
}
"""The value of each thing that can be declared to be read."""


SHAPE = Reads.FIELDS | Reads.OUTSET | Reads.UNITS | Reads.FRAME


@functools.cache
def _readers(reads: Reads) -> tuple[Reader, ...]:
    # flags are slow to ask, and every coat of every frame would ask them all
    return tuple(reader for flag, reader in READERS.items() if flag in reads)


def _read(kind: CoatKind[Any], coat: Coat, context: CoatContext, reads: Reads) -> tuple:
    """The values of all that is declared to be read."""
    return tuple(reader(kind, coat, context) for reader in _readers(reads))


def _fields(coat: Coat, names: tuple[str, ...]) -> tuple:
    return tuple(getattr(coat, name) for name in names)


def coverage_key(
    kind: CoatKind[Any], coat: Coat, context: CoatContext, box: Box, overlap: Overlap
) -> tuple[Hashable, ...]:
    """All that a coat's coverage over `box` comes from."""
    own = _fields(coat, kind.coverage)
    return ("cover", kind.tag, own, box, overlap, *_read(kind, coat, context, kind.coverage_reads))


def added_key(kind: CoatKind[Any], coat: Coat, context: CoatContext) -> tuple[Hashable, ...]:
    """All that the outlines that a coat adds to the whole come from."""
    own = _fields(coat, kind.coverage)
    return ("added", kind.tag, own, *_read(kind, coat, context, kind.coverage_reads & SHAPE))


def colour_key(
    kind: CoatKind[Any], coat: Coat, context: CoatContext, paint: PaintContext
) -> tuple[Hashable, ...]:
    """All that a coat's colours over paint.box come from."""
    own = _fields(coat, kind.colour_fields(coat))
    paints = tuple(value_of(laid, paint) for laid in kind.paints(coat))
    read = _read(kind, coat, context, kind.colour_reads)
    return ("colour", kind.tag, own, paints, paint.box, *read)
