"""Sheen: soft bands across the face that bend with the letter's form."""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np

from ... import bands
from ...arrays import Plane
from ...box import Box
from ...field.blur import smoothed
from ...kernels import njit
from ...model import Sheen
from ...noise import lattice_share
from ..context import CoatContext, Overlap, Reach, Reads
from ..inks import DARK, WARM
from ..kind import Cover, PaintedCoat

SOFT = 0.22
"""Of the core: how far the distance is smoothed before the bands follow it."""


class SheenBands(NamedTuple):
    """Numbers of a sheen, float32.

    ux, uy : the way along the bearing, in pitches a px; bow : how much the bands bend
    cx, cy : the frame's middle, px; half : half the frame's diagonal, in pitches
    drift : pitches for a distance of one core; phase : in pitches; width : share of a pitch
    uneven : 0..1
    """

    ux: np.float32
    uy: np.float32
    bow: np.float32
    cx: np.float32
    cy: np.float32
    half: np.float32
    drift: np.float32
    phase: np.float32
    width: np.float32
    uneven: np.float32


class SheenKind(PaintedCoat[Sheen]):
    """Sine bands over the face, shifted by the blurred shape beneath."""

    struct = Sheen
    title, family, about = "Sheen", "Face", "soft bands that follow the form"
    stronger = ({"paint": DARK}, {"paint": WARM, "opacity": 0.8})
    tells = ("pitch", "width", "opacity")
    mark = (
        '<rect x="2.5" y="2.5" width="11" height="11" rx="2"/>'
        '<path d="M5.5 10.5l5-5M8.5 12l3.5-3.5" stroke-width="2"/>'
    )
    coverage = ("bearing", "pitch", "width", "phase", "drift", "bow", "unevenness", "seed")
    coverage_reads = Reads.FIELDS | Reads.UNITS | Reads.FRAME

    def why(self, coat: Sheen) -> str:
        return "Soft bands of light follow the form, as on cloth or brushed metal."

    def reach(self, coat: Sheen, context: CoatContext) -> Reach:
        return Reach(distance=2)

    def cover(self, coat: Sheen, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        shape = context.shape
        sigma = max(SOFT * shape.core, 0.5)
        key = ("sheen distance", shape.key, shape.box, sigma)
        soft = context.cache.get(key, lambda: smoothed(shape.distance, sigma))
        field = context.field(soft, box) / np.float32(max(shape.core, 0.5))
        numbers, seed = _numbers(coat, context), round(coat.seed)
        out = np.empty((box.height, box.width), np.float32)
        bands.run(
            lambda a, b: _bands(field, numbers, seed, box.x0, box.y0, out, a, b),
            bands.split(box.height),
        )
        return Cover(out, outside=False, face=True)


def _numbers(coat: Sheen, context: CoatContext) -> SheenBands:
    turn, pitch = math.radians(coat.bearing), max(context.px(coat.pitch), 0.5)
    x0, y0, x1, y1 = context.frames.piece
    # the way across is counted in half the frame, so that a bow keeps its form
    half = max(math.hypot(x1 - x0, y1 - y0) / 2, 1.0)
    numbers = (
        math.sin(turn) / pitch,
        -math.cos(turn) / pitch,
        coat.bow,
        (x0 + x1) / 2,
        (y0 + y1) / 2,
        half / pitch,
        coat.drift,
        coat.phase,
        min(max(coat.width, 0.01), 1.0),
        coat.unevenness,
    )
    return SheenBands(*map(np.float32, numbers))


@njit(nogil=True, cache=True)
def _bands(
    d: Plane, sheen: SheenBands, seed: int, x0: int, y0: int, out: Plane, first: int, last: int
) -> None:
    """q = position along the bearing / pitch + drift d / D + bow; a cosine of `width` each.

    d : (H, W) float32, cores; sheen : SheenBands; x0, y0 : px of out's corner
    """
    one, half, pi = np.float32(1), np.float32(0.5), np.float32(np.pi)
    for y in range(first, last):
        fy = np.float32(y + y0) + half - sheen.cy
        for x in range(out.shape[1]):
            fx = np.float32(x + x0) + half - sheen.cx
            across = (fx * sheen.uy - fy * sheen.ux) / sheen.half
            bow = sheen.bow * across * across
            q = fx * sheen.ux + fy * sheen.uy + sheen.drift * d[y, x] + bow + sheen.phase
            n = np.floor(q + half)
            t = abs(q - n) / (sheen.width * half)
            value = half + half * np.cos(pi * min(t, one))
            if sheen.uneven > 0:
                value *= one - sheen.uneven * lattice_share(int(n) & 1023, 0, seed)
            out[y, x] = value
