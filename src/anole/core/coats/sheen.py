"""Sheen: soft bands across the face that bend with the letter's form."""

from __future__ import annotations

import math

import numpy as np
from numba import njit

from .. import bands
from ..box import Box
from ..field.blur import smoothed
from ..model import Sheen
from ..paint.patterns.noise import _share
from .scene import Cover, Reach, Scene, Under

SOFT = 0.22
"""Of the core: how far the distance is smoothed before the bands follow it."""


def reach(coat: Sheen, scene: Scene) -> Reach:
    return Reach(distance=2)


def box(coat: Sheen, scene: Scene) -> Box:
    return scene.around(0)


@njit(nogil=True, cache=True)
def _bands(d, numbers, seed, x0, y0, out, first, last):  # type: ignore[no-untyped-def]
    """q = position along the bearing / pitch + drift d / D + bow; a cosine of `width` each."""
    ux, uy, bow, cx, cy, reach, drift, phase, width, uneven = numbers
    one, half, pi = np.float32(1), np.float32(0.5), np.float32(np.pi)
    for y in range(first, last):
        fy = np.float32(y + y0) + half - cy
        for x in range(out.shape[1]):
            fx = np.float32(x + x0) + half - cx
            across = (fx * uy - fy * ux) / reach
            q = fx * ux + fy * uy + drift * d[y, x] + bow * across * across + phase
            n = np.floor(q + half)
            t = abs(q - n) / (width * half)
            value = half + half * np.cos(pi * min(t, one))
            if uneven > 0:
                value *= one - uneven * _share(int(n) & 1023, 0, seed)
            out[y, x] = value


def cover(coat: Sheen, scene: Scene, where: Box, under: Under) -> Cover:
    letters = scene.letters
    sigma = max(SOFT * letters.core, 0.5)
    key = ("sheen distance", letters.key, letters.box, sigma)
    soft = scene.cache.get(key, lambda: smoothed(letters.distance, sigma))
    field = scene.field(soft, where) / np.float32(max(letters.core, 0.5))
    turn, pitch = math.radians(coat.bearing), max(scene.px(coat.pitch), 0.5)
    x0, y0, x1, y1 = scene.frames.piece
    # the way across is counted in half the frame, so that a bow keeps its form
    half = max(math.hypot(x1 - x0, y1 - y0) / 2, 1.0)
    numbers = np.array([
        math.sin(turn) / pitch, -math.cos(turn) / pitch, coat.bow, (x0 + x1) / 2, (y0 + y1) / 2,
        half / pitch, coat.drift, coat.phase, min(max(coat.width, 0.01), 1.0), coat.unevenness,
    ], np.float32)  # fmt: skip
    out = np.empty((where.height, where.width), np.float32)
    seed = round(coat.seed)
    bands.run(
        lambda a, b: _bands(field, numbers, seed, where.x0, where.y0, out, a, b),
        bands.split(where.height),
    )
    return Cover(out, outside=False, face=True)
