"""Parts of a stroke: convex pieces of the plane, each with the distance it gives its px.

A facet is what lies on the positive side of up to four lines. Its distance is the greater of two
linear functions, or that to a point.
"""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from .. import bands
from ..arrays import Chords, Indices, Mask, Numbers, Plane, Points, Real, Records, Values, Vector
from ..kernels import njit
from .normals import joints, order, outward

FINE = 5
"""Places looked at across a px that a stroke's end runs through."""
OWN = 0.02
"""px by which neighbouring facets lap, so that no px falls between them."""


@njit(nogil=True, cache=True)
def _interval(lines: Chords, py: Real, left: Real, right: Real, slack: Real) -> tuple[int, int]:
    """The first px and the end of what a row has within four lines, moved out by `slack`."""
    for k in range(4):
        a, rest = lines[k, 0], lines[k, 1] * py + lines[k, 2] + slack
        if a > 1e-12:
            left = max(left, np.ceil(-rest / a - 0.5))
        elif a < -1e-12:
            right = min(right, np.floor(-rest / a - 0.5) + 1)
        elif rest < 0:
            return 0, 0
    return int(left), int(right)


@njit(nogil=True, cache=True)
def _distance(forms: Records, middle: Points, px: Real, py: Real) -> Real:
    if middle[2] > 0:
        return np.hypot(px - middle[0], py - middle[1])
    return max(
        forms[0, 0] * px + forms[0, 1] * py + forms[0, 2],
        forms[1, 0] * px + forms[1, 1] * py + forms[1, 2],
    )


@njit(nogil=True, cache=True)
def _asked(where: Mask, first: int, last: int) -> tuple[Indices, Indices]:
    """On each row the first px and the end of what is asked for."""
    width = where.shape[1]
    start, stop = np.full(last - first, width), np.zeros(last - first, np.int64)
    for y in range(first, last):
        for x in range(width):
            if where[y, x]:
                start[y - first] = min(start[y - first], x)
                stop[y - first] = x + 1
    return start, stop


@njit(nogil=True, cache=True)
def _lower(
    lines: Chords,
    forms: Records,
    middle: Records,
    ends: Points,
    where: Mask,
    out: Plane,
    first: int,
    last: int,
) -> None:
    start, stop = _asked(where, first, last)
    for f in range(lines.shape[0]):
        low = max(first, int(np.floor(ends[f, 0] - 0.5)))
        high = min(last, int(np.ceil(ends[f, 1] + 0.5)))
        for y in range(low, high):
            left, right = float(start[y - first]), float(stop[y - first])
            for x in range(*_interval(lines[f], y + 0.5, left, right, 0.0)):
                if where[y, x]:
                    value = _distance(forms[f], middle[f], x + 0.5, y + 0.5)
                    out[y, x] = min(out[y, x], value)


@njit(nogil=True, cache=True)
def _lower_within(
    lines: Chords,
    forms: Records,
    middle: Records,
    ends: Points,
    where: Mask,
    spots: Numbers,
    out: Mask,
    first: int,
    last: int,
) -> None:
    """out (n, FINE, FINE): at places within the px that `spots` (H, W) numbers."""
    start, stop = _asked(where, first, last)
    for f in range(lines.shape[0]):
        for y in range(max(first, int(ends[f, 0]) - 2), min(last, int(ends[f, 1]) + 2)):
            if start[y - first] >= stop[y - first]:
                continue
            left, right = float(start[y - first]), float(stop[y - first])
            for x in range(*_interval(lines[f], y + 0.5, left, right, 0.75)):
                n = spots[y, x]
                if n < 0:
                    continue
                for j in range(FINE):
                    for i in range(FINE):
                        px, py = x + (i + 0.5) / FINE, y + (j + 0.5) / FINE
                        within = True
                        for k in range(4):
                            at = lines[f, k, 0] * px + lines[f, k, 1] * py + lines[f, k, 2]
                            within = within and at >= 0
                        if within:
                            value = _distance(forms[f], middle[f], px, py)
                            out[n, j, i] = min(out[n, j, i], value)


class Facets(NamedTuple):
    """lines : (n, 4, 3) float64, a x + b y + c of each line, (a, b) of length 1; forms : (n, 2, 3),
    of each distance; middle : (n, 3), a point and 1 where the distance is that to it, else 0
    ends : (n, 2), the rows that it may touch, px
    """

    lines: Chords
    forms: Records
    middle: Points
    ends: Indices

    def lower(self, where: Mask, out: Plane) -> None:
        """out, (H, W) float32 px: the least of it and the facets' distances, where it is asked."""
        bands.run(lambda a, b: _lower(*self, where, out, a, b), bands.split(len(out)))

    def shares(self, where: Mask, far: float) -> Plane:
        """(n,) float32, 0..1: how much of each px that is asked for lies nearer than `far`."""
        places = np.flatnonzero(where)
        spots = np.full(where.shape, -1, np.int32)
        spots.ravel()[places] = np.arange(len(places))
        out = np.full((len(places), FINE, FINE), 1e9)
        bands.run(
            lambda a, b: _lower_within(*self, where, spots, out, a, b), bands.split(len(where))
        )
        return np.clip((far - out) * FINE + 0.5, 0, 1).mean((1, 2)).astype(np.float32)

    def __add__(self, other: Facets) -> Facets:  # type: ignore[override]
        return Facets(*(np.concatenate(both) for both in zip(self, other, strict=True)))


def _form(normal: Points, through: Points, plus: Values | float = 0.0) -> Points:
    """(n, 3): the distance along a unit vector (n, 2) from points (n, 2), and something more."""
    return np.column_stack([normal, plus - (normal * through).sum(1)])


def _cone(vertex: Points, u: Points, w: Points) -> list[Vector]:
    """The two lines of what lies between unit vectors u and w from a vertex."""
    turn = np.sign(u[:, 0] * w[:, 1] - u[:, 1] * w[:, 0])[:, None]
    from_u, to_w = np.column_stack([-u[:, 1], u[:, 0]]), np.column_stack([w[:, 1], -w[:, 0]])
    return [_form(from_u * turn, vertex, OWN), _form(to_w * turn, vertex, OWN)]


def _facets(
    lines: list[Vector],
    forms: list[Vector],
    points: list[Points],
    middle: Points | None = None,
) -> Facets:
    count = len(points[0])
    everywhere = np.tile([0.0, 0.0, 1.0], (count, 1))
    held = np.stack([*lines, *[everywhere] * (4 - len(lines))], 1)
    rows = np.stack([p[:, 1] for p in points])
    round_ = np.zeros((count, 3)) if middle is None else np.column_stack([middle, np.ones(count)])
    return Facets(held, np.stack(forms, 1), round_, np.column_stack([rows.min(0), rows.max(0)]))


def _short(form: Records, reach: float) -> Records:
    """The line up to which a distance is at most `reach`."""
    return np.column_stack([-form[:, :2], reach - form[:, 2]])


def wedges(corners: Records, reach: float) -> Facets:
    """Mitres of corners (m, 7), up to where their distance is `reach`."""
    vertex, u, w = corners[:, :2], corners[:, 2:4], corners[:, 4:6]
    a, b = _form(u, vertex), _form(w, vertex)
    tip = vertex + reach * 2 * (u + w) / np.square(np.hypot(*(u + w).T))[:, None]
    lines = [*_cone(vertex, u, w), _short(a, reach), _short(b, reach)]
    return _facets(lines, [a, b], [vertex, vertex + reach * u, vertex + reach * w, tip])


def _cuts(corners: Records, far: float, reach: float) -> Facets:
    """Corners cut by the line across them where a stroke `far` px wide ends."""
    vertex, u, w = corners[:, :2], corners[:, 2:4], corners[:, 4:6]
    half = np.hypot(*(u + w).T) / 2
    across = _form((u + w) / (2 * half[:, None]), vertex, far * (1 - half))
    away = reach / half[:, None]
    lines = [*_cone(vertex, u, w), _short(across, reach)]
    return _facets(lines, [across, across], [vertex, vertex + away * u, vertex + away * w])


def _strips(chords: Chords, away: Points, reach: float) -> Facets:
    """What each chord sweeps along its normal."""
    a, b = chords[:, :2], chords[:, 2:]
    along = np.column_stack([-away[:, 1], away[:, 0]])
    along *= np.sign(((b - a) * along).sum(1))[:, None]
    height = _form(away, a)
    lines = [
        _form(along, a, OWN),
        _form(-along, b, OWN),
        _form(away, a, OWN),
        _short(height, reach),
    ]
    far = reach * away
    return _facets(lines, [height, height], [a, b, a + far, b + far])


def _rounds(vertex: Points, u: Points, w: Points, reach: float) -> Facets:
    """What the end of a chord sweeps round to the next chord of a curve."""
    mean = u + w
    mean /= np.maximum(np.hypot(*mean.T), 1e-9)[:, None]
    lines = [*_cone(vertex, u, w), _short(_form(mean, vertex), reach)]
    forms = [_form(mean, vertex)] * 2
    points = [vertex, vertex + reach * u, vertex + reach * w, vertex + reach * mean]
    return _facets(lines, forms, points, vertex)


def sweeps(chords: Chords, cut: Records, side: float, far: float, reach: float) -> Facets:
    """All parts of a stroke but its mitres: edges, joints of curves, and corners that are cut.

    chords : (n, 4) float64 px; cut : rows of joins.corners; side : 1 outside, -1 inside
    far : width for which corners are cut; reach : px up to which distances are wanted
    """
    joint, (before, _) = joints(chords), order(chords)
    away = outward(chords) * side
    u, w = away[before], away
    # on the side that a joint turns to, too, once what its chords sweep has crossed
    gap = (joint[:, 6] > 0) & (np.abs(u - w).max(1) > 1e-9)
    strips, cuts = _strips(chords, away, reach), _cuts(cut, far, reach)
    return strips + _rounds(chords[gap, :2], u[gap], w[gap], reach) + cuts
