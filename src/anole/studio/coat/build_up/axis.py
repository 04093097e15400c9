"""The axis of the build-up: outside - edge - core, in board px, laid over widget px."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from ....core.arrays import Reals
from ....core.coats.section import CrossSection, outermost
from ....core.model import Coat

LEAST_LETTER, MOST_LETTER = 0.34, 0.62
FARTHEST = 40.0
"""Cores outside the edge that the drawing goes to at most."""
NEAR, NEAR_SHARE = 1.5, 0.7
"""Cores outside the edge that are drawn at full size, and the share of the drawing that they have with the
letter where more lies beyond: that is drawn shortened."""
WORTH = 1.25
"""Times the near part that the drawing must reach for a break to be worth it."""


class Axis(NamedTuple):
    """From `left`, `outer` board px outside, over the edge to `right`, the core. Between `left` and
    `broken`, what is farther out than `near` board px is drawn shortened; they are equal where nothing
    is."""

    left: float
    broken: float
    edge: float
    right: float
    outer: float
    near: float
    core: float

    @property
    def is_broken(self) -> bool:
        """Whether what reaches far out is drawn shortened."""
        return self.broken > self.left

    @property
    def _knots(self) -> tuple[list[float], list[float]]:
        """Positions, board px, and where they are drawn, widget px."""
        if self.is_broken:
            places = [-self.outer, -self.near, 0.0, self.core]
            return places, [self.left, self.broken, self.edge, self.right]
        return [-self.outer, 0.0, self.core], [self.left, self.edge, self.right]

    def x(self, position: float) -> float:
        """Widget px of a position in board px, kept within the drawing."""
        places, xs = self._knots
        return float(np.interp(position, places, xs))

    def positions(self, xs: Reals) -> Reals:
        """Board px of many widget px; beyond the drawing as in its outer parts."""
        places, knots = self._knots
        found = np.interp(xs, knots, places)
        before, after = np.minimum(xs - knots[0], 0), np.maximum(xs - knots[-1], 0)
        out = (places[1] - places[0]) / max(knots[1] - knots[0], 1e-9)
        inside = self.core / max(self.right - self.edge, 1e-9)
        return found + before * out + after * inside

    def position(self, x: float) -> float:
        """Board px of one widget px."""
        return float(self.positions(np.array([x]))[0])


def axis_for(coats: Sequence[Coat], section: CrossSection, left: float, right: float) -> Axis:
    """An axis on which every coat has room, the letter keeps at least a third, and what lies near the
    edge most of it."""
    most = FARTHEST * section.core
    least = max(0.6 * section.core, 4.0)
    outer = max([least, *(outermost(coat, section, most) for coat in coats)])
    wide, near = right - left, NEAR * section.core
    if outer > WORTH * near:
        edge = right - wide * LEAST_LETTER
        return Axis(left, right - wide * NEAR_SHARE, edge, right, outer, near, section.core)
    share = section.core / (section.core + outer)
    share = min(max(share, LEAST_LETTER), MOST_LETTER)
    return Axis(left, left, right - wide * share, right, outer, outer, section.core)


def nice_step(span: float, room: float, least: float = 30.0) -> float:
    """A round step so that ticks stand at least `least` widget px apart."""
    raw = span * least / max(room, 1.0)
    power = 10.0 ** math.floor(math.log10(max(raw, 1e-9)))
    return next((power * n for n in (1, 2, 5, 10) if power * n >= raw), power * 10)
