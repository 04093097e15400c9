"""Streaks: what an edge lets go of is blown along, line by line, and fades."""

from __future__ import annotations

import math
from typing import NamedTuple

import cv2
import numpy as np

from .. import bands
from ..arrays import Matrix, Planes, Points, Row, Table
from ..box import Box, around
from ..kernels import njit
from ..noise import lattice_share

EDGE = 2
"""px over which an edge is measured."""
MOST_LINES = 8
"""Lines that a row of px is asked of."""


class Wind(NamedTuple):
    """bearings : degrees, clockwise from up, where it blows; reach : px of the longest line;
    onset : 0..1, how much an edge must drop; uneven : 0..1; width : px of a line"""

    bearings: tuple[float, ...]
    reach: float
    onset: float
    uneven: float
    width: float
    seed: int


@njit(nogil=True, cache=True)
def _reach(line: int, reach: float, uneven: float, seed: int) -> float:
    """px of a line: many are short and few long."""
    share = lattice_share(line + (1 << 20), seed & 1023, seed)
    return max(reach * (1.0 - uneven * (1.0 - share * share)), 1e-3)


@njit(nogil=True, cache=True, error_model="numpy")
def _lines_of(row: float, wind: Points, seed: int, far: Points, share: Points) -> int:
    """The lines that a row of px runs over, their lengths, and how much of it each has; of very
    thin ones some stand for all. Returns how many."""
    reach, uneven, width = wind[0], wind[2], wind[3]
    first, last = math.floor(row / width), math.floor((row + 1.0 - 1e-9) / width)
    count = min(last - first + 1, MOST_LINES)
    total = 0.0
    for n in range(count):
        line = first + (n * (last - first)) // max(count - 1, 1) if count > 1 else first
        top, low = max(line * width, row), min((line + 1) * width, row + 1.0)
        far[n], share[n] = _reach(line, reach, uneven, seed), max(low - top, 1e-6)
        total += share[n]
    for n in range(count):
        share[n] /= total
    return count


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _fade(age: float, far: Row, share: Row, count: int, curve: Table) -> np.float32:
    """What is left of a row that was let go of `age` px ago."""
    total, steps = 0.0, len(curve) - 1
    for n in range(count):
        left = 1.0 - age / far[n]
        if left > 0.0:
            total += share[n] * curve[int(left * steps)]
    return np.float32(total)


@njit(nogil=True, cache=True, error_model="numpy")
def _blown(
    source: Planes,
    top: float,
    wind: Points,
    seed: int,
    curve: Table,
    out: Planes,
    first: int,
    last: int,
) -> None:
    """Rows blown to the right: along a row what passes by is let go of wherever the source stands out from
    what lies behind it (by `onset` or more), and fades with its age, the px since then, by the row's
    lines; fresh source stays where it is stronger.

    source, out : (n, H, W), the last plane how much is there
    """
    planes, wide = source.shape[0], source.shape[2]
    onset, amount = wind[1], source.shape[0] - 1
    held = np.zeros(planes, np.float32)
    far, share = np.empty(MOST_LINES), np.empty(MOST_LINES)
    for y in range(first, last):
        count = _lines_of(y + top, wind, seed, far, share)
        longest = far[:count].max()
        held[:] = 0
        age = longest
        for x in range(wide):
            fade = _fade(age, far, share, count, curve) if age < longest else np.float32(0)
            for p in range(planes):
                out[p, y, x] = held[p] * fade
            here = source[amount, y, x]
            if here > 0.0 and here >= out[amount, y, x]:
                after, drop = min(x + EDGE, wide - 1), np.float32(0)
                for p in range(planes):
                    drop = max(drop, abs(source[p, y, x] - source[p, y, after]))
                if drop >= onset:
                    for p in range(planes):
                        held[p] = source[p, y, x]
                    age = 0.0
            age += 1.0


def _blow(
    source: Planes, top: float, numbers: Points, seed: int, curve: Table, out: Planes
) -> None:
    bands.run(
        lambda a, b: _blown(source, top, numbers, seed, curve, out, a, b),
        bands.split(source.shape[1]),
    )


def _turned(bearing: float, middle: tuple[float, float]) -> Matrix:
    """(2, 3) from px of the board to px of a frame whose x runs along a bearing."""
    turn = math.radians(bearing)
    along = np.array([math.sin(turn), -math.cos(turn)])
    linear = np.stack([along, [-along[1], along[0]]])
    return np.column_stack([linear, -linear @ np.array(middle)])


def _frame(box: Box, matrix: Matrix) -> Box:
    corners = np.array([(x, y) for x in (box.x0, box.x1) for y in (box.y0, box.y1)], float)
    there = corners @ matrix[:, :2].T + matrix[:, 2]
    (x0, y0), (x1, y1) = np.floor(there.min(0)) - 1, np.ceil(there.max(0)) + 2
    return Box(int(x0), int(y0), int(x1), int(y1))


def _between(matrix: Matrix, source: Box, into: Box) -> Matrix:
    """The same for indices of px in arrays over boxes."""
    linear = matrix[:, :2]
    shift = linear @ (source.x0 + 0.5, source.y0 + 0.5) + matrix[:, 2]
    return np.column_stack([linear, shift - (into.x0 + 0.5, into.y0 + 0.5)])


def _warped(planes: Planes, matrix: Matrix, box: Box) -> Planes:
    return np.stack(
        [cv2.warpAffine(np.ascontiguousarray(p), matrix, (box.width, box.height)) for p in planes]
    )


def streaks(
    planes: Planes,
    over: Box,
    wind: Wind,
    curve: Table,
    middle: tuple[float, float],
    box: Box,
) -> Planes:
    """(n, H, W) float32 over `box`: of several winds the strongest; the source itself is left out.

    planes : (n, h, w) over `over`, premultiplied, the last one how much is there; curve : an
    easing of the strength from the end of a line to its start; middle : px that lines stand by
    """
    out = np.zeros((len(planes), box.height, box.width), np.float32)
    numbers = np.array([max(wind.reach, 1e-3), wind.onset, wind.uneven, max(wind.width, 0.05)])
    for n, bearing in enumerate(wind.bearings):
        matrix = _turned(bearing, middle)
        frame = _frame(around([over, box]), matrix)
        source = _warped(planes, _between(matrix, over, frame), frame)
        blown = np.empty_like(source)

        _blow(source, float(frame.y0), numbers, wind.seed + 101 * n, curve, blown)
        inverse = cv2.invertAffineTransform(matrix)
        there = _warped(blown, _between(inverse, frame, box), box)
        stronger = there[-1] > out[-1]
        for plane, new in zip(out, there, strict=True):
            np.copyto(plane, new, where=stronger)
    return out
