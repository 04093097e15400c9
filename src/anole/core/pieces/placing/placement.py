"""Where a placed piece stands: from its own em units over corners and pose to board px."""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np

from ...arrays import Chords, Curves, Matrix, Points
from ...field.extrusion import DepthAxis
from ...lettering.bent import chords as bent_chords
from ...lettering.bent import positive
from ...lettering.flatten import TOLERANCE, flatten
from ...lettering.matrix import apply, placing
from ...lettering.warp import pose_back, pose_matrix, pose_rotation, projected, quad_matrix
from ...model import Corners, Placed, Pose

BENT_TOLERANCE = 0.03
"""px at the render scale by which a bent curve's chords may be off."""


class Placement(NamedTuple):
    """A piece's box in em, y down, one em in board px, and how it comes onto the board.

    matrix : (2, 3) from em to board px, after corners and pose have moved points in em
    """

    box: tuple[float, float, float, float]
    em: float
    matrix: Matrix
    corners: Corners | None = None
    pose: Pose | None = None

    def warped(self, points: Points) -> Points:
        """Points (m, 2) in em, moved by corners and pose."""
        if self.corners is not None:
            points = projected(points, quad_matrix(self.box, self.corners))
        if self.pose is not None:
            points = projected(points, pose_matrix(self.box, self.pose))
        return points

    def on_board(self, points: Points) -> Points:
        """Points (m, 2) in em to board px."""
        return apply(self.matrix, self.warped(points))

    @property
    def quad(self) -> Points:
        """(4, 2) board px: the corners of the box, clockwise from the top left."""
        x0, y0, x1, y1 = self.box
        return self.on_board(np.array([[x0, y0], [x1, y0], [x1, y1], [x0, y1]]))

    @property
    def extent(self) -> tuple[float, float, float, float]:
        """x0, y0, x1, y1 board px of the box as it lies on the board."""
        (x0, y0), (x1, y1) = self.quad.min(0), self.quad.max(0)
        return float(x0), float(y0), float(x1), float(y1)

    def pose_on_board(self) -> Matrix:
        """3 x 3 from where the flat piece stands to where its pose puts it, board px."""
        assert self.pose is not None
        place = np.vstack([self.matrix, [0, 0, 1]])
        return place @ pose_matrix(self.box, self.pose) @ np.linalg.inv(place)

    def depth_axis(self, scale: float) -> DepthAxis | None:
        """The way straight back from the posed piece, px of a render scale; None without a pose."""
        if self.pose is None:
            return None
        place = np.vstack([self.matrix * scale, [0, 0, 1]])
        flat = place @ pose_matrix(self.box, self.pose)
        one_px = place @ pose_back(self.box, self.pose) / (self.em * scale)
        nearer = np.linalg.inv(flat)[2]
        # the picture may be turned and stretched after the pose: its walls turn with it
        turned = np.eye(3)
        turned[:2, :2] = self.matrix[:, :2] / math.sqrt(abs(np.linalg.det(self.matrix[:, :2])))
        facing = turned @ pose_rotation(self.pose)[:, :2] @ flat.T[:2]
        rows = [(float(x), float(y), float(z)) for x, y, z in (one_px, nearer, *facing)]
        return DepthAxis(rows[0], rows[1], tuple(rows[2:]))


def placement_of(piece: Placed, box: tuple[float, float, float, float], em: float) -> Placement:
    """Of a piece whose own box in em is known; em in board px."""
    corners = None if "corners" in piece.off else piece.corners
    pose = None if "pose" in piece.off else piece.pose
    return Placement(box, em, placing(piece.place, box, em), corners, pose)


def placed_chords(curves: Curves, placement: Placement, scale: float) -> Chords:
    """(m, 4) float64 px at a render scale: closed cubic curves in em, flattened where they stand.

    curves : (n, 4, 2) in em, y down, in order along each contour
    """
    matrix = placement.matrix * scale
    if placement.corners is None and placement.pose is None:
        return positive(flatten(apply(matrix, curves), TOLERANCE))
    no_letter = np.zeros(len(curves), int)
    lines = bent_chords(
        curves, no_letter, lambda p, _: apply(matrix, placement.warped(p)), BENT_TOLERANCE
    )
    still = (lines[:, 0] == lines[:, 2]) & (lines[:, 1] == lines[:, 3])
    return positive(lines[~still])
