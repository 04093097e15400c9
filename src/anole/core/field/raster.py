"""A raster's alpha as a shape: its own coverage, and outlines traced from it between its px."""

from __future__ import annotations

from typing import NamedTuple

import cv2
import numpy as np

from ..box import Box
from .contour import contour

EDGE_ALPHA = 0.5
"""Where an anti-aliased edge runs: half of its px is covered."""


class Raster(NamedTuple):
    """A coverage over a box of px.

    plane : (H, W) float32, 0..1, premultiplied alpha of a picture
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
    """(m, 4) float64 px: closed outlines of a coverage at the level of half a pixel.

    plane : (H, W) float32 over `box`, 0..1; what lies beyond it counts as empty

    The line is linear between pixel centres, each of which holds the area of a whole px about it:
    on a straight edge it lies where the edge does when that is level or upright, and within a few
    hundredths of a px at any other turn.
    """
    wide = cv2.copyMakeBorder(plane, 1, 1, 1, 1, cv2.BORDER_CONSTANT, value=0.0)
    return contour(wide, EDGE_ALPHA, box.grown(1))
