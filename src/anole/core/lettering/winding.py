"""Contours wound by how they are nested: what they cover lies on the same side of each."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from ..arrays import Chords, Curves, Indices, Mask, Numbers, Points, Real
from ..kernels import njit
from .flatten import flatten

LINES = 12
"""Levels at which a contour is looked at; the one where it stands freest of others decides."""
FINENESS = 2e-4
"""Greatest distance of chords from their curves while nesting is found, in sizes of the outline."""


@njit(nogil=True, cache=True)
def _crossings(
    chords: Chords, owner: Numbers, y: Real, xs: Points, who: Indices, down: Mask
) -> int:
    """Where chords cross a level, from left to right; returns how many do."""
    count = 0
    for k in range(chords.shape[0]):
        ay, by = chords[k, 1], chords[k, 3]
        if (ay <= y) != (by <= y):
            x = chords[k, 0] + (y - ay) / (by - ay) * (chords[k, 2] - chords[k, 0])
            at = count
            while at > 0 and xs[at - 1] > x:
                xs[at], who[at], down[at] = xs[at - 1], who[at - 1], down[at - 1]
                at -= 1
            xs[at], who[at], down[at] = x, owner[k], by > ay
            count += 1
    return count


@njit(nogil=True, cache=True)
def _backward(chords: Chords, owner: Numbers, count: int, lines: Chords) -> Mask:
    """For each contour whether it has to be turned round.

    Of contours that do not cross (they may touch), a level's crossings lead into the covered area
    and out of it by turns. Clockwise on a screen, y down, what leads into it goes up.
    """
    size = chords.shape[0]
    xs, who, down = np.empty(size), np.empty(size, np.int64), np.empty(size, np.bool_)
    top, low = np.full(count, np.inf), np.full(count, -np.inf)
    for k in range(size):
        top[owner[k]] = min(top[owner[k]], chords[k, 1], chords[k, 3])
        low[owner[k]] = max(low[owner[k]], chords[k, 1], chords[k, 3])
    out = np.zeros(count, np.bool_)
    for c in range(count):
        freest = 0.0
        for line in range(lines):
            y = top[c] + (low[c] - top[c]) * (line + 0.618) / lines
            found = _crossings(chords, owner, y, xs, who, down)
            for n in range(found):
                left = xs[n] - xs[n - 1] if n else np.inf
                right = xs[n + 1] - xs[n] if n + 1 < found else np.inf
                if who[n] == c and min(left, right) > freest:
                    freest = min(left, right)
                    out[c] = (n % 2 == 0) == down[n]
    return out


def backward(contours: Sequence[Curves]) -> Curves:
    """Which of closed contours have to be turned round, so that outer ones run clockwise on a
    screen (y down) and holes the other way.

    contours : each (n, 4, 2) cubics; none crosses another, they may touch
    returns (len(contours),) bool
    """
    if not contours:
        return np.zeros(0, np.bool_)
    size = float(np.ptp(np.concatenate(contours).reshape(-1, 2), axis=0).max())
    parts = [flatten(part, max(size, 1e-9) * FINENESS) for part in contours]
    owner = np.repeat(np.arange(len(parts)), [len(part) for part in parts])
    return np.asarray(_backward(np.concatenate(parts), owner, len(parts), LINES))
