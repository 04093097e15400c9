"""Copies: the silhouette or the painted piece, laid along a path, the farthest first."""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np

from ... import bands
from ...arrays import Chords, Matrix, Plane, Planes, Records
from ...box import Box, around
from ...field.coverage import rasterise
from ...field.polygons import united_outlines
from ...field.raster import traced
from ...field.shape_fields import ink_box
from ...field.shifted_copies import laid_moved
from ...kernels import njit
from ...model import Copies, Length
from ...paint.context import PaintContext
from ...paint.own import straight
from ..context import CoatContext, Overlap, Reads
from ..inks import WARM
from ..kind import Cover, PaintedCoat, StackPlace, Throw
from ..throwing import thrown

AROUND = 0.6
"""em round the outlines within which a piece's picture is looked for."""


FARTHEST = 2.0
"""Sizes of what is looked at within which copies come from, where these are much smaller."""
COUNTS = 0.5
"""Strength from which on a copy belongs to the whole."""
MOST_UNITED, MARGIN = 20_000, 64
"""Chords of all copies that are united exactly; px beyond the window that are looked at else."""
HIDDEN = 0.002
"""What a px lets through of copies farther away from which on they are not looked at."""


class Copy(NamedTuple):
    """matrix : (2, 3) px to px; strength : 0..1"""

    matrix: Matrix
    strength: float


def path(coat: Copies, context: CoatContext) -> list[Copy]:
    """The copies, nearest first, about the middle of the piece."""
    end = np.array([context.px(coat.to_x), context.px(coat.to_y)])
    bend = end / 2 + coat.bow * np.array([-end[1], end[0]])
    x0, y0, x1, y1 = context.frames.piece
    middle = np.array([(x0 + x1) / 2, (y0 + y1) / 2])
    count, made = round(coat.count), []
    for n in range(1, count + 1):
        s = n / count
        moved = 2 * s * (1 - s) * bend + s * s * end
        scale, turn = 1 + (coat.grow - 1) * s, math.radians(coat.turn * s)
        linear = scale * np.array(
            [[math.cos(turn), -math.sin(turn)], [math.sin(turn), math.cos(turn)]]
        )
        # what is only moved is so to the bit
        shift = moved if coat.grow == 1 and coat.turn == 0 else middle + moved - linear @ middle
        matrix = np.column_stack([linear, shift])
        share = (n - 1) / max(count - 1, 1)
        made.append(Copy(matrix, coat.near + (coat.far - coat.near) * share))
    return made


def _landing(box: Box, matrix: Matrix) -> Box:
    """The px that a box comes to lie in."""
    corners = np.array([[box.x0, box.y0], [box.x1, box.y0], [box.x1, box.y1], [box.x0, box.y1]])
    there = np.clip(corners @ matrix[:, :2].T + matrix[:, 2], -1e6, 1e6)
    (x0, y0), (x1, y1) = np.floor(there.min(0)) - 1, np.ceil(there.max(0)) + 1
    return Box(int(x0), int(y0), int(x1), int(y1))


class CopiesKind(PaintedCoat[Copies]):
    """At the foot of a stack they lie behind the letters, higher up before them."""

    struct = Copies
    title, family, about = "Copies", "Depth", "the letters again along a path"
    stronger = ({"to_x": Length(0.3, "em"), "to_y": Length(0.3, "em")}, {"paint": WARM})
    tells = ("count", "to_x", "to_y")
    mark = (
        '<rect x="1.5" y="1.5" width="7" height="7" rx="1"/>'
        '<path d="M5 11h6V5M8 14h6V8" opacity=".7"/>'
    )
    place = StackPlace.GROUND
    left_out_of = ("face", "lit")
    extends = True
    coverage = ("of", "silhouette", "count", "to_x", "to_y", "bow", "grow", "turn", "near", "far")
    coverage_reads = Reads.FIELDS | Reads.OUTSET | Reads.UNITS | Reads.FRAME | Reads.LIT
    colour_reads = coverage_reads

    def why(self, coat: Copies) -> str:
        return "The letters again along a path give depth, or an echo."

    def colour_fields(self, coat: Copies) -> tuple[str, ...]:
        return self.coverage if coat.of == "picture" else ()

    def whole(self, coat: Copies) -> bool:
        return coat.silhouette == "whole" and coat.of == "silhouette"

    def adds(self, coat: Copies, context: CoatContext) -> Chords:
        return with_copies(coat, context)

    def measure(self, coat: Copies) -> tuple[str, Length]:
        return "across", coat.to_x

    def _source_box(self, coat: Copies, context: CoatContext) -> Box:
        if coat.of == "silhouette":
            return ink_box(context.edge_chords(self.whole(coat))).grown(1)
        far = AROUND * context.em * context.scale
        return context.shape.ink.grown(far)

    def box(self, coat: Copies, context: CoatContext) -> Box:
        source = self._source_box(coat, context)
        whole = around(_landing(source, copy.matrix) for copy in path(coat, context))
        return whole.meet(context.window)

    def cover(self, coat: Copies, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        if coat.of == "picture":
            plane = np.ascontiguousarray(self._pictures(coat, context, box)[3])
        else:
            plane = _silhouettes(coat, context, box)
        return Cover(plane, outside=True, face=True)

    def source(self, coat: Copies, context: CoatContext, paint: PaintContext) -> Planes:
        if coat.of == "silhouette":
            return super().source(coat, context, paint)
        return straight(self._pictures(coat, context, paint.box), solid=True)

    def _pictures(self, coat: Copies, context: CoatContext, box: Box) -> Planes:
        """(4, H, W) premultiplied: all copies of the painted piece."""
        backdrop = context.backdrop
        if backdrop is None:
            return np.zeros((4, box.height, box.width), np.float32)
        copies = path(coat, context)
        # of a piece far larger than the board only what comes to lie in the box is looked at
        looked_at = around(_landing(box, _inverse(copy.matrix)) for copy in copies)
        source = self._source_box(coat, context).meet(looked_at.grown(2))
        source = source.meet(box.grown(FARTHEST * max(box.width, box.height)))
        own = tuple(getattr(coat, name) for name in self.coverage)
        key = ("copies", own, box, context.units, context.frames.piece, backdrop.key("lit"))
        return context.cache.get(
            key,
            lambda: _laid(backdrop.planes("lit", 1.0, source), source, copies, box),
        )

    def bow(self, coat: Copies) -> float:
        return coat.bow

    def throw(self, coat: Copies, context: CoatContext) -> Throw:
        return Throw(context.px(coat.to_x), context.px(coat.to_y))

    def thrown_to(self, coat: Copies, context: CoatContext, throw: Throw) -> dict[str, Length]:
        return thrown(coat, ("to_x", "to_y"), throw, context)

    def samples(self) -> tuple[Copies, ...]:
        return Copies(id="sample"), Copies(id="sample", of="picture", turn=9)


def _placed(chords: Chords, matrix: Matrix) -> Chords:
    return (chords.reshape(-1, 2) @ matrix[:, :2].T + matrix[:, 2]).reshape(-1, 4)


def with_copies(coat: Copies, context: CoatContext) -> Chords:
    """(m, 4) px: all that the copies cover that are strong enough to count; of very many fine
    outlines, where their coverage passes the half."""
    chords = context.edge_chords(True)
    copies = [copy for copy in path(coat, context) if copy.strength >= COUNTS]
    most = max(MOST_UNITED // max(len(chords), 1), 2)
    if context.window.empty and len(copies) > most:
        # where no px are wanted there is no picture to trace them from
        copies = [copies[n] for n in np.linspace(0, len(copies) - 1, most).astype(int)]
    if len(copies) * len(chords) <= MOST_UNITED or context.window.empty:
        return united_outlines([_placed(chords, copy.matrix) for copy in copies])
    whole = around(_landing(ink_box(chords), copy.matrix) for copy in copies)
    box = whole.grown(2).meet(context.window.grown(MARGIN))
    if box.empty:
        return chords[:0]
    cover = np.zeros((box.height, box.width), np.float32)
    for copy in copies:
        part = _landing(ink_box(chords), copy.matrix).meet(box)
        if not part.empty:
            there = cover[part.slices_in(box)]
            np.maximum(there, rasterise(_placed(chords, copy.matrix), part)[0], out=there)
    return traced(cover, box)


def _silhouettes(coat: Copies, context: CoatContext, box: Box) -> Plane:
    """Coverage of all copies: what shows of a px is what all of them let through."""
    clear = np.ones((box.height, box.width), np.float32)
    chords = context.edge_chords(coat.silhouette == "whole")
    ink = ink_box(chords)
    for copy in path(coat, context):
        moved = _placed(chords, copy.matrix)
        part = _landing(ink, copy.matrix).meet(box)
        if not part.empty:
            clear[part.slices_in(box)] *= 1 - np.float32(copy.strength) * rasterise(moved, part)[0]
    return 1 - clear


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _sample(plane: Plane, u: float, v: float) -> float:
    """Between four px, clear beyond the plane."""
    x, y = math.floor(u), math.floor(v)
    a, b, total = u - x, v - y, 0.0
    for j in range(2):
        for i in range(2):
            if 0 <= y + j < plane.shape[0] and 0 <= x + i < plane.shape[1]:
                total += (a if i else 1.0 - a) * (b if j else 1.0 - b) * plane[y + j, x + i]
    return total


@njit(nogil=True, cache=True, error_model="numpy")
def _lay_rows(
    planes: Planes, ways: Records, x0: int, y0: int, out: Planes, first: int, last: int
) -> None:
    """ways : (n, 7) from a px to one of `planes`, six numbers of a matrix, and the strength, nearest
    first; what is hidden is not looked at."""
    high, wide = planes.shape[1], planes.shape[2]
    for y in range(first, last):
        for x in range(out.shape[2]):
            px, py, left = x + x0 + 0.5, y + y0 + 0.5, 1.0
            for k in range(ways.shape[0]):
                u = ways[k, 0] * px + ways[k, 1] * py + ways[k, 2]
                v = ways[k, 3] * px + ways[k, 4] * py + ways[k, 5]
                if u <= -1.0 or v <= -1.0 or u >= wide or v >= high:
                    continue
                alpha = _sample(planes[3], u, v) * ways[k, 6]
                if alpha <= 0.0:
                    continue
                share = left * ways[k, 6]
                for p in range(3):
                    out[p, y, x] += np.float32(share * _sample(planes[p], u, v))
                left *= 1.0 - alpha
                if left < HIDDEN:
                    break
            out[3, y, x] = np.float32(1.0 - left)


def _laid(planes: Planes, source: Box, copies: list[Copy], box: Box) -> Planes:
    """(4, H, W) premultiplied: each copy over those farther away."""
    if all((copy.matrix[:, :2] == np.eye(2)).all() for copy in copies):
        shifts = np.array([[*copy.matrix[:, 2], copy.strength] for copy in copies])
        return laid_moved(planes, source, shifts, box)
    out = np.zeros((4, box.height, box.width), np.float32)
    ways = np.array([[*_back(copy.matrix, source), copy.strength] for copy in copies])
    plain = np.ascontiguousarray(planes, np.float32)
    bands.run(
        lambda first, last: _lay_rows(plain, ways, box.x0, box.y0, out, first, last),
        bands.split(box.height),
    )
    return out


def _inverse(matrix: Matrix) -> Matrix:
    """(2, 3): the way back."""
    return np.linalg.inv(np.vstack([matrix, [0.0, 0.0, 1.0]]))[:2]


def _back(matrix: Matrix, source: Box) -> list[float]:
    """Six numbers from a px of the board to where it comes from, counted from the first px's middle."""
    inverse = _inverse(matrix)
    inverse[:, 2] -= (source.x0 + 0.5, source.y0 + 0.5)
    return [float(value) for value in inverse.ravel()]
