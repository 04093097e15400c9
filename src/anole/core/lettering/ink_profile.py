"""How far the ink of lines reaches up and down at each place along them, and how near two may stand."""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np

from ..arrays import Curves, Values
from .flatten import flatten

STEP = 1 / 128
"""em of a column."""
FINE = 1e-4
"""em that a chord may be off its curve."""


class InkProfile(NamedTuple):
    """Columns of STEP em from number `first` on: (n,) float64 em, y down; `top` is +inf and `low` -inf
    where a column has no ink."""

    first: int
    top: Values
    low: Values

    def moved(self, down: float) -> InkProfile:
        """The same so much lower."""
        return self._replace(top=self.top + down, low=self.low + down)

    @property
    def empty(self) -> bool:
        """Whether there is no ink."""
        return not len(self.top)


NO_INK = InkProfile(0, np.zeros(0), np.zeros(0))


def ink_profile(curves: Curves) -> InkProfile:
    """The profile of cubics (n, 4, 2), em. A column has the ink of all that passes through it."""
    if not len(curves):
        return NO_INK
    chords = flatten(curves / FINE, 1.0) * FINE
    # so short that none passes more than two columns
    cuts = np.maximum(np.ceil(np.abs(chords[:, 2] - chords[:, 0]) / STEP).astype(int), 1)
    which = np.repeat(np.arange(len(chords)), cuts)
    number = np.arange(len(which)) - np.repeat(np.cumsum(cuts) - cuts, cuts)
    share = np.stack([number, number + 1]) / cuts[which]
    start, end = chords[which, :2], chords[which, 2:]
    points = start + share[:, :, None] * (end - start)
    columns = np.floor(points[:, :, 0] / STEP).astype(int)
    first, count = int(columns.min()), int(columns.max() - columns.min()) + 1
    top, low = np.full(count, np.inf), np.full(count, -np.inf)
    for at in columns - first:
        for y in points[:, :, 1]:
            np.minimum.at(top, at, y)
            np.maximum.at(low, at, y)
    return InkProfile(first, top, low)


def rectangle_profile(box: tuple[float, float, float, float]) -> InkProfile:
    """The profile of a rectangle x0, y0, x1, y1, em."""
    first = math.floor(box[0] / STEP)
    count = math.floor(box[2] / STEP) - first + 1
    return InkProfile(first, np.full(count, box[1]), np.full(count, box[3]))


def joined(one: InkProfile, other: InkProfile) -> InkProfile:
    """The profile of both."""
    if one.empty or other.empty:
        return other if one.empty else one
    first = min(one.first, other.first)
    count = max(p.first + len(p.top) for p in (one, other)) - first
    top, low = np.full(count, np.inf), np.full(count, -np.inf)
    for part in (one, other):
        here = slice(part.first - first, part.first - first + len(part.top))
        top[here] = np.minimum(top[here], part.top)
        low[here] = np.maximum(low[here], part.low)
    return InkProfile(first, top, low)


def step_between(above: InkProfile, below: InkProfile, gap: float) -> float:
    """em by which `below` must go down so that no ink of the two is nearer than `gap`; -inf where
    neither stands over the other."""
    if above.empty or below.empty:
        return -math.inf
    reach = math.ceil(gap / STEP) + 1
    first = above.first - reach
    low = np.full(len(above.low) + 2 * reach, -np.inf)
    for away in range(-reach, reach + 1):
        # ink of neighbouring columns may touch
        beside = max(abs(away) - 1, 0) * STEP
        if beside <= gap:
            here = slice(reach + away, reach + away + len(above.low))
            low[here] = np.maximum(low[here], above.low + math.sqrt(gap * gap - beside * beside))
    start, end = max(first, below.first), min(first + len(low), below.first + len(below.top))
    if start >= end:
        return -math.inf
    apart = low[start - first : end - first] - below.top[start - below.first : end - below.first]
    return float(apart.max())
