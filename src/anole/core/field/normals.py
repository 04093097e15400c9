"""Unit normals: the direction in which the signed distance grows, for every px.

They come from the nearest chord of the outline, not from differences of the distance: a straight
stem has one normal all along. Where chords follow a curve, their normals are led over into each
other near the joints, so that no chord shows as a facet.
"""

from __future__ import annotations

import numpy as np

from .. import bands
from ..arrays import Chords, Indices, Numbers, Plane, Planes, Real
from ..box import Box
from ..kernels import njit
from .closest import Nearest

BEND, SAGITTA = 0.25, 0.4
"""A joint belongs to a curve when it turns by less than BEND radians and its shorter chord times
the turn stays under SAGITTA px: curves are cut so that no chord is off by more than a hundredth."""

ZERO, ONE, TINY, CLOSE = np.float32(0), np.float32(1), np.float32(1e-12), np.float32(0.05)
JOINT = np.float32(0.985)
"""Cosine of what a px beyond a joint of a curve sees to the joint's normal, at the least."""
DEEP, ALIKE = np.float32(4), np.float32(0.94)
"""px from the edge beyond which normals are averaged, and the cosine of those that are alike."""


def order(chords: Chords) -> tuple[Indices, Indices]:
    """For each chord the one before and the one after it on its contour."""
    count = len(chords)
    if not count:
        return np.zeros(0, np.int64), np.zeros(0, np.int64)
    ends, starts = chords[:, 2:], chords[:, :2]
    follows = np.all(np.abs(ends[:-1] - starts[1:]) < 1e-6, axis=1)
    first = np.concatenate([[True], ~follows])
    begin = np.flatnonzero(first)
    last = np.concatenate([begin[1:], [count]]) - 1
    after = np.arange(count) + 1
    after[last] = begin
    before = np.arange(count) - 1
    before[begin] = last
    # a contour that does not close has no neighbour at its ends
    open_ = np.hypot(*(ends[last] - starts[begin]).T) > 1e-3
    for n in np.flatnonzero(open_):
        after[last[n]], before[begin[n]] = last[n], begin[n]
    return before, after


def outward(chords: Chords) -> Chords:
    """(m, 2) float64: the unit normals of chords (m, 4) whose covered area is positive, outward."""
    along = chords[:, 2:] - chords[:, :2]
    length = np.maximum(np.hypot(*along.T), 1e-9)
    return np.column_stack([along[:, 1], -along[:, 0]]) / length[:, None]


def joints(chords: Chords) -> Planes:
    """(m, 8) float32 for each chord: its inward normal, the normal at its start and at its end,
    and how far from each end, in px, that normal is led over into the chord's own."""
    along = chords[:, 2:] - chords[:, :2]
    length = np.maximum(np.hypot(*along.T), 1e-9)
    x0, y0, x1, y1 = chords.T
    side = 1.0 if (x0 * y1 - x1 * y0).sum() >= 0 else -1.0
    own = -outward(chords) * side
    before, after = order(chords)
    out = np.zeros((len(chords), 8))
    out[:, :2] = own
    for other, at, reach in ((before, 2, 6), (after, 4, 7)):
        dot = np.clip((own * own[other]).sum(1), -1, 1)
        turn, short = np.arccos(dot), np.minimum(length, length[other])
        smooth = (turn < BEND) & (turn * short < SAGITTA) & (other != np.arange(len(chords)))
        mean = own + own[other]
        mean /= np.maximum(np.hypot(*mean.T), 1e-9)[:, None]
        out[:, at : at + 2] = np.where(smooth[:, None], mean, own)
        out[:, reach] = np.where(smooth, np.minimum(length / 2, short), -1.0)
    return out.astype(np.float32)


@njit(nogil=True, cache=True, inline="always")
def facing(
    joint: Plane, k: int, s: Real, length: Real, vx: Real, vy: Real, far: Real
) -> tuple[Real, Real]:
    """The unit normal at a point that has chord k as its nearest.

    s : how far along the chord it stands, of `length`; vx, vy : the way there from the chord's
    nearest point, and far : how long that is, negative outside; all px
    """
    corner = False
    if abs(far) > CLOSE and (s <= 0 or s >= length):
        # beyond a joint of a curve a point looks its way; if not, a chord of no size that ends at
        # a corner nearby was passed over
        at = 2 if s <= 0 else 4
        alike = (vx * joint[k, at] + vy * joint[k, at + 1]) / far
        corner = joint[k, 6 if s <= 0 else 7] < 0 or alike < JOINT
    if corner:
        return vx / far, vy / far
    nx, ny = joint[k, 0], joint[k, 1]
    held = min(max(s, ZERO), length)
    start, end = joint[k, 6], joint[k, 7]
    if held >= start and length - held >= end:  # so where there is none, too
        return nx, ny
    if held < start:
        w = ONE - held / start
        nx, ny = nx + w * (joint[k, 2] - nx), ny + w * (joint[k, 3] - ny)
    if length - held < end:
        w = ONE - (length - held) / end
        nx, ny = nx + w * (joint[k, 4] - nx), ny + w * (joint[k, 5] - ny)
    size = ONE / np.sqrt(max(nx * nx + ny * ny, TINY))
    return nx * size, ny * size


@njit(nogil=True, cache=True)
def _normals(
    chords: Chords,
    joint: Plane,
    near: Numbers,
    d: Plane,
    x0: int,
    y0: int,
    out: Planes,
    first: int,
    last: int,
) -> None:
    for y in range(first, last):
        for x in range(near.shape[1]):
            k = near[y, x]
            if k < 0:
                out[0, y, x] = out[1, y, x] = 0
                continue
            ax, ay = chords[k, 0], chords[k, 1]
            dx, dy = chords[k, 2] - ax, chords[k, 3] - ay
            length = max(np.sqrt(dx * dx + dy * dy), 1e-9)
            px, py = x0 + x + 0.5 - ax, y0 + y + 0.5 - ay
            s = (px * dx + py * dy) / length
            held = min(max(s, 0.0), length)
            vx, vy = px - held * dx / length, py - held * dy / length
            far = np.sqrt(vx * vx + vy * vy) * (1.0 if d[y, x] > 0 else -1.0)
            out[0, y, x], out[1, y, x] = facing(joint, k, s, length, vx, vy, far)


@njit(nogil=True, cache=True)
def _calmed(n: Planes, d: Plane, out: Planes, first: int, last: int) -> None:
    """Deep inside a round form many chords are almost equally near: their mean over 3 x 3 px."""
    height, width = d.shape
    for y in range(first, last):
        for x in range(width):
            nx, ny = n[0, y, x], n[1, y, x]
            if abs(d[y, x]) > DEEP and 0 < y < height - 1 and 0 < x < width - 1:
                sx, sy = np.float32(0), np.float32(0)
                for j in range(y - 1, y + 2):
                    for i in range(x - 1, x + 2):
                        if n[0, j, i] * nx + n[1, j, i] * ny > ALIKE:
                            sx += n[0, j, i]
                            sy += n[1, j, i]
                size = np.sqrt(sx * sx + sy * sy)
                # beyond all that chords were handed to there is no way to any
                if size > 0:
                    nx, ny = sx / size, sy / size
            out[0, y, x], out[1, y, x] = nx, ny


def normals(chords: Chords, nearest: Nearest, joint: Plane, box: Box) -> Planes:
    """(2, H, W) float32 x and y of the unit normals, inward.

    chords : (m, 4) float64, px, what they cover positive; joint : of joints()
    """
    d, near = nearest.distance, nearest.near
    out = np.zeros((2, box.height, box.width), np.float32)
    if len(chords):
        plain = np.ascontiguousarray(chords, np.float64)
        bands.run(
            lambda a, b: _normals(plain, joint, near, d, box.x0, box.y0, out, a, b),
            bands.split(box.height),
        )
        rough, out = out, np.empty_like(out)
        bands.run(lambda a, b: _calmed(rough, d, out, a, b), bands.split(box.height))
    return out
