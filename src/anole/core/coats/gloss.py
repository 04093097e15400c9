"""Gloss: a shine above or below a cut across the frame."""

from __future__ import annotations

import math

import numpy as np
from numba import njit

from .. import bands
from ..box import Box
from ..model import Gloss
from .scene import Cover, Reach, Scene, Under

WAVES = 2.0
"""Waves of the cut over the frame's width."""


def reach(coat: Gloss, scene: Scene) -> Reach:
    return Reach(distance=2)


def box(coat: Gloss, scene: Scene) -> Box:
    return scene.around(0)


@njit(nogil=True, cache=True)
def _shine(frames, owner, d, numbers, oval, x0, y0, out, first, last):  # type: ignore[no-untyped-def]
    """frames (n, 4): box of each group; owner (H, W), or (1, 1) for one frame."""
    at, cos, sin, bend, wave, sign, inset, soft, far, near = numbers
    grouped = owner.shape[1] > 1
    one, zero, half = np.float32(1), np.float32(0), np.float32(0.5)
    for y in range(first, last):
        for x in range(out.shape[1]):
            k = owner[y, x] if grouped else 0
            wide = max(frames[k, 2] - frames[k, 0], one)
            high = max(frames[k, 3] - frames[k, 1], one)
            fx = np.float32(x + x0) + half - (frames[k, 0] + frames[k, 2]) * half
            fy = np.float32(y + y0) + half - (frames[k, 1] + at * high)
            along, up = fx * cos + fy * sin, fy * cos - fx * sin
            s = along / wide
            if oval:
                # an oval whose lowest point is the cut; its middle lies above the frame
                ry = high * (half + abs(at - half)) + one
                rx = wide * (np.float32(0.75) + bend)
                cy = up + ry
                size = np.sqrt((along / max(rx, one)) ** 2 + (cy / ry) ** 2)
                below = (size - one) * ry
            else:
                below = up + bend * high * (np.float32(4) * s * s - one)
                below += wave * high * np.sin(s * np.float32(2 * np.pi * WAVES))
            depth = -below * sign
            edge = min(max(depth / soft + half, zero), one)
            rim = min(max((d[y, x] - inset) / soft + half, zero), one)
            share = min(max(depth / (high * half), zero), one)
            out[y, x] = edge * rim * (near + (far - near) * share)


def cover(coat: Gloss, scene: Scene, where: Box, under: Under) -> Cover:
    frames, owner = np.array([scene.frames.piece], np.float32), np.zeros((1, 1), np.int32)
    letters = scene.frames.letters
    if coat.frame != "piece" and letters is not None and letters.units:
        groups, boxes = letters.grouped(coat.frame)
        frames, owner = np.array(boxes, np.float32), groups[letters.owners(where)]
    turn = math.radians(coat.angle)
    inset, soft = scene.px(coat.inset), max(scene.px(coat.soften), 1.0)
    numbers = np.array([
        coat.height, math.cos(turn), math.sin(turn), coat.bend, coat.wave,
        1.0 if coat.side == "above" else -1.0, inset + soft / 2 if inset > 0 else -1e6, soft,
        coat.far, coat.at_cut,
    ], np.float32)  # fmt: skip
    out = np.empty((where.height, where.width), np.float32)
    field, oval = scene.field(scene.letters.distance, where), coat.form == "oval"
    bands.run(
        lambda a, b: _shine(frames, owner, field, numbers, oval, where.x0, where.y0, out, a, b),
        bands.split(where.height),
    )
    return Cover(out, outside=False, face=True)
