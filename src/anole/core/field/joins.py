"""Distances whose lines turn corners as a mitre or a cut, where plain distance turns them round.

Every sharp corner has a wedge between the normals of the two edges that meet there: outside a
corner that points out, inside one that points in. In it a mitre's distance is the greater of those
to the two edges' lines. A cut, or a mitre beyond its limit, is the line across the wedge where a
stroke of one width ends: its distance is made for that width. That holds where the corner is the nearest point, and wherever it is
nearer than the plain distance: a tip is whole even where another letter is closer to it.
"""

from __future__ import annotations

import numpy as np
from numba import njit

from .. import bands
from ..box import Box
from .normals import joints, order

MOST_MITRE = 6.0
"""Widths that fields are made for; a longer mitre is cut there."""
STRAIGHT, BACK = 0.9998, 1e-6
"""Cosine of edges that hardly turn, and the least sum of normals of edges that do not turn back."""
MARGIN = 2.0
"""px beyond a stroke's end that are still right."""
OWN = 0.02
"""px by which a distance to a corner may miss the plain distance and still be it."""


def corners(chords: np.ndarray) -> np.ndarray:
    """(m, 7) float64, a row for each sharp corner: x, y, the normals of its edges that bound the
    wedge, the way to its bisector's side that counts: 1 outside the letters, -1 inside."""
    joint, (before, _) = joints(chords), order(chords)
    here = np.flatnonzero((joint[:, 6] < 0) & (before != np.arange(len(chords))))
    u, w = -joint[before[here], :2], -joint[here, :2]
    along = chords[here, 2:] - chords[here, :2]
    side = np.where((u * along).sum(1) < 0, 1.0, -1.0)
    turns = ((u * w).sum(1) < STRAIGHT) & (np.hypot(*(u + w).T) > BACK)
    rows = np.column_stack([chords[here, :2], u * side[:, None], w * side[:, None], side])
    return np.ascontiguousarray(rows[turns])


@njit(nogil=True, cache=True)
def _reach(u, w, half, pointed):  # type: ignore[no-untyped-def]
    """Span along one axis of a wedge one px wide, as far as the mitre's tip or the round."""
    tip = (u + w) / (2 * half * half) if pointed else (u + w) / (2 * half)
    return min(0.0, u, w, tip), max(0.0, u, w, tip)


@njit(nogil=True, cache=True)
def _clear(d, px, py, vx, vy, x0, y0):  # type: ignore[no-untyped-def]
    """Whether the way from a corner to a px lies within the letters."""
    for share in (0.25, 0.5, 0.75):
        x, y = int(px + vx * share - x0), int(py + vy * share - y0)
        if 0 <= y < d.shape[0] and 0 <= x < d.shape[1] and d[y, x] < 0:
            return False
    return True


@njit(nogil=True, cache=True)
def _wedge(v, corner, half, pointed, far):  # type: ignore[no-untyped-def]
    """A corner's distance at v from it; -1 outside its wedge. A cut's is right about `far` px."""
    ux, uy, wx, wy = corner[2], corner[3], corner[4], corner[5]
    det = ux * wy - uy * wx
    if (v[0] * wy - v[1] * wx) * det < 0 or (ux * v[1] - uy * v[0]) * det < 0:
        return -1.0
    found = max(v[0] * ux + v[1] * uy, v[0] * wx + v[1] * wy)
    if not pointed:
        along = (v[0] * (ux + wx) + v[1] * (uy + wy)) / (2 * half)
        found = max(found, along + far * (1 - half))
    return found


@njit(nogil=True, cache=True)
def _around(chords, px, py, far, near):  # type: ignore[no-untyped-def]
    """Chords within `far` of a corner, into near; how many."""
    count = 0
    for k in range(chords.shape[0]):
        if (min(chords[k, 0], chords[k, 2]) - far <= px <= max(chords[k, 0], chords[k, 2]) + far
                and min(chords[k, 1], chords[k, 3]) - far <= py
                and py <= max(chords[k, 1], chords[k, 3]) + far):  # fmt: skip
            near[count] = k
            count += 1
    return count


@njit(nogil=True, cache=True)
def _beside(chords, near, x, y, most):  # type: ignore[no-untyped-def]
    """The least distance from a point to chords that it lies straight beside; at most `most`."""
    for k in near:
        dx, dy = chords[k, 2] - chords[k, 0], chords[k, 3] - chords[k, 1]
        length = max(np.sqrt(dx * dx + dy * dy), 1e-9)
        wx, wy = x - chords[k, 0], y - chords[k, 1]
        if -OWN <= (wx * dx + wy * dy) / length <= length + OWN:
            most = min(most, abs(wx * dy - wy * dx) / length)
    return most


@njit(nogil=True, cache=True)
def _turned(corners, chords, d, x0, y0, mitre, limit, at, cuts, out, first, last):  # type: ignore[no-untyped-def]
    """cuts : whether px whose nearest point is a corner that is cut get its line, which lies further
    off than the corner; else whether px get a nearer line than they have."""
    far = abs(at)
    room = far + MARGIN
    near, count = np.empty(chords.shape[0] if cuts else 0, np.int64), 0
    for c in range(corners.shape[0]):
        corner = corners[c]
        px, py, side = corner[0], corner[1], corner[6]
        half = np.sqrt((corner[2] + corner[4]) ** 2 + (corner[3] + corner[5]) ** 2) / 2
        pointed = mitre and 1 / half <= limit
        if (at < 0) != (side > 0) or (cuts and pointed):
            continue
        if cuts:
            count = _around(chords, px, py, 2 * room, near)
        left, right = _reach(corner[2], corner[4], half, pointed)
        top, low = _reach(corner[3], corner[5], half, pointed)
        for y in range(max(first, int(py + top * room - y0) - 1),
                       min(last, int(py + low * room - y0) + 2)):  # fmt: skip
            for x in range(max(0, int(px + left * room - x0) - 1),
                           min(d.shape[1], int(px + right * room - x0) + 2)):  # fmt: skip
                v = (x0 + x + 0.5 - px, y0 + y + 0.5 - py)
                own = d[y, x] * -side
                if own <= 0:
                    continue
                found = _wedge(v, corner, half, pointed, far)
                if found < 0 or (found > room and not cuts):
                    continue
                if cuts:
                    if v[0] ** 2 + v[1] ** 2 < (own + OWN) ** 2:
                        found = _beside(chords, near[:count], px + v[0], py + v[1], found)
                        out[y, x] = -side * found
                elif found < out[y, x] * -side:
                    if side > 0 or _clear(d, px, py, v[0], v[1], x0, y0):
                        out[y, x] = -side * found


def joined(
    chords: np.ndarray, d: np.ndarray, box: Box, join: str, limit: float, at: float
) -> np.ndarray:
    """(H, W) float32 as `d`, px; sharp corners turned as `join` (mitre or cut) says, for strokes
    that end at `at`: px across the edge, negative outside. What lies further off stays plain.

    chords : of whole contours, in order; limit : longest mitre as a multiple of the width, as in
    SVG's stroke-miterlimit
    """
    out = d.copy()
    if len(chords):
        plain = np.ascontiguousarray(chords, np.float64)
        found = corners(plain)
        where = (box.x0, box.y0, join == "mitre", limit, at)

        def rows(first: int, last: int) -> None:
            for cuts in (True, False):
                _turned(found, plain, d, *where, cuts, out, first, last)

        bands.run(rows, bands.split(box.height))
    return out
