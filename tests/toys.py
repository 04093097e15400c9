"""A coat, a kind of piece and a format that exist in tests alone: whatever the program does with its own, it
does with these too."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Annotated

import numpy as np

from anole.core.box import Box
from anole.core.coats import registry as coats
from anole.core.coats.context import CoatContext, Overlap, Reads
from anole.core.coats.kind import Cover, PaintedCoat, StackPlace
from anole.core.files.formats.format import Encoding, Format, flattened
from anole.core.model import Coat, Coated, Colour, ColourPaint, Length
from anole.core.model.coats.base import PaintField
from anole.core.model.fields import length, number
from anole.core.model.formats import FORMATS
from anole.core.pieces import registry as pieces
from anole.core.pieces.kind import CoatedKind
from anole.core.pieces.placing.placement import Placement, placed_chords, placement_of


class Hatch(Coat, frozen=True, cache_hash=True, kw_only=True, tag="hatch"):
    """Level lines over the face. Of `strength` nothing is said but its type."""

    paint: PaintField = ColourPaint(colour=Colour(200, 30, 30))
    pitch: Annotated[
        Length, length("Pitch", "From one line to the next", (2, 60), low=1, group="Lines")
    ] = Length(0.1, "em")
    strength: float = 0.5


class HatchKind(PaintedCoat[Hatch]):
    struct = Hatch
    title, family, about = "Hatch", "Face", "level lines over the face"
    place = StackPlace.LINE
    coverage = ("pitch", "strength")
    coverage_reads = Reads.UNITS

    def cover(self, coat: Hatch, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        rows = np.arange(box.y0, box.y1) + 0.5
        on = np.floor(rows / max(context.px(coat.pitch) / 2, 0.5)) % 2 == 0
        plane = np.repeat((on * coat.strength)[:, None], box.width, 1)
        return Cover(np.ascontiguousarray(plane, np.float32), outside=False, face=True)


class Badge(Coated, frozen=True, cache_hash=True, kw_only=True, tag="badge"):
    """A polygon."""

    sides: Annotated[float, number("Sides", "How many", 3, 12, step=1)] = 5
    width: Annotated[Length, length("Width", "From side to side", (10, 600), low=1, no_em=True)] = (
        Length(100.0)
    )
    motto: str = "Skate"


class BadgeKind(CoatedKind[Badge]):
    struct = Badge
    title = "badge"
    outline_fields = ("sides", "width")

    def placement(self, piece: Badge, dpi: float) -> Placement:
        return placement_of(piece, (-0.5, -0.5, 0.5, 0.5), piece.width.px(1.0, dpi))

    def chords(self, piece: Badge, dpi: float, scale: float) -> np.ndarray:
        turn = np.linspace(0, 2 * np.pi, round(piece.sides), endpoint=False)
        ends = 0.5 * np.column_stack([np.sin(turn), -np.cos(turn)])
        after = np.roll(ends, -1, 0)
        shares = np.array([0, 1 / 3, 2 / 3, 1])[None, :, None]
        curves = ends[:, None] + (after - ends)[:, None] * shares
        return placed_chords(curves, self.placement(piece, dpi), scale)

    def resized(self, piece: Badge, ratio: float) -> dict[str, Length]:
        # coats are measured in widths, so they grow with it
        return {"width": Length(max(piece.width.value * ratio, 10), piece.width.unit)}

    def text(self, piece: Badge) -> str:
        return piece.motto


def _portable(pixels: np.ndarray, encoding: Encoding) -> bytes:
    """A portable pixmap (PPM, P6)."""
    head = f"P6 {pixels.shape[1]} {pixels.shape[0]} 255\n".encode()
    return head + flattened(pixels).tobytes()


PORTABLE = Format("portable", (".ppm",), "Portable", alpha=False, encode=_portable)


@contextmanager
def registered() -> Iterator[None]:
    """All of them, for as long as a block runs."""
    with coats.lent(HatchKind()), pieces.lent(BadgeKind()), FORMATS.lent("portable", PORTABLE):
        yield
