"""Distances whose lines turn corners as a mitre or a cut, where plain distance turns them round.

Every sharp corner has a wedge between the normals of the two edges that meet there: outside a
corner that points out, inside one that points in. In it a mitre's distance is the greater of those
to the two edges' lines, wherever that is nearer than the plain distance: a tip is whole even where
another letter is closer to it. A cut, or a mitre beyond its limit, is the line across the wedge
where a stroke of one width ends: distances are made for that width.
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
"""px about a stroke's end that are right."""
OWN = 0.02
"""px by which a distance to a corner may miss the plain distance and still be it."""


def corners(chords: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """(m, 7) float64, a row for each sharp corner: x, y, the normals of its edges that bound the
    wedge, and the side that counts: 1 outside the letters, -1 inside; (n, 2) int64, for each chord
    the rows of the corners at its start and its end, or -1."""
    joint, (before, _) = joints(chords), order(chords)
    here = np.flatnonzero((joint[:, 6] < 0) & (before != np.arange(len(chords))))
    u, w = -joint[before[here], :2], -joint[here, :2]
    along = chords[here, 2:] - chords[here, :2]
    side = np.where((u * along).sum(1) < 0, 1.0, -1.0)
    turns = ((u * w).sum(1) < STRAIGHT) & (np.hypot(*(u + w).T) > BACK)
    rows = np.column_stack([chords[here, :2], u * side[:, None], w * side[:, None], side])
    at = np.full((len(chords), 2), -1, np.int64)
    at[here[turns], 0] = at[before[here[turns]], 1] = np.arange(turns.sum())
    return np.ascontiguousarray(rows[turns]), at


@njit(nogil=True, cache=True)
def _half(corner):  # type: ignore[no-untyped-def]
    """Cosine of half the angle between the normals."""
    return np.sqrt((corner[2] + corner[4]) ** 2 + (corner[3] + corner[5]) ** 2) / 2


@njit(nogil=True, cache=True)
def _beside(chords, x, y, most):  # type: ignore[no-untyped-def]
    """The least distance from a point to chords that it lies straight beside; at most `most`."""
    for k in range(chords.shape[0]):
        dx, dy = chords[k, 2] - chords[k, 0], chords[k, 3] - chords[k, 1]
        length = max(np.sqrt(dx * dx + dy * dy), 1e-9)
        wx, wy = x - chords[k, 0], y - chords[k, 1]
        if -OWN <= (wx * dx + wy * dy) / length <= length + OWN:
            most = min(most, abs(wx * dy - wy * dx) / length)
    return most


@njit(nogil=True, cache=True)
def _crossing(corner, x, y, far):  # type: ignore[no-untyped-def]
    """Distance of a point to the line across a corner, right about `far`; far away outside its wedge."""
    ux, uy, wx, wy = corner[2], corner[3], corner[4], corner[5]
    vx, vy, det = x - corner[0], y - corner[1], ux * wy - uy * wx
    if (vx * wy - vy * wx) * det < 0 or (ux * vy - uy * vx) * det < 0:
        return 1e9
    half = _half(corner)
    return (vx * (ux + wx) + vy * (uy + wy)) / (2 * half) + far * (1 - half)


@njit(nogil=True, cache=True)
def _across(corners, side, x, y, far, most):  # type: ignore[no-untyped-def]
    """The least of those distances, of corners on one side; at most `most`."""
    for c in range(corners.shape[0]):
        if corners[c, 6] == side:
            most = min(most, _crossing(corners[c], x, y, far))
    return most


@njit(nogil=True, cache=True)
def _cut(corners, at_chord, chords, near, d, x0, y0, mitre, limit, at, out, first, last):  # type: ignore[no-untyped-def]
    """Px beyond the line across a corner that is their nearest point: as far as that line says, or
    another's, or an edge that they lie beside."""
    far = abs(at)
    for y in range(first, last):
        for x in range(d.shape[1]):
            k = near[y, x]
            # a cut only takes away from what a round stroke covers
            if k < 0 or (d[y, x] < 0) != (at < 0) or abs(d[y, x]) > far + MARGIN:
                continue
            px, py = x0 + x + 0.5, y0 + y + 0.5
            dx, dy = chords[k, 2] - chords[k, 0], chords[k, 3] - chords[k, 1]
            s = (px - chords[k, 0]) * dx + (py - chords[k, 1]) * dy
            c = at_chord[k, 0] if s <= 0 else at_chord[k, 1] if s >= dx * dx + dy * dy else -1
            if c < 0 or (corners[c, 6] > 0) != (at < 0):
                continue
            if mitre and 1 / _half(corners[c]) <= limit:
                continue
            found = _crossing(corners[c], px, py, far)
            if found > far - MARGIN:
                found = _across(corners, corners[c, 6], px, py, far, found)
                out[y, x] = -corners[c, 6] * _beside(chords, px, py, found)


@njit(nogil=True, cache=True)
def _span(u, w, half):  # type: ignore[no-untyped-def]
    """Along one axis, what a mitre one px wide adds to the round."""
    tip = (u + w) / (2 * half * half)
    return min(u, w, tip), max(u, w, tip)


@njit(nogil=True, cache=True)
def _clear(d, px, py, vx, vy, x0, y0):  # type: ignore[no-untyped-def]
    """Whether the way from a corner to a px lies within the letters."""
    for share in (0.25, 0.5, 0.75):
        x, y = int(px + vx * share - x0), int(py + vy * share - y0)
        if 0 <= y < d.shape[0] and 0 <= x < d.shape[1] and d[y, x] < 0:
            return False
    return True


@njit(nogil=True, cache=True)
def _pointed(corners, d, x0, y0, limit, at, out, first, last):  # type: ignore[no-untyped-def]
    """Px of the wedges of mitres that have a nearer line than their plain distance."""
    far = abs(at)
    for c in range(corners.shape[0]):
        px, py, ux, uy, wx, wy, side = corners[c]
        half = _half(corners[c])
        if (side > 0) != (at < 0) or 1 / half > limit:
            continue
        left, right = _span(ux, wx, half)
        top, low = _span(uy, wy, half)
        det = ux * wy - uy * wx
        for y in range(max(first, int(py + top * far - y0 - MARGIN)),
                       min(last, int(py + low * far - y0 + MARGIN) + 1)):  # fmt: skip
            for x in range(max(0, int(px + left * far - x0 - MARGIN)),
                           min(d.shape[1], int(px + right * far - x0 + MARGIN) + 1)):  # fmt: skip
                vx, vy = x0 + x + 0.5 - px, y0 + y + 0.5 - py
                # what a round stroke covers needs no tip
                if -d[y, x] * side < far - MARGIN or (vx * wy - vy * wx) * det < 0:
                    continue
                if (ux * vy - uy * vx) * det < 0:
                    continue
                found = max(vx * ux + vy * uy, vx * wx + vy * wy)
                if found < -out[y, x] * side and (side > 0 or _clear(d, px, py, vx, vy, x0, y0)):
                    out[y, x] = -side * found


def joined(
    chords: np.ndarray, near: np.ndarray, d: np.ndarray, box: Box, join: str, limit: float, at: float
) -> np.ndarray:  # fmt: skip
    """(H, W) float32 as `d`, px; sharp corners turned as `join` (mitre or cut) says, for strokes
    that end at `at`: px across the edge, negative outside. It is right about there.

    chords : of whole contours, in order; near : (H, W) int32, the nearest chord of each px
    limit : longest mitre as a multiple of the width, as in SVG's stroke-miterlimit
    """
    out = d.copy()
    if len(chords):
        plain = np.ascontiguousarray(chords, np.float64)
        found, at_chord = corners(plain)
        mitre = join == "mitre"

        def rows(first: int, last: int) -> None:
            _cut(
                found, at_chord, plain, near, d, box.x0, box.y0, mitre, limit, at, out, first, last
            )
            if mitre:
                _pointed(found, d, box.x0, box.y0, limit, at, out, first, last)

        bands.run(rows, bands.split(box.height))
    return out
