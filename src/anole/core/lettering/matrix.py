"""Where a block stands on the board, as a 2 x 3 matrix.

Column vectors: (x', y') = (a x + c y + e, b x + d y + f), stored [[a, c, e], [b, d, f]];
y is down, positive turns are clockwise.
"""

from __future__ import annotations

import math

import numpy as np

from ..arrays import Matrix, Points
from ..model import Place


def anchor_point(box: tuple[float, float, float, float], anchor: str) -> tuple[float, float]:
    """One of the nine points of a box (x0, y0, x1, y1)."""
    x = 0.0 if "left" in anchor else 1.0 if "right" in anchor else 0.5
    y = 0.0 if "top" in anchor else 1.0 if "bottom" in anchor else 0.5
    return box[0] + x * (box[2] - box[0]), box[1] + y * (box[3] - box[1])


def placing(place: Place, box: tuple[float, float, float, float], em: float) -> Points:
    """From the block's em units to board px: anchor to origin, scale, slant, turn, move."""
    ax, ay = anchor_point(box, place.anchor)
    turn, lean = math.radians(place.rotation), math.tan(math.radians(place.skew))
    cos, sin = math.cos(turn), math.sin(turn)
    stretch = np.array([[place.scale_x, -lean * place.scale_y], [0.0, place.scale_y]]) * em
    linear = np.array([[cos, -sin], [sin, cos]]) @ stretch
    shift = np.array([place.x, place.y]) - linear @ (ax, ay)
    return np.column_stack([linear, shift])


def apply(matrix: Matrix, points: Points) -> Matrix:
    """Points (..., 2) through a 2 x 3 matrix."""
    (xx, xy, x0), (yx, yy, y0) = matrix
    x, y = points[..., 0], points[..., 1]
    out = np.empty(np.shape(points))
    # two products written out: a matrix product of many small stacks is several times slower
    out[..., 0] = xx * x + xy * y + x0
    out[..., 1] = yx * x + yy * y + y0
    return out
