"""One of each that can be added, in tests alone: whatever the program does with its own, it does with
these too."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import ExitStack, contextmanager
from typing import Annotated

import msgspec
import numpy as np
import skia

from anole.core import tone
from anole.core.box import Box
from anole.core.coats import registry as coats
from anole.core.coats.context import CoatContext, Overlap, Reads
from anole.core.coats.kind import Cover, PaintedCoat, StackPlace
from anole.core.files.formats.format import Encoding, Format, flattened
from anole.core.marks import shapes as marks
from anole.core.model import Coat, Coated, Colour, ColourPaint, Length
from anole.core.model.coats.base import PaintField
from anole.core.model.fields import length, meta, number, share
from anole.core.model.formats import FORMATS
from anole.core.model.paints import PaintBase
from anole.core.model.tones import ToneBase
from anole.core.paint import patterns
from anole.core.paint import source as paints
from anole.core.paint.context import PaintContext
from anole.core.paint.handles import Laying, PaintHandle
from anole.core.paint.kind import PaintKind
from anole.core.paint.patterns.grid import Grid, PatternParams
from anole.core.pieces import registry as pieces
from anole.core.pieces.coated_kind import CoatedKind
from anole.core.pieces.placing.placement import Placement, placed_chords, placement_of
from anole.core.tone import Operation, Where


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


class Half(PaintBase, frozen=True, cache_hash=True, kw_only=True, tag="half"):
    """Two colours, side by side."""

    left: Annotated[Colour, meta("Left", "Left of the middle")] = Colour(255, 0, 0)
    right: Annotated[Colour, meta("Right", "Right of it")] = Colour(0, 0, 255)
    at: Annotated[float, share("Middle", "Share of the piece's width")] = 0.5


class HalfKind(PaintKind[Half]):
    struct = Half
    title = "half and half"

    def rasterise(self, paint: Half, context: PaintContext) -> np.ndarray:
        x0, _, x1, _ = context.frames.piece
        left = np.arange(context.box.x0, context.box.x1) + 0.5 < x0 + paint.at * (x1 - x0)
        colours = np.array([paint.right.floats, paint.left.floats], np.float32)
        return np.ascontiguousarray(colours[left.astype(int)].T[:, None])

    def handles(self, paint: Half, laid: Laying) -> list[PaintHandle]:
        x0, y0, _, _ = laid.frame
        return [PaintHandle.at("middle", laid.sides * (paint.at, 0.5) + (x0, y0))]

    def pulled(self, paint: Half, laid: Laying, kind: str, at: np.ndarray) -> Half:
        across = (float(at[0]) - laid.frame[0]) / float(laid.sides[0])
        return msgspec.structs.replace(paint, at=min(max(across, 0.0), 1.0))


class Swap(ToneBase, frozen=True, cache_hash=True, kw_only=True, tag="swap"):
    """Red and blue change places."""

    amount: Annotated[float, share("Amount", "How far")] = 1.0


def _swapped(op: Swap, planes: np.ndarray, where: Where) -> np.ndarray:
    return planes + (planes[::-1] - planes) * np.float32(op.amount)


SWAP = Operation(Swap, _swapped, called="Red for blue")


def _steps(grid: Grid, params: PatternParams) -> np.ndarray:
    """Dark in the upper left quarter of the tile."""
    u, v = np.broadcast_arrays(grid.u % 1, grid.v % 1)
    return np.where((u < 0.5) & (v < 0.5), 0, 1).astype(np.float32)


def _square() -> skia.Path:
    path = skia.Path()
    path.addRect(skia.Rect.MakeLTRB(-400, -400, 400, 400))
    return path


def _portable(pixels: np.ndarray, encoding: Encoding) -> bytes:
    """A portable pixmap (PPM, P6)."""
    head = f"P6 {pixels.shape[1]} {pixels.shape[0]} 255\n".encode()
    return head + flattened(pixels).tobytes()


PORTABLE = Format("portable", (".ppm",), "Portable", alpha=False, encode=_portable)


@contextmanager
def registered() -> Iterator[None]:
    """All of them, for as long as a block runs."""
    with ExitStack() as stack:
        for one in (
            coats.lent(HatchKind()),
            pieces.lent(BadgeKind()),
            FORMATS.lent("portable", PORTABLE),
            paints.lent(HalfKind()),
            tone.lent(SWAP),
            patterns.lent("steps", _steps),
            marks.lent("square", _square),
        ):
            stack.enter_context(one)
        yield
