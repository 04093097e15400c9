"""Where a paint is held on the board, and the paint when a handle is pulled. All in board px."""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np

from ..arrays import Points
from ..model import Colour
from .frames import FrameBox


class PaintHandle(NamedTuple):
    """A place where a paint is held.

    kind : "start", "end", "middle", "move" or "turn"
    colour : that the paint has there; None where it has no one colour
    """

    kind: str
    x: float
    y: float
    colour: Colour | None = None

    @classmethod
    def at(cls, kind: str, point: Points, colour: Colour | None = None) -> PaintHandle:
        """At a point (2,), px."""
        return cls(kind, float(point[0]), float(point[1]), colour)


class Laying(NamedTuple):
    """What a paint is laid over: a box, the em its lengths are measured by, dots per inch."""

    frame: FrameBox
    em: float = 100.0
    dpi: float = 96.0

    @property
    def middle(self) -> Points:
        """(2,) px."""
        x0, y0, x1, y1 = self.frame
        return np.array([(x0 + x1) / 2, (y0 + y1) / 2])

    @property
    def sides(self) -> Points:
        """(2,) px, never 0."""
        x0, y0, x1, y1 = self.frame
        return np.maximum([x1 - x0, y1 - y0], 1e-3)


def way(degrees: float) -> Points:
    """(2,) the direction of an angle: 0 to the right, clockwise."""
    turn = math.radians(degrees)
    return np.array([math.cos(turn), math.sin(turn)])


def angle_of(v: Points) -> float:
    """CSS's angle of a direction (2,): 0 up, clockwise."""
    return math.degrees(math.atan2(v[0], -v[1])) % 360
