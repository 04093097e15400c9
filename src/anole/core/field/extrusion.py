"""A flat shape drawn out along a line in space, as it is seen: its back, and all that it covers."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ..arrays import Chords, Points
from .normals import order, outward
from .polygons import NOTHING, to_chords, to_polygons, united

BEHIND = 1e-3
"""Depth, of that of the face, to which what would come to lie behind the eye is held back."""


class Extrusion(NamedTuple):
    """Where a point of the face comes to lie that goes back by a share z, 0..1, of the depth: at
    p + z (plane . p) axis in homogeneous px, p = (x, y, 1).

    axis : where the way back leads to; its last part is 0 where all ways are parallel
    plane : how much nearer the eye one point of the face lies than another
    taper : px by which the back has shrunk toward the core
    """

    axis: tuple[float, float, float]
    plane: tuple[float, float, float] = (0.0, 0.0, 1.0)
    taper: float = 0.0

    @classmethod
    def along(cls, dx: float, dy: float, taper: float = 0.0) -> Extrusion:
        """All ways go (dx, dy) px."""
        return cls((dx, dy, 0.0), taper=taper)

    @classmethod
    def toward(cls, x: float, y: float, share: float, taper: float = 0.0) -> Extrusion:
        """All ways go a share, under 1, of the way to the point (x, y)."""
        far = share / (1 - share)
        return cls((x * far, y * far, far), taper=taper)

    @property
    def moves(self) -> bool:
        """Whether the back lies anywhere else than the face."""
        return any(self.axis)

    def seen_from(self, x: float, y: float) -> Extrusion:
        """The same counted from the point (x, y)."""
        (wx, wy, w), (mx, my, m) = self.axis, self.plane
        return Extrusion((wx - x * w, wy - y * w, w), (mx, my, m + mx * x + my * y), self.taper)

    @property
    def as_floats(self) -> Extrusion:
        """The same as kernels take it: one type of number throughout."""
        (wx, wy, w), (mx, my, m) = self.axis, self.plane
        return Extrusion(
            (float(wx), float(wy), float(w)), (float(mx), float(my), float(m)), float(self.taper)
        )

    def back(self, points: Points, z: float = 1.0) -> Points:
        """Points (m, 2) of the face at a depth."""
        nearer = z * (points @ np.array(self.plane[:2]) + self.plane[2])
        deep = np.maximum(1 + nearer * self.axis[2], BEHIND)
        return (points + nearer[:, None] * np.array(self.axis[:2])) / deep[:, None]

    def turned_away(self, chords: Chords) -> Points:
        """(m,) float64, positive for chords whose wall is seen: how far it goes outward."""
        out = outward(chords)
        return out @ np.array(self.axis[:2]) - (out * chords[:, :2]).sum(1) * self.axis[2]

    def swept(self, chords: Chords) -> Chords:
        """(m, 4) px: all that the face covers on its way back, without the taper.

        Sides whose wall is seen are taken at the back, the others at the face, with the way back
        between them. That curve runs round each point as often as its line meets the face: so the
        union by the nonzero winding rule is exact (a convolution, after Guibas, Ramshaw and Stolfi,
        "A kinetic framework for computational geometry", 1983).
        """
        if not self.moves or not len(chords):
            return chords
        away = self.turned_away(chords) > 0
        there = np.hstack([self.back(chords[:, :2]), self.back(chords[:, 2:])])
        sides = np.where(away[:, None], there, chords)
        _, after = order(chords)
        joins = away != away[after]
        ends = np.hstack([sides[:, 2:], np.where(away[:, None], chords[:, 2:], there[:, 2:])])
        count = np.arange(len(chords), dtype=float)
        at = np.concatenate([count, count[joins] + 0.5])
        loop = np.concatenate([sides, ends[joins]])[np.argsort(at, kind="stable")]
        return to_chords(united(to_polygons(loop))) if len(loop) else NOTHING


class DepthAxis(NamedTuple):
    """The way straight back from a plane that is turned in space, px of where it is seen.

    axis, plane : those of an extrusion by one px of depth
    facing : 3 x 3, from a line of the picture, its unit normal (x, y) and -normal . point, to the
    normal in space of the wall behind it: x to the right, y down, z toward the eye
    """

    axis: tuple[float, float, float]
    plane: tuple[float, float, float]
    facing: tuple[tuple[float, float, float], ...]

    def extrusion(self, depth: float, taper: float = 0.0) -> Extrusion:
        """By so many px of depth."""
        x, y, z = self.axis
        return Extrusion((x * depth, y * depth, z * depth), self.plane, taper)
