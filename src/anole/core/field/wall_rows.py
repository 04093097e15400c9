"""Chords whose walls are seen, as rows of numbers: each sweeps a quad toward the back."""

from __future__ import annotations

import numpy as np

from ..arrays import Chords, Indices, Records, Values
from ..kernels import njit
from .extrusion import Extrusion

FAR = 1e30
AX, AY, DX, DY, LENGTH, NX, NY, C, D = range(9)
"""Columns of a chord: start, way, length, unit normal, where its line lies, how far it sweeps."""
QUAD = 9
"""The first of eight columns with the corners of what it sweeps."""


def wall_rows(chords: Chords, extrusion: Extrusion) -> tuple[Records, Indices]:
    """(k, 17) of the chords whose walls are seen, as the columns below; (k,) which chords these are."""
    deep = extrusion.turned_away(chords)
    seen = np.flatnonzero(deep > 1e-9)
    some = chords[seen]
    way = some[:, 2:] - some[:, :2]
    length = np.hypot(*way.T)
    out = np.column_stack([way[:, 1], -way[:, 0]]) / length[:, None]
    line = (out * some[:, :2]).sum(1)
    corners = [some[:, :2], some[:, 2:], extrusion.back(some[:, 2:]), extrusion.back(some[:, :2])]
    parts = [some[:, :2], way, length[:, None], out, line[:, None], deep[seen, None], *corners]
    return np.ascontiguousarray(np.hstack(parts)), seen


def deepest(rows: Records) -> float:
    """How far back the backs of all the walls lie at most, wherever the box is."""
    if not len(rows):
        return 0.0
    along = rows[:, [NX]] * rows[:, QUAD + 4 :: 2] + rows[:, [NY]] * rows[:, QUAD + 5 :: 2]
    return float(((along - rows[:, [C]]) / rows[:, [D]]).max())


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def across(row: Values, y: float) -> tuple[float, float]:
    """From where to where a level line runs within a quad."""
    low, high = FAR, -FAR
    for n in range(4):
        x0, y0 = row[QUAD + 2 * n], row[QUAD + 2 * n + 1]
        m = (n + 1) % 4
        x1, y1 = row[QUAD + 2 * m], row[QUAD + 2 * m + 1]
        if (y0 <= y) == (y1 <= y) and y0 != y and y1 != y:
            continue
        if y0 == y1:
            low, high = min(low, x0, x1), max(high, x0, x1)
        else:
            x = x0 + (y - y0) / (y1 - y0) * (x1 - x0)
            low, high = min(low, x), max(high, x)
    return low, high


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def heights(row: Values) -> tuple[float, float]:
    """From where to where down the picture a quad runs."""
    ys = row[QUAD + 1 :: 2]
    return ys.min(), ys.max()
