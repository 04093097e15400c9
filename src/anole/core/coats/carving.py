"""A moulding carved along the edge and lit, px by px from exact distances and normals.

How a px looks depends on two numbers alone: its distance, and how far its normal turns to the lamp
(the half vector of the gleam leans the same way). So all looks are tabulated over these two, each
the mean of several across the slope, and a px is one look-up between four entries.
Where the normals of neighbouring px part (on a ridge or in a mitre) the px is looked at in sixteen
places: each neighbour stands for the piece of outline it belongs to, and the nearest of them holds.
"""

from __future__ import annotations

import numpy as np
from numba import njit

from .. import bands
from ..box import Box
from .lighting import RIDGE, Light, store
from .look_rows import looked
from .looks import gleam, gleaming, glance, looks_of, turn_at

SAME = np.float32(0.9998)
"""Cosine of normals that belong to one straight piece of outline."""


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
def _closely(d, n, y, x, k, looks, near):  # type: ignore[no-untyped-def]
    """Sixteen looks: of the nine pieces of outline round about, the nearest holds in each.

    near : (9, 6) room for the pieces that differ: distance at the px's middle, slopes, the entry
    of the turn, how far beyond it, and the turn itself
    """
    quarter, half, zero = np.float32(0.25), np.float32(0.5), np.float32(0)
    sign = np.float32(1) if d[y, x] > 0 else np.float32(-1)
    count = 0
    for j in range(-1, 2):
        for i in range(-1, 2):
            nx, ny = n[0, y + j, x + i], n[1, y + j, x + i]
            e = d[y + j, x + i] - nx * np.float32(i) - ny * np.float32(j)
            new = True
            for m in range(count):
                same = nx * near[m, 1] + ny * near[m, 2] > SAME
                if same and abs(e - sign * near[m, 0]) < np.float32(0.05):
                    new = False
            if new:
                near[count, 0], near[count, 1], near[count, 2] = e * sign, nx, ny
                near[count, 5] = nx * k[0] + ny * k[1]
                turn = turn_at(near[count, 5], looks.reach)
                near[count, 3] = np.floor(turn)
                near[count, 4] = turn - near[count, 3]
                count += 1
    r = g = b = a = zero
    for sy in range(4):
        fy = ((np.float32(sy) + half) * quarter - half) * sign
        for sx in range(4):
            fx = ((np.float32(sx) + half) * quarter - half) * sign
            best, which = np.float32(1e9), np.uint32(0)
            for m in range(np.uint32(count)):
                e = near[m, 0] + near[m, 1] * fx + near[m, 2] * fy
                if e < best:
                    best, which = e, np.uint32(m)
            one = glance(best * sign, near[which, 3], near[which, 4], looks)
            if looks.shine.size:
                light = gleam(best * sign, near[which, 5], looks, 1)
                one = gleaming(one, light, looks)
            r, g, b, a = r + one[0], g + one[1], b + one[2], a + one[3]
    return r, g, b, a


@njit(nogil=True, cache=True, error_model="numpy")
def _carve(d, n, top, left, outer, k, looks, out, y0, y1):  # type: ignore[no-untyped-def]
    """top, left : where out's corner lies in the fields d and n."""
    width = out.shape[2]
    ridge, near = np.zeros(d.shape[1], np.bool_), np.zeros((9, 6), np.float32)
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
                r, g, b, a = _closely(d, n, fy, x + left, k, looks, near)
                store(r, g, b, a, np.float32(16), out, y, x)


def carved(
    d: np.ndarray, n: np.ndarray, over: Box, box: Box, span: tuple[float, float], rise: float,
    heights: np.ndarray, light: Light,
) -> np.ndarray:  # fmt: skip
    """(4, H, W) straight colours over `box`.

    d, n : signed distance and normals over `over`, px; span : outer and inner end, px
    rise : height in px of a moulding's 1; heights : its table
    """
    out = np.empty((4, box.height, box.width), np.float32)
    looks, outer = looks_of(heights, span, rise, light), np.float32(span[0] - 2)
    top, left = box.y0 - over.y0, box.x0 - over.x0
    bands.run(
        lambda a, b: _carve(d, n, top, left, outer, light.numbers, looks, out, a, b),
        bands.split(box.height),
    )
    return out
