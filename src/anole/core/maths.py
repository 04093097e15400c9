"""Small formulas that several parts use."""

from __future__ import annotations

import numpy as np

from .arrays import Reals, Values


def smoothstep(t: Reals) -> Reals:
    """3 t^2 - 2 t^3, which leaves 0 and reaches 1 level; t from 0 to 1, of any shape and dtype."""
    return t * t * (3 - 2 * t)


def monotone(xs: Values, ys: Values, at: Values) -> Values:
    """A smooth curve through points that rises and falls only where they do, at places `at`: cubic
    Hermite pieces with the slopes of F. N. Fritsch and J. Butland (SIAM J. Sci. Stat. Comput. 5,
    1984). xs (n,) rise, n at least 2; beyond them the outer pieces go on."""
    slopes = _slopes(np.diff(xs), np.diff(ys) / np.diff(xs))
    piece = np.clip(np.searchsorted(xs, at, "right") - 1, 0, len(xs) - 2)
    width = (xs[1:] - xs[:-1])[piece]
    t = (at - xs[piece]) / width
    first, last = ys[piece], ys[piece + 1]
    bow = width * (slopes[piece] * (1 - t) - slopes[piece + 1] * t)
    s = smoothstep(t)
    return np.asarray(first + (last - first) * s + t * (1 - t) * bow)


def _slopes(steps: Values, chords: Values) -> Values:
    """The slope at each point, from the distances to its neighbours and the chords to them."""
    if len(chords) == 1:
        return np.repeat(chords, 2)
    slopes = np.zeros(len(chords) + 1)
    before, after = chords[:-1], chords[1:]
    one_way = before * after > 0
    w1, w2 = 2 * steps[1:] + steps[:-1], steps[1:] + 2 * steps[:-1]
    # next to a chord that is all but level the mean is beyond floats, and the slope 0
    with np.errstate(over="ignore"):
        mean = np.divide(w1, before, where=one_way, out=np.ones_like(before))
        mean += np.divide(w2, after, where=one_way, out=np.ones_like(after))
    slopes[1:-1] = np.where(one_way, (w1 + w2) / mean, 0.0)
    slopes[0] = _end(steps[0], steps[1], chords[0], chords[1])
    slopes[-1] = _end(steps[-1], steps[-2], chords[-1], chords[-2])
    return slopes


def _end(step: float, next_step: float, chord: float, next_chord: float) -> float:
    """The slope at an end: that of a parabola through three points, as far as it stays in shape."""
    slope = ((2 * step + next_step) * chord - step * next_chord) / (step + next_step)
    if slope * chord <= 0:
        return 0.0
    if chord * next_chord <= 0 and abs(slope) > 3 * abs(chord):
        return 3 * chord
    return slope
