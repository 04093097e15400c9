"""Distances whose lines turn corners as a mitre or a cut, where plain distance turns them round.

Outside a sharp corner the nearest point is the corner itself. There a mitre's distance is the
greater of those to the two edges' lines; a cut's, or a mitre's beyond its limit, that along the
corner's bisector, counted so that it meets both.
"""

from __future__ import annotations

import numpy as np
from numba import njit

from .. import bands
from ..box import Box
from .normals import _order, joints


@njit(nogil=True, cache=True)
def _joined(chords, joint, before, after, near, d, x0, y0, mitre, limit, out, first, last):  # type: ignore[no-untyped-def]
    for y in range(first, last):
        for x in range(near.shape[1]):
            out[y, x] = d[y, x]
            k = near[y, x]
            if k < 0 or d[y, x] >= 0:
                continue
            ax, ay = chords[k, 0], chords[k, 1]
            dx, dy = chords[k, 2] - ax, chords[k, 3] - ay
            length = max(np.sqrt(dx * dx + dy * dy), 1e-9)
            px, py = x0 + x + 0.5 - ax, y0 + y + 0.5 - ay
            s = (px * dx + py * dy) / length
            if s <= 0 and joint[k, 6] < 0:
                other, vx, vy = before[k], px, py
            elif s >= length and joint[k, 7] < 0:
                other, vx, vy = after[k], px - dx, py - dy
            else:
                continue
            # outward normals of the two edges that meet here
            ux, uy = -joint[k, 0], -joint[k, 1]
            wx, wy = -joint[other, 0], -joint[other, 1]
            bx, by = ux + wx, uy + wy
            size = np.sqrt(bx * bx + by * by)
            if size < 1e-6:
                continue
            half = size / 2  # cosine of half the turn
            along = (vx * bx + vy * by) / size
            pointed = max(vx * ux + vy * uy, vx * wx + vy * wy)
            if not mitre or 1 / half > limit:
                pointed = max(pointed, along / half)
            out[y, x] = -min(max(pointed, 0.0), -d[y, x] + 1e6)


def joined(
    chords: np.ndarray, near: np.ndarray, d: np.ndarray, box: Box, join: str, limit: float
) -> np.ndarray:
    """(H, W) float32 as `d`, outside sharp corners turned as `join` (mitre or cut) says.

    limit : longest mitre as a multiple of the width, as in SVG's stroke-miterlimit
    """
    out = np.empty_like(d)
    if not len(chords):
        return d
    joint, (before, after) = joints(chords), _order(chords)
    plain = np.ascontiguousarray(chords, np.float64)
    bands.run(
        lambda a, b: _joined(plain, joint, before, after, near, d, box.x0, box.y0,
                             join == "mitre", limit, out, a, b),
        bands.split(box.height),
    )  # fmt: skip
    return out
