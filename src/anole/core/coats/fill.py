"""Fill: paint over the face."""

from __future__ import annotations

from ..box import Box
from ..model import Fill
from .scene import Cover, Reach, Scene, Under, full


def reach(coat: Fill, scene: Scene) -> Reach:
    return Reach()


def box(coat: Fill, scene: Scene) -> Box:
    return scene.around(0)


def cover(coat: Fill, scene: Scene, where: Box, under: Under) -> Cover:
    return Cover(full(where), outside=False, face=True)
