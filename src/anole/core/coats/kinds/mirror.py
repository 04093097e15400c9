"""Mirror: what the piece paints, upside down below its foot, fading."""

from __future__ import annotations

import math
from collections.abc import Callable

import cv2
import numpy as np

from ...arrays import Planes
from ...box import Box
from ...model import Length, Mirror
from ...paint.context import PaintContext
from ...paint.own import straight
from ...tone.blur import blurred
from ..context import CoatContext, Overlap, Reads
from ..kind import CoatKind, Cover
from ..shading.easing import STEPS, table

AROUND = 0.6
"""em round the outlines within which a piece's picture is looked for."""
SEEN = 1 / 255
SPREAD = 4.0
"""Standard deviations of a blur within which all of it is taken for gathered."""


class MirrorKind(CoatKind[Mirror]):
    """Applied last: it mirrors coats above it too, all but shadows and presses."""

    struct = Mirror
    title, family, about = "Mirror", "Depth", "a fading reflection below the foot"
    stronger = ({"opacity": 1.0, "reach": 1.0},)
    tells = ("reach", "gap", "blur")
    mark = '<path d="M3 7L8 1.5 13 7zM1.5 8.5h13"/><path d="M3 10l5 5 5-5z" opacity=".5"/>'
    across = False
    left_out_of = ("face", "lit", "mirrored")
    coverage = ("foot", "gap", "reach", "falloff", "blur", "lean")
    coverage_reads = Reads.FIELDS | Reads.UNITS | Reads.FRAME | Reads.LETTERS | Reads.MIRRORED
    colour_reads = coverage_reads

    def why(self, coat: Mirror) -> str:
        return "A fading reflection stands the letters on a smooth floor."

    def colour_fields(self, coat: Mirror) -> tuple[str, ...]:
        return self.coverage

    def measure(self, coat: Mirror) -> tuple[str, Length]:
        return "gap", coat.gap

    def _below(self, coat: Mirror, context: CoatContext) -> float:
        """px from the top of the piece as far as its reflection may reach."""
        _, y0, _, y1 = context.frames.piece
        return (
            (1 + coat.reach) * (y1 - y0)
            + AROUND * context.em * context.scale
            + abs(context.px(coat.gap))
        )

    def box(self, coat: Mirror, context: CoatContext) -> Box:
        ink, far = context.shape.ink, self._below(coat, context)
        aside = AROUND * context.em * context.scale + far * abs(math.tan(math.radians(coat.lean)))
        spread = SPREAD * max(_sigma(coat, context), 0)
        wide = ink.grown(aside + spread)
        low = math.ceil(ink.y0 + far + spread) + 2
        return Box(wide.x0, ink.y0, wide.x1, low).meet(context.window)

    def cover(self, coat: Mirror, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        plane = np.ascontiguousarray(self._reflection(coat, context, box)[3])
        return Cover(plane, outside=True, face=True)

    def source(self, coat: Mirror, context: CoatContext, paint: PaintContext) -> Planes:
        return straight(self._reflection(coat, context, paint.box), solid=True)

    def _reflection(self, coat: Mirror, context: CoatContext, box: Box) -> Planes:
        """(4, H, W) premultiplied over a box."""
        backdrop = context.backdrop
        if backdrop is None or box.empty:
            return np.zeros((4, box.height, box.width), np.float32)
        where = (context.units, context.frames.piece, context.frames.letters)
        own = tuple(getattr(coat, name) for name in self.coverage)
        key = ("mirror", own, box, *where, backdrop.key("mirrored"))
        return context.cache.get(key, lambda: _reflected(coat, context, box))

    def samples(self) -> tuple[Mirror, ...]:
        return (Mirror(id="sample", foot="outline", opacity=1.0),)


def foot_of(coat: Mirror, context: CoatContext, lowest: Callable[[], float]) -> float:
    """px down: the line about which the piece is turned over; `lowest` looks at what is painted."""
    if coat.foot == "painted":
        return lowest()
    letters = context.frames.letters
    if coat.foot == "outline" or letters is None or not letters.units:
        return context.frames.piece[3]
    last = max(unit.line for unit in letters.units)
    feet = [unit.box[3] for unit in letters.units if unit.line == last]
    # most letters stand on it; some hang below, fewer float above
    return float(np.percentile(feet, 40, method="lower"))


def _lowest(context: CoatContext, around: Box) -> float:
    """The lowest row that is painted, in the part of the board's columns that the piece is in."""
    assert context.backdrop is not None
    x0, y0, x1, y1 = context.frames.board
    part = around.meet(Box(math.floor(x0), math.floor(y0), math.ceil(x1), math.ceil(y1)))
    if part.empty:
        return context.frames.piece[3]
    alpha = context.backdrop.planes("mirrored", 1.0, part)[3]
    rows = np.flatnonzero((alpha > SEEN).any(1))
    return part.y0 + float(rows[-1] + 1) if len(rows) else context.frames.piece[3]


def _reflected(coat: Mirror, context: CoatContext, box: Box) -> Planes:
    """(4, H, W) premultiplied over a box, blurred."""
    sigma = _sigma(coat, context)
    if sigma <= 0:
        return _turned(coat, context, box)
    # what lies beside a box is blurred into it
    wide = box.grown(math.ceil(SPREAD * sigma))
    made = blurred(_turned(coat, context, wide), sigma)
    return np.clip(made[(slice(None), *box.slices_in(wide))], 0, 1).astype(np.float32)


def _sigma(coat: Mirror, context: CoatContext) -> float:
    """px"""
    return context.px(coat.blur) / 2


def _turned(coat: Mirror, context: CoatContext, box: Box) -> Planes:
    """The same, sharp."""
    assert context.backdrop is not None
    whole = context.shape.ink.grown(AROUND * context.em * context.scale)
    foot = foot_of(coat, context, lambda: _lowest(context, whole))
    gap, slope = context.px(coat.gap), abs(math.tan(math.radians(coat.lean)))
    # of a piece far larger than the board only what comes to lie in the box is looked at
    top, low = (math.floor(2 * foot + gap - y) for y in (box.y1, box.y0))
    aside = math.ceil(slope * max(abs(foot - top), abs(foot - low)))
    seen = Box(box.x0 - aside, top, box.x1 + aside, low).grown(2)
    source = whole.meet(seen)
    if source.empty:
        return np.zeros((4, box.height, box.width), np.float32)
    planes = context.backdrop.planes("mirrored", 1.0, source)
    lean = math.tan(math.radians(coat.lean))
    # a px at (x, y) comes to (x + lean (foot - y), 2 foot + gap - y)
    into = np.array(
        [
            [1, -lean, lean * (foot - source.y0 - 0.5) + source.x0 - box.x0],
            [0, -1, 2 * foot + gap - source.y0 - box.y0 - 1],
        ]
    )
    size = (box.width, box.height)
    turned = np.empty((4, box.height, box.width), np.float32)
    for plane, into_plane in zip(planes, turned, strict=True):
        cv2.warpAffine(
            np.ascontiguousarray(plane), into, size, dst=into_plane, flags=cv2.INTER_LINEAR
        )
    below = np.arange(box.y0, box.y1) + 0.5 - foot - gap
    high = max(coat.reach * (context.frames.piece[3] - context.frames.piece[1]), 1e-6)
    at = np.clip(1 - below / high, 0, 1)
    strength = np.interp(at, np.linspace(0, 1, STEPS + 1), table(coat.falloff))
    # the foot itself runs through a px
    strength *= np.clip(below + 0.5, 0, 1)
    return np.multiply(turned, strength.astype(np.float32)[None, :, None], out=turned)
