"""What a coat declares of itself: everything the program knows of it is asked here.

The renderer, the cache, the build-up, the snapping, the sheet of additions, the panel and the place of a new
coat in a stack all read these declarations; none of them knows any coat by name.
"""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Sequence
from enum import IntEnum
from typing import Any, NamedTuple, Protocol, TypeVar

import msgspec
import numpy as np

from ..arrays import Chords, Planes, Reals
from ..box import Box
from ..compose.cover import Cover, full
from ..field.outset import StrokeOutset
from ..model import Coat, Lamp, Length, Paint, Span
from ..model.open_union import tag_of
from ..paint.context import PaintContext
from ..paint.frames import Frames
from ..paint.source import source as paint_source
from .context import CoatContext, Overlap, Reach, Reads
from .shape import Shape

C = TypeVar("C", bound=Coat)


class StackPlace(IntEnum):
    """Where a coat naturally goes in a stack: above all that has a lower place."""

    GROUND = 0
    HALO = 1
    LINE = 2
    TOP = 3


class Throw(NamedTuple):
    """How a coat's own px lie to those that threw them, px to the right and down."""

    dx: float
    dy: float


class CoatKind(Protocol[C]):
    """One kind of coat. Subclass it, say what differs, and register an instance.

    coverage : the fields of its struct that touch its coverage; all others touch only its colours
    coverage_reads, colour_reads : what of the context its coverage and its own colours come from
    mark : its small drawing, SVG shapes in a box of 16 x 16 drawn with a line of 1.5 in any colour
    left_out_of : pictures of the whole piece without it, for coats that show the piece once more and
        must not show themselves: "face" (walls), "lit" (copies, streaks), "mirrored"
    across : it has a place across the edge, and a band in the drawing of a section
    extends : it adds to the shape for coats that follow the whole, and itself follows the letters or
        what strokes add to them
    covers : it paints all of the face, whatever was painted there
    tells : the two or three fields that make it what it is, for whoever shows how a look is built
    stronger : fields of a fresh one, each more than the ones before, for where it would show nothing
    An undeclared read gives stale pictures: while guard.ON is set it raises instead.
    """

    struct: type[C]
    title: str
    family: str
    about: str
    mark: str = '<circle cx="8" cy="8" r="3.5"/>'
    place: StackPlace = StackPlace.TOP
    coverage: tuple[str, ...] = ()
    coverage_reads: Reads = Reads.FIELDS
    colour_reads: Reads = Reads.NOTHING
    left_out_of: tuple[str, ...] = ()
    across: bool = True
    extends: bool = False
    covers: bool = False
    tells: tuple[str, ...] = ()
    stronger: tuple[dict[str, Any], ...] = ()

    # in words

    def why(self, coat: C) -> str:
        """One sentence: what it does for the look. Users' own notes go before it."""
        return f"It {self.about}."

    # pixels

    def reach(self, coat: C, context: CoatContext) -> Reach:
        """How far it needs the distance field, and how far it throws pixels."""
        return Reach()

    def box(self, coat: C, context: CoatContext) -> Box:
        """The least box of px that it may touch."""
        return context.around(0)

    @abstractmethod
    def cover(self, coat: C, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        """Its coverage over `box`."""

    def paints(self, coat: C) -> tuple[Paint, ...]:
        """The paints that its colours come from."""
        return ()

    def colour_fields(self, coat: C) -> tuple[str, ...]:
        """The fields that its colours come from besides its paints."""
        return tuple(n for n in self.struct.__struct_fields__ if n not in Coat.__struct_fields__)

    @abstractmethod
    def source(self, coat: C, context: CoatContext, paint: PaintContext) -> Planes:
        """(4, H, W) float32 straight colours over paint.box; (4, 1, W) or (4, H, 1) where all rows
        or columns are the same."""

    def copies(self, coat: C, frames: Frames) -> Sequence[tuple[C, Frames]]:
        """The coat, and the frames its paint is stretched over, once for each time it is laid."""
        return [(coat, frames)]

    # acting on the shape and on the picture

    def shapes(self, coat: C) -> bool:
        """Whether it changes the shape before any coat sees it."""
        return False

    def reshaped(self, coat: C, shape: Shape, context: CoatContext) -> Shape:
        """The shape that other coats see instead; its context is that of the shape alone."""
        return shape

    def reworks(self, coat: C) -> bool:
        """Whether it changes the picture that the piece has painted so far."""
        return False

    def sees_beneath(self, coat: C) -> bool:
        """Whether anything of it comes from what lies beneath the piece."""
        return bool((Reads.BENEATH | Reads.PAINTED) & (self.coverage_reads | self.colour_reads))

    def rework_margin(self, coat: C, context: CoatContext) -> float:
        """px beyond a px that what it makes of the picture depends on."""
        return 0.0

    def reworked(self, coat: C, planes: Planes, box: Box, context: CoatContext) -> Planes:
        """(4, H, W) premultiplied, 0..1, over a box: what becomes of all that the piece painted so
        far; `planes` is not to be written to."""
        return planes

    # where it lies

    def whole(self, coat: C) -> bool:
        """Whether it follows the edge of the shape with all that strokes add to it."""
        return False

    def span(self, coat: C) -> Span | None:
        """Where it lies across the edge, which is its field `span`; None for all of the face."""
        return None

    def ends(self, coat: C, context: CoatContext) -> tuple[float, float] | None:
        """Its outer and inner end across the shape's own edge, px; None without a span."""
        span = self.span(coat)
        if span is None:
            return None
        base = context.base(self.whole(coat))
        outer, inner = context.ends(span)
        return outer - base, inner - base

    def sprayed(self, coat: C) -> Paint | None:
        """The paint whose specks break its coverage."""
        return None

    def outset(self, coat: C, context: CoatContext) -> StrokeOutset | None:
        """What it adds to the shape for coats that follow the whole."""
        return None

    def adds(self, coat: C, context: CoatContext) -> Chords:
        """(m, 4) px: outlines of what it adds to the whole, where it `extends` the shape."""
        return context.shape.chords[:0]

    def opaque(self, coat: C) -> bool:
        """Whether its colours surely hide what lies beneath."""
        return False

    # what it is held by

    def lamp(self, coat: C) -> Lamp | None:
        """A lamp of its own, which is its field `lamp`."""
        return None

    def held(self, coat: C) -> Paint | None:
        """The paint, its field `paint`, that handles on the board move and turn."""
        return None

    def throw(self, coat: C, context: CoatContext) -> Throw | None:
        """Where its picture of the shape lies; None for one that is not thrown."""
        return None

    def thrown_to(self, coat: C, context: CoatContext, throw: Throw) -> dict[str, Any]:
        """The fields that throw it there."""
        return {}

    def aim(self, coat: C) -> tuple[float, float] | None:
        """The point that it runs toward, its fields `point_x` and `point_y`, shares of the board."""
        return None

    def bow(self, coat: C) -> float | None:
        """How far the path to where it is thrown bends to its right, a share of its length: its
        field `bow`; None for a straight one."""
        return None

    def measure(self, coat: C) -> tuple[str, Length] | None:
        """The one length that tells coats of its kind apart, where they have no span."""
        return None

    # drawn as a section

    def sectioned(self, coat: C, lamp: Lamp) -> C:
        """The coat as it is drawn at an edge that faces left; `lamp` is the board's."""
        return coat

    def heights(self, coat: C, share: Reals) -> Reals | None:
        """(n,) 0..1: its cross-section at shares of its span, 0 at the outer end; None if flat."""
        return None

    def faded(self, coat: C, share: float) -> C:
        """The coat with so much of its strength, 0..1."""
        return msgspec.structs.replace(coat, opacity=coat.opacity * share)

    def samples(self) -> tuple[C, ...]:
        """Coats of its kind that between them use each of its kernels."""
        return (self.struct(id="sample"),)

    @property
    def tag(self) -> str:
        """The `kind` by which files name the coat."""
        return tag_of(self.struct)

    @property
    def lit(self) -> bool:
        """Whether it follows a lamp."""
        return Reads.LAMP in self.coverage_reads | self.colour_reads


class PaintedCoat(CoatKind[C], Protocol[C]):
    """A coat whose colours are those of its one paint, the field `paint`."""

    def paint(self, coat: C) -> Paint:
        """The paint of `coat`."""
        return coat.paint  # type: ignore[attr-defined]

    def paints(self, coat: C) -> tuple[Paint, ...]:
        return (self.paint(coat),)

    def colour_fields(self, coat: C) -> tuple[str, ...]:
        return ()

    def sprayed(self, coat: C) -> Paint | None:
        return self.paint(coat)

    def held(self, coat: C) -> Paint | None:
        return self.paint(coat)

    def source(self, coat: C, context: CoatContext, paint: PaintContext) -> Planes:
        return paint_source(self.paint(coat), paint)


class ActingKind(CoatKind[C], Protocol[C]):
    """A coat that paints nothing by itself: it acts on the shape, or on what others paint."""

    across: bool = False
    coverage_reads: Reads = Reads.NOTHING

    def cover(self, coat: C, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        return Cover(full(box) * 0, outside=True, face=True)

    def source(self, coat: C, context: CoatContext, paint: PaintContext) -> Planes:
        return np.zeros((4, 1, paint.box.width), np.float32)


__all__ = [
    "ActingKind",
    "CoatContext",
    "CoatKind",
    "Cover",
    "Overlap",
    "PaintedCoat",
    "Reach",
    "Reads",
    "StackPlace",
    "Throw",
]
