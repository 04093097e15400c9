"""Outlines of very short chords with as few as say the same: fields are exact on long ones."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from ..arrays import Chords, Indices, Real, Records
from ..kernels import njit

LONGEST = 64
"""Chords that become one at most."""
SHARP = 0.6
"""Turn, radians, from which on two chords meet in a corner."""


def following(chords: Chords) -> NDArray[np.int64]:
    """(m,) int64: the chord that begins where each one ends; outlines are closed.

    chords : (m, 4), ends that meet equal to the last bit
    """
    starts = np.lexsort((chords[:, 1], chords[:, 0]))
    ends = np.lexsort((chords[:, 3], chords[:, 2]))
    after = np.empty(len(chords), np.int64)
    after[ends] = starts
    return after


@njit(nogil=True, cache=True)
def _holds(c: Chords, run: Indices, count: int, x1: Real, y1: Real, tolerance: Real) -> bool:
    """Whether the points between a run's start and (x1, y1) lie within a tolerance of the line."""
    x0, y0 = c[run[0], 0], c[run[0], 1]
    dx, dy = x1 - x0, y1 - y0
    length = np.sqrt(dx * dx + dy * dy)
    if length < 1e-9:
        return False
    for n in range(1, count):
        away = abs((c[run[n], 0] - x0) * dy - (c[run[n], 1] - y0) * dx)
        if away > tolerance * length:
            return False
    return True


@njit(nogil=True, cache=True)
def _merge(c: Chords, after: Indices, tolerance: Real, out: Records) -> int:
    """Runs of chords to one, from each for as long as every point between lies within the tolerance of
    the line from the run's start (|cross product| / length), at most LONGEST of them.

    Chords of out, (m, 4), overwritten; returns how many there are.
    """
    done = np.zeros(c.shape[0], np.bool_)
    run, made = np.empty(LONGEST + 1, np.int64), 0
    for first in range(c.shape[0]):
        k = first
        while not done[k]:
            run[0], count = k, 1
            done[k] = True
            nxt = after[k]
            while not done[nxt] and count < LONGEST:
                run[count] = nxt
                if not _holds(c, run, count + 1, c[nxt, 2], c[nxt, 3], tolerance):
                    break
                done[nxt] = True
                count += 1
                nxt = after[nxt]
            last = run[count - 1]
            out[made, 0], out[made, 1] = c[k, 0], c[k, 1]
            out[made, 2], out[made, 3] = c[last, 2], c[last, 3]
            made += 1
            k = nxt
    return made


def simplified(chords: Chords, tolerance: float) -> Chords:
    """(n, 4) float64 chords through some of the points of closed outlines, none of the others
    further than a tolerance from them.

    chords : (m, 4) float64, ends that meet equal to the last bit; tolerance : in their px
    """
    if not len(chords):
        return chords
    out = np.empty(chords.shape)
    return out[: _merge(np.ascontiguousarray(chords), following(chords), tolerance, out)]


def rounded_out(chords: Chords) -> Chords:
    """Chords whose ends lie on a curve, moved so that the curve runs midway between their ends and
    their middles: the area is the curve's. Corners stay.

    chords : (m, 4) float64 of closed outlines, ends that meet equal to the last bit
    """
    if not len(chords):
        return chords
    after = following(chords)
    along = chords[:, 2:] - chords[:, :2]
    length = np.maximum(np.hypot(*along.T), 1e-12)
    way = along / length[:, None]
    turn = np.arctan2(
        way[:, 0] * way[after, 1] - way[:, 1] * way[after, 0], (way * way[after]).sum(1)
    )
    turn[np.abs(turn) > SHARP] = 0
    # an arc's chord lies up to length * turn / 8 within it, two thirds of that on the mean
    by = turn * (length + length[after]) / 24
    across = way + way[after]
    across /= np.maximum(np.hypot(*across.T), 1e-12)[:, None]
    ends = chords[:, 2:] + np.column_stack([across[:, 1], -across[:, 0]]) * by[:, None]
    starts = np.empty_like(ends)
    starts[after] = ends
    return np.hstack([starts, ends])
