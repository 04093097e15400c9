"""The even parts of a picture, and those of them that are the face of letters."""

from __future__ import annotations

import cv2
import numpy as np
from numpy.typing import NDArray

from ..arrays import Mask, Plane
from .colours import ColourModel
from .seen import ALIKE, Seen, Unreadable, apart, oklab, smooth_px

SOME = 300
"""px of a part that are looked at."""
LEAST_PX = 24
"""A part of a face is at least so many px."""
NEAR_MODEL = 0.07
"""Faces of other letters look at most so unlike what the first says of them."""


def _first(smooth: Mask, x: float, y: float) -> tuple[int, int]:
    """The px without edge nearest to a place, a few px away at most."""
    ys, xs = np.nonzero(smooth)
    if not len(xs):
        raise Unreadable("Nothing in this picture is even enough to be a face.")
    far = (xs + 0.5 - x) ** 2 + (ys + 0.5 - y) ** 2
    best = int(far.argmin())
    if far[best] > 12**2:
        raise Unreadable("The line's inner end does not lie in the face of a letter.")
    return int(xs[best]), int(ys[best])


def _around(part: Mask, lab: Plane) -> Plane:
    """The colours about two px beyond a part's edge."""
    grown = cv2.dilate(part.astype(np.uint8), np.ones((7, 7))) > 0
    inner = cv2.dilate(part.astype(np.uint8), np.ones((5, 5))) > 0
    return lab[grown & ~inner]


class Parts:
    """The even parts of a picture, and how some px of each look."""

    def __init__(self, seen: Seen) -> None:
        self.seen, self.smooth = seen, smooth_px(seen.lab)
        self.count, self.labels, self.stats, _ = cv2.connectedComponentsWithStats(
            self.smooth.astype(np.uint8), connectivity=4
        )
        height, width = self.smooth.shape
        self.numbers = [
            n
            for n in range(1, self.count)
            if self.stats[n, cv2.CC_STAT_AREA] >= LEAST_PX
            and not at_border(self.stats[n], width, height)
        ]
        order = np.argsort(self.labels, axis=None, kind="stable")
        cuts = np.searchsorted(self.labels.ravel()[order], np.arange(self.count + 1))
        self._order, self._cuts = order, cuts

    def some_px(self, part: int) -> tuple[NDArray[np.int64], NDArray[np.int64]]:
        """x and y of some px of a part."""
        here = self._order[self._cuts[part] : self._cuts[part + 1]]
        here = here[:: max(1, len(here) // SOME)]
        return here % self.smooth.shape[1], here // self.smooth.shape[1]

    def ring(self, part: int) -> Plane:
        """(n, 3): the colours about two px beyond its edge."""
        left, top, wide, high = self.stats[part, :4]
        height, width = self.smooth.shape
        y0, y1 = max(0, top - 4), min(height, top + high + 4)
        x0, x1 = max(0, left - 4), min(width, left + wide + 4)
        return _around(self.labels[y0:y1, x0:x1] == part, self.seen.lab[y0:y1, x0:x1])

    def at(self, x: float, y: float) -> int:
        """The part at a place, or a few px beside it."""
        column, row = _first(self.smooth, x, y)
        part = int(self.labels[row, column])
        height, width = self.smooth.shape
        if at_border(self.stats[part], width, height):
            raise Unreadable("The line's inner end lies in the ground, not in a letter.")
        return part


def parts_of_face(parts: Parts, seed: int) -> Mask:
    """(H, W) bool: the px of the face that lie in no edge, of all letters that are like one part."""
    seen, around = parts.seen, parts.ring(seed)
    beyond = np.median(around, axis=0) if len(around) else np.zeros(3, np.float32)
    even = float((apart(around, beyond) < 2 * ALIKE).mean()) if len(around) else 0.0
    held = {seed}
    for _ in range(3):
        before = set(held)
        model = ColourModel(seen.rgb, np.isin(parts.labels, list(held)))
        for part in parts.numbers:
            xs, ys = parts.some_px(part)
            off = apart(oklab(model.at(xs, ys)), seen.lab[ys, xs])
            if part == seed or float(np.median(off)) > NEAR_MODEL:
                continue
            if (
                part in held
                or even <= 0.6
                or float((apart(parts.ring(part), beyond) < 2 * ALIKE).mean()) >= 0.35
            ):
                held.add(part)
        if held == before:
            break
    return np.isin(parts.labels, list(held))


def at_border(stat: NDArray[np.int32], width: int, height: int) -> bool:
    """Whether a part reaches the picture's border: then it is ground."""
    left, top, wide, high = map(int, stat[:4])
    return left == 0 or top == 0 or left + wide == width or top + high == height
