"""Curves to chords: cubic Béziers subdivided until no chord is off by more than a tolerance."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from ..arrays import Chords, Curves, Points, Real
from ..kernels import njit

TOLERANCE = 0.01
"""px at the render scale"""
TURN, MOST_HALVES = 0.2, 12
"""Radians from one chord to the next within a curve, and how often one step is halved for it."""
STUB = 1e-4
"""Share of a curve that a chord along its end's tangent takes."""
WAVER = 6
"""Chords that a curve's step is cut into where it meets one that turns the other way: its tangent
is an extreme there, of which a chord shows but what is between its ends."""
MOST_CHORDS = WAVER * (MOST_HALVES + 32)
"""Of one step: what its turns come to, and the halves on the way to each."""
PLAIN, STUBBED, WAVERING = 0, 1, 2
"""How the chord at an end of a curve is made."""
NO_LENGTH, NO_CHORD = 1e-9, 1e-7
"""px under which a curve has no direction, and a chord is left out."""
SHARP, ASTRAY = 0.999, 0.9999
"""Cosines of a corner's turn from which on, and of a tangent's turn to the whole curve from which
on, such a chord is worth it."""


@njit(nogil=True, cache=True)
def _pieces(c: Points, tolerance: float) -> int:
    """Equal steps for one cubic, so many that no chord is off by more than the tolerance.

    The error of n equal steps is at most |B''| / (8 n^2), |B''| <= 6 max second difference.
    """
    ax = c[0, 0] - 2 * c[1, 0] + c[2, 0]
    ay = c[0, 1] - 2 * c[1, 1] + c[2, 1]
    bx = c[1, 0] - 2 * c[2, 0] + c[3, 0]
    by = c[1, 1] - 2 * c[2, 1] + c[3, 1]
    bend = max(ax * ax + ay * ay, bx * bx + by * by) ** 0.5
    return min(512, max(1, int(np.ceil((0.75 * bend / tolerance) ** 0.5))))


@njit(nogil=True, cache=True, inline="always")
def _point(c: Points, t: Real) -> tuple[Real, Real]:
    u = 1 - t
    w0, w1, w2, w3 = u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t
    return (
        w0 * c[0, 0] + w1 * c[1, 0] + w2 * c[2, 0] + w3 * c[3, 0],
        w0 * c[0, 1] + w1 * c[1, 1] + w2 * c[2, 1] + w3 * c[3, 1],
    )


@njit(nogil=True, cache=True, inline="always")
def _way(c: Points, t: Real) -> tuple[Real, Real]:
    """The direction of a cubic at t, of any length."""
    u = 1 - t
    w0, w1, w2 = u * u, 2 * u * t, t * t
    return (
        w0 * (c[1, 0] - c[0, 0]) + w1 * (c[2, 0] - c[1, 0]) + w2 * (c[3, 0] - c[2, 0]),
        w0 * (c[1, 1] - c[0, 1]) + w1 * (c[2, 1] - c[1, 1]) + w2 * (c[3, 1] - c[2, 1]),
    )


@njit(nogil=True, cache=True)
def _halved(c: Points, first: Real, last: Real, ts: Points, count: int, ends: Points) -> int:
    """A part of a cubic halved until no chord turns far, most often where it turns most; its ends
    from `count` on in ts; returns how many there are then. ends : room for MOST_HALVES + 1"""
    ends[0], top, start = last, 0, first
    ux, uy = _way(c, start)
    while top >= 0:
        vx, vy = _way(c, ends[top])
        # a tangent is never less than its angle
        if abs(ux * vy - uy * vx) > TURN * (ux * vx + uy * vy) and top < MOST_HALVES:
            ends[top + 1] = (start + ends[top]) / 2
            top += 1
            continue
        ts[count], start = ends[top], ends[top]
        ux, uy = vx, vy
        count += 1
        top -= 1
    return count


@njit(nogil=True, cache=True)
def _stub(c: Points, end: int) -> float:
    """How much of a cubic's parameter its first or last chord takes; where it starts without any
    speed, the way grows by the square of that."""
    at, by = (3, 2) if end else (0, 1)
    far = abs(c[by, 0] - c[at, 0]) + abs(c[by, 1] - c[at, 1])
    return STUB if far > NO_LENGTH else STUB**0.5


@njit(nogil=True, cache=True)
def _along(c: Points, first: int, last: int, tolerance: Real, ts: Points, halves: Points) -> int:
    """The places where a cubic's chords end, its first and last as of ends(); returns how many.

    A step that turns far is cut, however short it is: a small round must not look a corner.
    """
    n, count = _pieces(c, tolerance), 0
    if first == STUBBED:
        ts[0], count = _stub(c, False), 1
    for k in range(n):
        wavers = (k == 0 and first == WAVERING) or (k == n - 1 and last == WAVERING)
        cuts = WAVER if wavers else 1
        for j in range(cuts):
            count = _halved(c, (k + j / cuts) / n, (k + (j + 1) / cuts) / n, ts, count, halves)
    if last == STUBBED:
        ts[count - 1], ts[count] = 1 - _stub(c, True), 1.0
        count += 1
    return count


@njit(nogil=True, cache=True)
def _chords(curves: Curves, ends: NDArray[np.int8], tolerance: float) -> Chords:
    most = 64
    for i in range(curves.shape[0]):
        most += _pieces(curves[i], tolerance) + 3
    out = np.empty((most, 4), np.float64)
    ts, halves, at = np.empty(512 * MOST_CHORDS + 2), np.empty(MOST_HALVES + 1), 0
    for i in range(curves.shape[0]):
        c = curves[i]
        x, y = c[0, 0], c[0, 1]
        count = _along(c, ends[i, 0], ends[i, 1], tolerance, ts, halves)
        if at + count > out.shape[0]:
            longer = np.empty((2 * out.shape[0] + count, 4), np.float64)
            longer[:at] = out[:at]
            out = longer
        for k in range(count):
            nx, ny = (c[3, 0], c[3, 1]) if k == count - 1 else _point(c, ts[k])
            if abs(nx - x) + abs(ny - y) > NO_CHORD:
                out[at, 0], out[at, 1], out[at, 2], out[at, 3] = x, y, nx, ny
                at += 1
                x, y = nx, ny
    return out[:at]


@njit(nogil=True, cache=True)
def _tangent(c: Points, end: int) -> tuple[Real, Real]:
    """The unit direction in which a cubic sets out from its start, or back from its end."""
    at, by = (3, -1) if end else (0, 1)
    for k in range(1, 4):
        x, y = c[at + k * by, 0] - c[at, 0], c[at + k * by, 1] - c[at, 1]
        far = np.sqrt(x * x + y * y)
        if far > NO_LENGTH:
            return x / far, y / far
    return 0.0, 0.0


@njit(nogil=True, cache=True)
def _bend(c: Points, end: int) -> Real:
    """Which way a cubic turns at its start or its end, as it runs: above 0, below it, or 0."""
    a, b, d = (3, 2, 1) if end else (0, 1, 2)
    ux, uy = c[b, 0] - c[a, 0], c[b, 1] - c[a, 1]
    bend = ux * (c[d, 1] - c[b, 1]) - uy * (c[d, 0] - c[b, 0])
    return -bend if end else bend


@njit(nogil=True, cache=True)
def ends(curves: Curves) -> NDArray[np.int8]:
    """(n, 2) int8: of each cubic's start and end whether it is PLAIN, STUBBED (a chord along its
    tangent) or WAVERING (finer chords), as chords of a curve may be off by many degrees there.

    Sharp corners need stubs, and joints where turning changes sides finer chords: strokes carry
    these directions far out.
    """
    out = np.zeros((curves.shape[0], 2), np.int8)
    begin = 0
    for n in range(curves.shape[0]):
        last = n + 1 == curves.shape[0]
        if not last:
            a, b = curves[n + 1], curves[n]
            last = a[0, 0] != b[3, 0] or a[0, 1] != b[3, 1]
        other = begin if last else n + 1
        (ux, uy), (vx, vy) = _tangent(curves[n], True), _tangent(curves[other], False)
        how = PLAIN
        if -ux * vx - uy * vy < SHARP:
            how = STUBBED
        elif _bend(curves[n], True) * _bend(curves[other], False) < 0:
            how = WAVERING
        if how and _astray(curves[n], -ux, -uy):
            out[n, 1] = how
        if how and _astray(curves[other], vx, vy):
            out[other, 0] = how
        if last:
            begin = n + 1
    return out


@njit(nogil=True, cache=True)
def _astray(c: Points, x: Real, y: Real) -> bool:
    """Whether a cubic as a whole goes another way than (x, y)."""
    wx, wy = c[3, 0] - c[0, 0], c[3, 1] - c[0, 1]
    return wx * x + wy * y < ASTRAY * np.sqrt(wx * wx + wy * wy)


def flatten(curves: Curves, tolerance: float = TOLERANCE) -> Chords:
    """curves (n, 4, 2) px -> chords (m, 4) float64: x0, y0, x1, y1 in order along each contour."""
    plain = np.ascontiguousarray(curves, np.float64)
    return _chords(plain, ends(plain), tolerance)
