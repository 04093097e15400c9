"""A moulding carved along the edge and lit, px by px from exact distances and normals.

How a px looks depends on two numbers alone: its distance, and how far its normal turns to the lamp
(the half vector of the gleam leans the same way). So all looks are tabulated over these two, each
the mean of several across the slope, and a px is one look-up between four entries.
Where the normals of neighbouring px part (on a ridge, in a mitre, at a corner) the px is looked at in
sixteen places, each at the nearest of the chords that it and its neighbours know.
"""

from __future__ import annotations

import numpy as np
from numba import njit

from .. import bands
from ..box import Box
from ..field.edge_area import candidates
from ..field.normals import facing
from ..field.silhouette import Silhouette
from .lighting import RIDGE, Light, store
from .look_rows import looked
from .looks import glance, gleam, gleaming, looks_of, turn_at


@njit(nogil=True, cache=True, error_model="numpy")
def _ridges(n, y, ridge):  # type: ignore[no-untyped-def]
    """For each px of row y whether a neighbour's normal parts from its own; not at the borders."""
    ridge[:] = False
    width = n.shape[2]
    if y < 1 or y >= n.shape[1] - 1:
        return
    ax, ay, ux, uy, lx, ly = n[0, y], n[1, y], n[0, y - 1], n[1, y - 1], n[0, y + 1], n[1, y + 1]
    for x in range(1, width - 1):
        nx, ny = ax[x], ay[x]
        least = min(
            nx * ax[x - 1] + ny * ay[x - 1],
            nx * ax[x + 1] + ny * ay[x + 1],
            nx * ux[x] + ny * uy[x],
            nx * lx[x] + ny * ly[x],
        )
        ridge[x] = least < RIDGE


@njit(nogil=True, cache=True, error_model="numpy")
def _nearest_of(c, joint, found, count, px, py, inside):  # type: ignore[no-untyped-def]
    """Signed distance of a point to the nearest of some chords, and the normal there."""
    best, k, vx, vy, along = np.float32(1e12), found[0], np.float32(0), np.float32(0), np.float32(0)
    zero, one = np.float32(0), np.float32(1)
    for m in range(count):
        n = found[m]
        wx, wy = px - c[n, 0], py - c[n, 1]
        t = (wx * c[n, 2] + wy * c[n, 3]) * c[n, 4]
        held = min(max(t, zero), one)
        ex, ey = wx - held * c[n, 2], wy - held * c[n, 3]
        square = ex * ex + ey * ey
        if square < best:
            best, k, vx, vy, along = square, n, ex, ey, t
    if zero < along < one:
        inside = c[k, 2] * vy - c[k, 3] * vx > 0
    far = np.sqrt(best) if inside else -np.sqrt(best)
    length = one / np.sqrt(c[k, 4])
    nx, ny = facing(joint, k, along * length, length, vx, vy, far)
    return far, np.float32(nx), np.float32(ny)


@njit(nogil=True, cache=True, error_model="numpy")
def _closely(d, near, c, joint, y, x, k, looks, found):  # type: ignore[no-untyped-def]
    """Sixteen looks, each at the nearest of the chords that the px round about know.

    found : room for nine numbers of chords
    """
    quarter, half, zero = np.float32(0.25), np.float32(0.5), np.float32(0)
    count = candidates(near, y, x, found)
    r = g = b = a = zero
    for j in range(4):
        py = np.float32(y) + (np.float32(j) + half) * quarter
        for i in range(4):
            px = np.float32(x) + (np.float32(i) + half) * quarter
            far, nx, ny = _nearest_of(c, joint, found, count, px, py, d[y, x] > 0)
            c_turn = nx * k[0] + ny * k[1]
            turn = turn_at(c_turn, looks.reach)
            one = glance(far, np.floor(turn), turn - np.floor(turn), looks)
            if looks.shine.size:
                one = gleaming(one, gleam(far, c_turn, looks, 1), looks)
            r, g, b, a = r + one[0], g + one[1], b + one[2], a + one[3]
    return r, g, b, a


@njit(nogil=True, cache=True, error_model="numpy")
def _carve(d, near, c, joint, n, top, left, outer, k, looks, out, y0, y1):  # type: ignore[no-untyped-def]
    """top, left : where out's corner lies in the fields d and n."""
    width = out.shape[2]
    ridge, found = np.zeros(d.shape[1], np.bool_), np.empty(9, np.int32)
    room = np.empty(width, np.uint32), np.empty(width, np.float32), np.empty(width, np.float32)
    for y in range(y0, y1):
        fy = y + top
        line, nx, ny = d[fy, left:], n[0, fy, left:], n[1, fy, left:]
        out[:, y] = 0
        x = 0
        while x < width:
            start = x
            while x < width and line[x] >= outer:
                x += 1
            if start < x:
                looked(line, nx, ny, k[0], k[1], looks, y, start, x, room, out)
            x += 1
        _ridges(n, fy, ridge)
        close = ridge[left:]
        for x in range(width):
            if close[x] and line[x] >= outer:
                r, g, b, a = _closely(d, near, c, joint, fy, x + left, k, looks, found)
                store(r, g, b, a, np.float32(16), out, y, x)


def carved(
    letters: Silhouette, box: Box, span: tuple[float, float], rise: float, heights: np.ndarray,
    light: Light,
) -> np.ndarray:  # fmt: skip
    """(4, H, W) straight colours over `box`, px.

    span : outer and inner end, px
    rise : height in px of a moulding's 1; heights : its table
    """
    out = np.empty((4, box.height, box.width), np.float32)
    looks, outer = looks_of(heights, span, rise, light), np.float32(span[0] - 2)
    top, left = box.y0 - letters.box.y0, box.x0 - letters.box.x0
    nearest, joint, n = letters.nearest, letters.joints, letters.normals
    bands.run(
        lambda a, b: _carve(*nearest, joint, n, top, left, outer, light.numbers, looks, out, a, b),
        bands.split(box.height),
    )
    return out
