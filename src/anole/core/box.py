"""Whole-pixel boxes: x0, y0 inside, x1, y1 outside; y grows downward."""

from __future__ import annotations

import math
from collections.abc import Iterable
from typing import NamedTuple


class Box(NamedTuple):
    """A rectangle of whole pixels: columns x0 to x1 and rows y0 to y1, the ends left out."""

    x0: int
    y0: int
    x1: int
    y1: int

    @property
    def width(self) -> int:
        """Columns; 0 for an empty box."""
        return max(0, self.x1 - self.x0)

    @property
    def height(self) -> int:
        """Rows; 0 for an empty box."""
        return max(0, self.y1 - self.y0)

    @property
    def empty(self) -> bool:
        """Whether no pixel lies in it."""
        return self.x1 <= self.x0 or self.y1 <= self.y0

    def grown(self, by: float) -> Box:
        """Larger by `by` px on each side, rounded up to whole px."""
        n = math.ceil(by)
        return Box(self.x0 - n, self.y0 - n, self.x1 + n, self.y1 + n)

    def times(self, by: int) -> Box:
        """The same part of a board in px of a scale `by` times as large."""
        return Box(self.x0 * by, self.y0 * by, self.x1 * by, self.y1 * by)

    def moved(self, dx: int, dy: int) -> Box:
        """The same size, `dx` px to the right and `dy` px down."""
        return Box(self.x0 + dx, self.y0 + dy, self.x1 + dx, self.y1 + dy)

    def meet(self, other: Box) -> Box:
        """What both cover; EMPTY when nothing."""
        box = Box(
            max(self.x0, other.x0),
            max(self.y0, other.y0),
            min(self.x1, other.x1),
            min(self.y1, other.y1),
        )
        return EMPTY if box.empty else box

    def slices_in(self, outer: Box) -> tuple[slice, slice]:
        """Rows and columns of this box in an array that covers `outer`."""
        return (
            slice(self.y0 - outer.y0, self.y1 - outer.y0),
            slice(self.x0 - outer.x0, self.x1 - outer.x0),
        )


EMPTY = Box(0, 0, 0, 0)


def around(boxes: Iterable[Box]) -> Box:
    """The least box that holds them all; EMPTY when there is nothing to hold."""
    full = [box for box in boxes if not box.empty]
    if not full:
        return EMPTY
    return Box(
        min(b.x0 for b in full),
        min(b.y0 for b in full),
        max(b.x1 for b in full),
        max(b.y1 for b in full),
    )
