"""A raster's alpha as a shape: its own coverage, and outlines traced from it between its px."""

from __future__ import annotations

from typing import NamedTuple

import cv2
import numpy as np

from ..arrays import Chords, Plane
from ..box import Box
from .closest import nearest
from .contour import contour
from .coverage import rasterise
from .simplified import rounded_out, simplified

HALF = np.float32(0.5)
LEAST = 0.5 / 255
"""Alpha that is none in eight bits."""
ROUNDS, RELAXED = (False, False, False, True, True), np.float32(0.9)
"""The outlines that are moved, coarse ones first, and by how much of what they lack."""
TOLERANCE = 0.006
"""px by which the outline's points may lie beside its chords, which get longer by it."""
QUARTER = np.array([-9, 111, 29, -3], np.float32) / np.float32(128)
"""Cubic convolution at a quarter of a px (R. Keys, 1981, a = -1/2)."""


class Raster(NamedTuple):
    """A coverage over a box of px.

    plane : (H, W) float32, 0..1, the alpha of a picture
    """

    plane: Plane
    box: Box

    def over(self, box: Box) -> Plane:
        """(h, w) float32: the coverage over another box, 0 beyond its own."""
        out = np.zeros((box.height, box.width), np.float32)
        both = self.box.meet(box)
        if not both.empty:
            out[both.slices_in(box)] = self.plane[both.slices_in(self.box)]
        return out


def _between(depth: Plane, axis: int) -> Plane:
    """Twice as many values along an axis, a quarter of a px to either side of each."""
    count = depth.shape[axis]
    wide = np.pad(depth, [(2, 2) if n == axis else (0, 0) for n in (0, 1)], mode="edge")

    def mixed(side: int) -> Plane:
        parts = [np.take(wide, np.arange(count) + 2 + side * by, axis) for by in (-1, 0, 1, 2)]
        return np.asarray(np.tensordot(QUARTER, np.stack(parts), 1), np.float32)

    both = np.stack([mixed(-1), mixed(1)], axis + 1)
    return both.reshape([2 * n if a == axis else n for a, n in enumerate(depth.shape)])


def _outline(depth: Plane, box: Box, fine: bool) -> Chords:
    """Where a depth over `box` is 0; fine : in steps of half a px, between its values."""
    if not fine:
        return contour(depth, 0.0, box)
    finer = np.ascontiguousarray(_between(_between(depth, 0), 1))
    chords = contour(finer, 0.0, Box(0, 0, finer.shape[1], finer.shape[0]))
    return chords / 2 + (box.x0, box.y0, box.x0, box.y0)


def traced_alpha(alpha: Plane, box: Box) -> Chords:
    """The outlines of a picture's alpha, as traced(): where it is half of what it is at most, so that
    what lets something through all over has an outline too."""
    most = float(alpha.max(initial=0))
    return traced(alpha / np.float32(most) if LEAST < most < 1 else alpha, box)


def traced(plane: Plane, box: Box) -> Chords:
    """(m, 4) float64 px: the closed outlines of a coverage, the covered area positive.

    plane : (H, W) float32 over `box`, 0..1; what lies beyond it counts as empty

    The line at half coverage is off by up to a tenth of a px, as a px that is full or empty says
    not how deep it lies. So the outline is covered again and moved by what that lacks, px by px,
    until both coverages agree, at last in chords of half a px: its points then lie within about
    half a hundredth of a px of the edge.
    """
    # two px of nothing round about, so that outlines close
    wide = cv2.copyMakeBorder(
        np.ascontiguousarray(plane, np.float32), 2, 2, 2, 2, cv2.BORDER_CONSTANT, value=0.0
    )
    around = box.grown(2)
    depth = wide - HALF
    for fine in ROUNDS:
        chords = _outline(depth, around, fine)
        if not len(chords):
            return chords
        lacking = wide - rasterise(chords, around)[0]
        depth = nearest(chords, depth > 0, around).distance + RELAXED * lacking
    return rounded_out(simplified(_outline(depth, around, True), TOLERANCE))
