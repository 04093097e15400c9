"""Distances whose lines turn corners as a mitre or a cut, where plain distance turns them round.

A stroke is what an edge sweeps straight to its side, and at each sharp corner the wedge between
the two edges' normals: outside a corner that points out, inside one that points in (SVG 2, 13.5).
In a wedge a mitre's distance is the greater of those to the two edges' lines. A cut, or a mitre
beyond its limit, is the line across the wedge where a stroke of one width ends: distances are made
for that width. Of all that reach a px the least holds.
"""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from .. import bands
from ..arrays import Chords, Indices, Mask, Numbers, Plane, Points, Real, Records, Values
from ..box import Box
from ..kernels import njit
from .closest import Nearest
from .facets import sweeps, wedges
from .normals import joints, order, outward

STRAIGHT, BACK = 0.9998, 1e-6
"""Cosine of edges that hardly turn, and the least sum of normals of edges that do not turn back."""
TINY = 0.1
"""px of a chord whose both ends count as one corner."""
MARGIN = 4.0
"""px about a stroke's end that are right."""
CUT = 0.75
"""px from it within which a px may be cut by it."""


def corners(chords: Chords) -> tuple[Records, Indices]:
    """(m, 7) float64, a row for each sharp corner: x, y, the normals of its edges that bound the
    wedge, and the side that counts: 1 outside the letters, -1 inside; (n, 2) int64, for each chord
    the rows of the corners at its start and its end, or -1."""
    joint, (before, after) = joints(chords), order(chords)
    here = np.flatnonzero((joint[:, 6] < 0) & (before != np.arange(len(chords))))
    along = chords[:, 2:] - chords[:, :2]
    out = outward(chords)
    u, w = out[before[here]], out[here]
    side = np.where((u * along[here]).sum(1) < 0, 1.0, -1.0)
    turns = ((u * w).sum(1) < STRAIGHT) & (np.hypot(*(u + w).T) > BACK)
    rows = np.column_stack([chords[here, :2], u * side[:, None], w * side[:, None], side])
    at = np.full((len(chords), 2), -1, np.int64)
    at[here[turns], 0] = at[before[here[turns]], 1] = np.arange(turns.sum())
    # a px may know the end beyond a chord of no size as its nearest, and means the corner
    tiny = np.hypot(*along.T) < TINY
    for near, far, beyond in ((0, 1, after), (1, 0, before)):
        short = np.flatnonzero(tiny & (at[:, near] >= 0) & (at[:, far] < 0))
        at[short, far] = at[beyond[short], near] = at[short, near]
    return np.ascontiguousarray(rows[turns]), at


def lengths(corners: Records) -> Values:
    """(m,) of each corner's mitre, in widths of the stroke: SVG's miter length over stroke width."""
    return 2 / np.maximum(np.hypot(*(corners[:, 2:4] + corners[:, 4:6]).T), 1e-9)


def longest_mitre(chords: Chords, limit: float, side: float) -> float:
    """How many widths the corners on one side (1 outside, -1 inside) stick out; at least 1."""
    if not len(chords):
        return 1.0
    rows = corners(chords)[0]
    sizes = lengths(rows)
    return float(sizes[(rows[:, 6] == side) & (sizes <= limit)].max(initial=1.0))


@njit(nogil=True, cache=True)
def _bevelled(
    corners: Points,
    cut: Mask,
    at_chord: Indices,
    chords: Chords,
    near: Numbers,
    d: Plane,
    side: Values,
    far: Real,
    hard: Mask,
    first: int,
    last: int,
) -> None:
    """Marks px that have a cut corner as their nearest point, about as far as its line lies."""
    for y in range(first, last):
        for x in range(d.shape[1]):
            k = near[y, x]
            if k < 0 or d[y, x] * side > 0 or abs(d[y, x]) > far + MARGIN:
                continue
            px, py = x + 0.5, y + 0.5
            dx, dy = chords[k, 2] - chords[k, 0], chords[k, 3] - chords[k, 1]
            s = (px - chords[k, 0]) * dx + (py - chords[k, 1]) * dy
            c = at_chord[k, 0] if s <= 0 else at_chord[k, 1] if s >= dx * dx + dy * dy else -1
            if c < 0 or not cut[c]:
                continue
            mx, my = corners[c, 2] + corners[c, 4], corners[c, 3] + corners[c, 5]
            half = np.sqrt(mx * mx + my * my) / 2
            along = ((px - corners[c, 0]) * mx + (py - corners[c, 1]) * my) / (2 * half)
            hard[y, x] = along > far * half - MARGIN


@njit(nogil=True, cache=True)
def _signed(d: Plane, sign: Real, out: Plane, first: int, last: int) -> None:
    """Distances beside a stroke's edge get their sign; on its other side they are the plain ones."""
    for y in range(first, last):
        for x in range(d.shape[1]):
            out[y, x] = sign * out[y, x] if d[y, x] * sign >= 0 else d[y, x]


@njit(nogil=True, cache=True)
def _ended(d: Plane, turned: Plane, at: Real, where: Mask, first: int, last: int) -> None:
    """Marks px that the end runs through where they or px round about are turned."""
    height, width = d.shape
    for y in range(first, last):
        for x in range(width):
            if abs(turned[y, x] - at) < CUT:
                for v in range(max(y - 1, 0), min(y + 2, height)):
                    for u in range(max(x - 1, 0), min(x + 2, width)):
                        if d[v, u] != turned[v, u]:
                            where[y, x] = True


class TurnedDistance(NamedTuple):
    """A distance with its corners turned, for strokes that end at one place.

    distance : (H, W) float32, px, as the plain one; right about that place
    where : (H, W) bool, px that the end runs through near corners
    deeper : float32, 0..1, how much of each of these lies deeper
    """

    distance: Plane
    where: Mask
    deeper: Plane


def joined(
    chords: Chords, nearest: Nearest, box: Box, join: str, limit: float, at: float
) -> TurnedDistance:
    """Sharp corners turned as `join` (mitre or cut) says, for strokes that end at `at`: px across
    the edge, negative outside.

    chords : (m, 4) float64 px, of whole contours, in order
    limit : longest mitre as a multiple of the width, as in SVG's stroke-miterlimit
    """
    d = nearest.distance
    plain = np.ascontiguousarray(chords, np.float64) - (box.x0, box.y0, box.x0, box.y0)
    side, far = (1.0 if at < 0 else -1.0), abs(at)
    found, at_chord = (
        corners(plain) if len(chords) else (np.zeros((0, 7)), np.zeros((0, 2), np.int64))
    )
    here = found[:, 6] == side
    pointed = here & (lengths(found) <= limit) & (join == "mitre")
    cut = here & ~pointed
    if not here.any():
        return TurnedDistance(d, np.zeros(d.shape, np.bool_), np.zeros(0, np.float32))
    out = np.abs(d)
    parts = sweeps(plain, found[cut], side, far, far + MARGIN)
    mitres = wedges(found[pointed], far + MARGIN)
    if cut.any():
        hard = _bevelled_px(found, cut, at_chord, plain, nearest, side, far)
        out[hard] = far + MARGIN + 1
        parts.lower(hard, out)
    beside = d <= 0 if at < 0 else d >= 0
    mitres.lower(beside, out)
    where = np.zeros(d.shape, np.bool_)
    rows = bands.split(box.height)
    bands.run(lambda a, b: _signed(d, np.float32(-side), out, a, b), rows)
    bands.run(lambda a, b: _ended(d, out, np.float32(at), where, a, b), rows)
    shares = (parts + mitres).shares(where, far)
    return TurnedDistance(out, where, shares if at < 0 else 1 - shares)


def _bevelled_px(
    found: Chords,
    cut: Mask,
    at_chord: Indices,
    chords: Chords,
    nearest: Nearest,
    side: float,
    far: float,
) -> Mask:
    hard = np.zeros(nearest.near.shape, np.bool_)
    bands.run(
        lambda a, b: _bevelled(
            found, cut, at_chord, chords, nearest.near, nearest.distance, side, far, hard, a, b
        ),
        bands.split(len(hard)),
    )
    return hard
