"""A placed piece as it stands where a cluster puts it: both places as one."""

from __future__ import annotations

import math
from typing import TypeVar

import msgspec
import numpy as np

from ...arrays import Matrix
from ...lettering.matrix import apply
from ...model import Place, Placed

P = TypeVar("P", bound=Placed)
MOST_SLANT = 80.0


def _linear(place: Place) -> Matrix:
    """2 x 2: what a place does besides moving (as in lettering.matrix.placing)."""
    turn, lean = math.radians(place.rotation), math.tan(math.radians(place.skew))
    cos, sin = math.cos(turn), math.sin(turn)
    stretch = np.array([[place.scale_x, -lean * place.scale_y], [0.0, place.scale_y]])
    return np.array([[cos, -sin], [sin, cos]]) @ stretch


def located(piece: P, matrix: Matrix) -> P:
    """The piece moved by a map of the board, (2, 3) px to px: turn, stretch, slant and move."""
    if np.array_equal(matrix, [[1, 0, 0], [0, 1, 0]]):
        return piece
    place = piece.place
    whole = matrix[:, :2] @ _linear(place)
    side = -1.0 if place.scale_x < 0 else 1.0
    scale_x = side * float(np.hypot(*whole[:, 0]))
    turn = math.atan2(side * whole[1, 0], side * whole[0, 0])
    cos, sin = math.cos(turn), math.sin(turn)
    across, scale_y = np.array([[cos, sin], [-sin, cos]]) @ whole[:, 1]
    slant = math.degrees(math.atan2(-across, scale_y)) if scale_y else 0.0
    slant = (slant + 90) % 180 - 90
    x, y = apply(matrix, np.array([place.x, place.y]))
    moved = msgspec.structs.replace(
        place,
        x=float(x),
        y=float(y),
        rotation=math.degrees(turn),
        scale_x=scale_x,
        scale_y=float(scale_y),
        skew=min(max(slant, -MOST_SLANT), MOST_SLANT),
    )
    return msgspec.structs.replace(piece, place=moved)
