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


class Axis(NamedTuple):
    """x = edge + position * scale, with a scale for each side of the edge."""

    left: float
    edge: float
    right: float
    outer: float
    core: float

    @property
    def scale_out(self) -> float:
        return (self.edge - self.left) / self.outer

    @property
    def scale_in(self) -> float:
        return (self.right - self.edge) / self.core

    def x(self, position: float) -> float:
        """Widget px of a position in board px, kept within the drawing."""
        scale = self.scale_out if position < 0 else self.scale_in
        return min(max(self.edge + position * scale, self.left), self.right)

    def positions(self, xs: Reals) -> Reals:
        """Board px of many widget px."""
        scale = np.where(xs < self.edge, self.scale_out, self.scale_in)
        return (xs - self.edge) / scale

    def position(self, x: float) -> float:
        scale = self.scale_out if x < self.edge else self.scale_in
        return (x - self.edge) / scale


def axis_for(coats: Sequence[Coat], section: CrossSection, left: float, right: float) -> Axis:
    """An axis on which every coat has room and the letter keeps at least a third."""
    most = FARTHEST * section.core
    least = max(0.6 * section.core, 4.0)
    outer = max([least, *(outermost(coat, section, most) for coat in coats)])
    share = section.core / (section.core + outer)
    share = min(max(share, LEAST_LETTER), MOST_LETTER)
    edge = right - (right - left) * share
    return Axis(left, edge, right, outer, section.core)


def nice_step(span: float, room: float, least: float = 30.0) -> float:
    """A round step so that ticks stand at least `least` widget px apart."""
    raw = span * least / max(room, 1.0)
    power = 10.0 ** math.floor(math.log10(max(raw, 1e-9)))
    return next((power * n for n in (1, 2, 5, 10) if power * n >= raw), power * 10)
