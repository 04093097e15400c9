"""A raster's alpha as a shape: its own coverage, and outlines traced from it between its px."""

from __future__ import annotations

from typing import NamedTuple

import cv2
import numpy as np

from ..box import Box
from .closest import nearest
from .contour import contour
from .coverage import rasterise

HALF = np.float32(0.5)
ROUNDS, RELAXED = 3, np.float32(0.9)
"""How often an outline is moved, and by how much of what it lacks."""


class Raster(NamedTuple):
    """A coverage over a box of px.

    plane : (H, W) float32, 0..1, the alpha of a picture
    """

    plane: np.ndarray
    box: Box

    def over(self, box: Box) -> np.ndarray:
        """(h, w) float32: the coverage over another box, 0 beyond its own."""
        out = np.zeros((box.height, box.width), np.float32)
        both = self.box.meet(box)
        if not both.empty:
            out[both.slices_in(box)] = self.plane[both.slices_in(self.box)]
        return out


def traced(plane: np.ndarray, box: Box) -> np.ndarray:
    """(m, 4) float64 px: the closed outlines of a coverage, the covered area positive.

    plane : (H, W) float32 over `box`, 0..1; what lies beyond it counts as empty

    The line at half coverage is off by up to a tenth of a px, as a px that is full or empty says
    not how deep it lies. So the outline is covered again and moved by what that lacks, px by px,
    until both coverages agree: its points then lie within about a hundredth of a px of the edge.
    """
    # two px of nothing round about, so that outlines close
    wide = cv2.copyMakeBorder(
        np.ascontiguousarray(plane, np.float32), 2, 2, 2, 2, cv2.BORDER_CONSTANT, value=0.0
    )
    around = box.grown(2)
    depth = wide - HALF
    for _ in range(ROUNDS):
        chords = contour(depth, 0.0, around)
        if not len(chords):
            return chords
        lacking = wide - rasterise(chords, around)[0]
        depth = nearest(chords, depth > 0, around).distance + RELAXED * lacking
    return contour(depth, 0.0, around)
