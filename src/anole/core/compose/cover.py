"""A coat's coverage, and on which side of the edge it paints."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ..arrays import Plane
from ..box import Box


class Cover(NamedTuple):
    """Coverage of a coat and on which side of the edge it paints.

    plane : (H, W) float32, 0..1, or (1, W) where all rows are the same
    outside, face : the side may be true for both; the renderer keeps the ground and the face
    apart and joins them once through the shape's coverage, so a coverage here simply runs on
    across an edge that it does not end at.
    """

    plane: Plane
    outside: bool
    face: bool


def full(box: Box) -> Plane:
    """(1, W) float32: a coverage of 1 over a box."""
    return np.ones((1, box.width), np.float32)
