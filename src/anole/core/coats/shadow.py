"""Shadow: the silhouette lifted off the ground under the lamp, or sunk into it."""

from __future__ import annotations

import math

import cv2
import numpy as np

from ..box import Box
from ..field.blur import gaussian
from ..model import Lamp, Shadow
from .band import between
from .scene import Cover, Reach, Scene, Under


def offset(lift: float, lamp: Lamp) -> tuple[float, float]:
    """How far a silhouette lifted by `lift` throws its shadow: away from the lamp, y down."""
    bearing = math.radians(lamp.bearing)
    length = lift / math.tan(math.radians(lamp.elevation))
    return -math.sin(bearing) * length, math.cos(bearing) * length


def penumbra(lift: float, lamp: Lamp) -> float:
    """Sigma of the soft edge: a quarter of lift times the lamp's size."""
    return abs(lift) * lamp.size / 4


def _throw(coat: Shadow, scene: Scene) -> tuple[float, float, float, float]:
    """dx, dy, sigma and growth beyond the letters, px."""
    lamp = coat.lamp or scene.lamp
    lift = scene.px(coat.lift)
    dx, dy = offset(lift, lamp)
    return dx, dy, penumbra(lift, lamp), scene.px(coat.grow) + scene.base(coat)


def reach(coat: Shadow, scene: Scene) -> Reach:
    dx, dy, sigma, grow = _throw(coat, scene)
    return Reach(
        distance=max(grow, 0) + scene.tips(coat) + 2, throw=max(abs(dx), abs(dy)) + 3.5 * sigma
    )


def box(coat: Shadow, scene: Scene) -> Box:
    if coat.falls == "inside":
        return scene.around(0)
    dx, dy, sigma, grow = _throw(coat, scene)
    thrown = scene.letters.ink.grown(max(grow, 0) + scene.tips(coat) + 3.5 * sigma + 2)
    return _moved(thrown, dx, dy).meet(scene.window)


def _moved(where: Box, dx: float, dy: float) -> Box:
    return Box(
        math.floor(where.x0 + dx), math.floor(where.y0 + dy),
        math.ceil(where.x1 + dx), math.ceil(where.y1 + dy),
    )  # fmt: skip


def cover(coat: Shadow, scene: Scene, where: Box, under: Under) -> Cover:
    _, _, sigma, _ = _throw(coat, scene)
    margin = math.ceil(3.5 * sigma)
    wide = where.grown(margin)
    thrown = gaussian(_thrown(coat, scene, wide), sigma)
    plane = thrown[where.slices_in(wide)]
    if coat.falls == "inside":
        return Cover(np.ascontiguousarray(1 - plane), outside=False, face=True)
    return Cover(np.ascontiguousarray(plane), outside=True, face=True)


def _thrown(coat: Shadow, scene: Scene, box: Box) -> np.ndarray:
    """Coverage over `box` of the letters grown and moved, edges crisp."""
    letters, (dx, dy, _, grow) = scene.letters, _throw(coat, scene)
    if abs(grow) < 0.01 and letters.smooth:
        return letters.shifted(dx, dy, box)
    # moving the distance, which is smooth, and cutting it afterwards keeps the edge crisp
    into = np.array([
        [1, 0, letters.box.x0 - box.x0 + dx],
        [0, 1, letters.box.y0 - box.y0 + dy],
    ])  # fmt: skip
    edge, growth = scene.edge(coat, grow < scene.base(coat))
    moved = cv2.warpAffine(
        edge.distance, into, (box.width, box.height),
        flags=cv2.INTER_LINEAR, borderMode=cv2.BORDER_CONSTANT, borderValue=-1e6,
    )  # fmt: skip
    return between(moved, growth.by - grow, math.inf)
