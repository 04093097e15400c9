"""Pictures drawn by turns into a few buffers, so that one can be shown while the next is drawn."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np

from ...core.arrays import Packed
from ...core.box import EMPTY, Box, around

COUNT = 3
"""One is being shown, one waits to be shown, one is being drawn."""


class Buffers:
    """What a buffer missed while others were drawn is copied to it before it is drawn again."""

    def __init__(self) -> None:
        self._pixels: list[Packed] = []
        self._missed = [EMPTY] * COUNT
        self._front = 0
        self._box = self._unpainted = EMPTY

    def lost(self, box: Box) -> None:
        """A picture of that box was given up: what it would have changed is still to be drawn.
        Where it was of another box nobody knows what it changed here."""
        self._unpainted = self._box

    def draw(
        self, box: Box, changed: Box, paint: Callable[[Box, Packed], None]
    ) -> tuple[Packed, Box]:
        """The next picture over `box`, (H, W) uint32, and the part that differs from the last.

        paint(part, pixels) draws the part that changed.
        """
        shape = (box.height, box.width)
        if not self._pixels or self._pixels[0].shape != shape:
            self._pixels = [np.zeros(shape, np.uint32) for _ in range(COUNT)]
        if box != self._box:
            self._box = self._unpainted = box
            self._missed = [EMPTY] * COUNT
        part = around((changed, self._unpainted))
        back = (self._front + 1) % COUNT
        missed = self._missed[back]
        # what is painted next anyway need not be brought up to date
        if missed.meet(part) != missed:
            rows, columns = missed.slices_in(box)
            self._pixels[back][rows, columns] = self._pixels[self._front][rows, columns]
        if not part.empty:
            paint(part, self._pixels[back])
        self._missed = [around((old, part)) for old in self._missed]
        self._missed[back] = self._unpainted = EMPTY
        self._front = back
        return self._pixels[back], part
