"""Grain: the face roughened by a pattern's light and dark, and lit."""

from __future__ import annotations

import msgspec
import numpy as np

from ..box import Box
from ..model import Colour, Grain, Ink
from ..paint.source import Spot
from ..paint.source import source as paint_source
from .lighting import light_of, lit_heights
from .scene import Cover, Reach, Scene, Under, full

BLACK, WHITE = Ink(Colour(0, 0, 0)), Ink(Colour(255, 255, 255))


def reach(coat: Grain, scene: Scene) -> Reach:
    return Reach()


def box(coat: Grain, scene: Scene) -> Box:
    return scene.around(0)


def cover(coat: Grain, scene: Scene, where: Box, under: Under) -> Cover:
    return Cover(full(where), outside=False, face=True)


def heights(coat: Grain, scene: Scene, where: Box) -> np.ndarray:
    """(H, W) px: luminance times the amount, faded toward the rim."""
    plain = msgspec.structs.replace(coat.pattern, inks=(BLACK, WHITE), speckle=0.0)
    spot = Spot(scene.frames, where, scene.cache, scene.units)
    r, g, b, a = np.broadcast_to(paint_source(plain, spot), (4, where.height, where.width))
    value = (0.2126 * r + 0.7152 * g + 0.0722 * b) * a
    rise = scene.px(coat.amount)
    fade = coat.edge * scene.letters.core
    if fade > 0.5:
        t = np.clip(scene.field(scene.letters.distance, where) / np.float32(fade), 0, 1)
        value = value * (t * t * (3 - 2 * t))
    return np.asarray(value * np.float32(rise), np.float32)


def source(coat: Grain, scene: Scene, where: Box) -> np.ndarray:
    wide = where.grown(1).meet(scene.letters.box)
    light = light_of(coat.lamp or scene.lamp, coat.ramp)
    rows, columns = where.slices_in(wide)
    lit = lit_heights(heights(coat, scene, wide), light)
    return np.ascontiguousarray(lit[:, rows, columns])
