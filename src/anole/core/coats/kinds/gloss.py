"""Gloss: a shine above or below a cut across the frame."""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np

from ... import bands
from ...arrays import Numbers, Plane, Values
from ...box import Box
from ...kernels import njit
from ...model import Gloss
from ..context import CoatContext, Overlap, Reach, Reads
from ..inks import DARK, WARM
from ..kind import Cover, PaintedCoat

WAVES = 2.0
"""Waves of the cut over the frame's width."""


class GlossCut(NamedTuple):
    """Numbers of a gloss, float32.

    at : height of the cut, shares of the frame; cos, sin : its turn; bend, wave : shares
    sign : 1 above the cut, -1 below; inset : px from the edge; soft : px of its borders
    far, near : strength half a frame away from the cut, and at it
    """

    at: np.float32
    cos: np.float32
    sin: np.float32
    bend: np.float32
    wave: np.float32
    sign: np.float32
    inset: np.float32
    soft: np.float32
    far: np.float32
    near: np.float32


class GlossKind(PaintedCoat[Gloss]):
    """A shine over the face that ends at a line or an oval."""

    struct = Gloss
    title, family, about = "Gloss", "Face", "a shine cut off by a line or an oval"
    stronger = ({"paint": DARK}, {"paint": WARM, "opacity": 0.8})
    tells = ("height", "inset", "opacity")
    mark = (
        '<rect x="2.5" y="2.5" width="11" height="11" rx="2"/>'
        '<path d="M3 3h10v4q-5 3.5-10 0z" fill="currentColor" stroke="none"/>'
    )
    coverage = (
        "form",
        "frame",
        "height",
        "angle",
        "bend",
        "wave",
        "side",
        "inset",
        "soften",
        "far",
        "at_cut",
    )
    coverage_reads = Reads.FIELDS | Reads.UNITS | Reads.FRAME | Reads.LETTERS

    def why(self, coat: Gloss) -> str:
        return "A shine with a clear border makes the face look wet or polished."

    def reach(self, coat: Gloss, context: CoatContext) -> Reach:
        return Reach(distance=2)

    def cover(self, coat: Gloss, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        frames, owner = _frames(coat, context, box)
        numbers, oval = _numbers(coat, context), coat.form == "oval"
        field = context.field(context.shape.distance, box)
        out = np.empty((box.height, box.width), np.float32)
        bands.run(
            lambda a, b: _shine(frames, owner, field, numbers, oval, box.x0, box.y0, out, a, b),
            bands.split(box.height),
        )
        return Cover(out, outside=False, face=True)

    def samples(self) -> tuple[Gloss, ...]:
        return Gloss(id="sample"), Gloss(id="sample", frame="letter")


def _frames(coat: Gloss, context: CoatContext, box: Box) -> tuple[Plane, Numbers]:
    """(n, 4) float32 px boxes that are cut, and (H, W) or (1, 1) which of them each px is in."""
    letters = context.frames.letters
    if coat.frame == "piece" or letters is None or not letters.units:
        return np.array([context.frames.piece], np.float32), np.zeros((1, 1), np.int32)
    groups, boxes = letters.grouped(coat.frame)
    return np.array(boxes, np.float32), groups[letters.owners(box)]


def _numbers(coat: Gloss, context: CoatContext) -> GlossCut:
    turn = math.radians(coat.angle)
    inset, soft = context.px(coat.inset), max(context.px(coat.soften), 1.0)
    numbers = (
        coat.height,
        math.cos(turn),
        math.sin(turn),
        coat.bend,
        coat.wave,
        1.0 if coat.side == "above" else -1.0,
        inset + soft / 2 if inset > 0 else -1e6,
        soft,
        coat.far,
        coat.at_cut,
    )
    return GlossCut(*map(np.float32, numbers))


@njit(nogil=True, cache=True)
def _shine(
    frames: Plane,
    owner: Numbers,
    d: Plane,
    cut: GlossCut,
    oval: Values,
    x0: int,
    y0: int,
    out: Plane,
    first: int,
    last: int,
) -> None:
    """What lies above a line over the letters' frame, fading from `near` at the line to `far` half the
    frame's height above it: straight with a bend b (4 s^2 - 1) and a wave sin(2 pi WAVES s) at s of the
    frame's width, or the lower side of an oval; within `inset` of the edge nothing.

    frames (n, 4): box of each group; owner (H, W), or (1, 1) for one frame; cut : GlossCut.
    """
    grouped = owner.shape[1] > 1
    one, zero, half = np.float32(1), np.float32(0), np.float32(0.5)
    for y in range(first, last):
        for x in range(out.shape[1]):
            k = owner[y, x] if grouped else 0
            wide = max(frames[k, 2] - frames[k, 0], one)
            high = max(frames[k, 3] - frames[k, 1], one)
            fx = np.float32(x + x0) + half - (frames[k, 0] + frames[k, 2]) * half
            fy = np.float32(y + y0) + half - (frames[k, 1] + cut.at * high)
            along, up = fx * cut.cos + fy * cut.sin, fy * cut.cos - fx * cut.sin
            s = along / wide
            if oval:
                # an oval whose lowest point is the cut; its middle lies above the frame
                ry = high * (half + abs(cut.at - half)) + one
                rx = wide * (np.float32(0.75) + cut.bend)
                cy = up + ry
                size = np.sqrt((along / max(rx, one)) ** 2 + (cy / ry) ** 2)
                below = (size - one) * ry
            else:
                below = up + cut.bend * high * (np.float32(4) * s * s - one)
                below += cut.wave * high * np.sin(s * np.float32(2 * np.pi * WAVES))
            depth = -below * cut.sign
            edge = min(max(depth / cut.soft + half, zero), one)
            rim = min(max((d[y, x] - cut.inset) / cut.soft + half, zero), one)
            share = min(max(depth / (high * half), zero), one)
            out[y, x] = edge * rim * (cut.near + (cut.far - cut.near) * share)
