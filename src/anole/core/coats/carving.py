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
from .looks import look, looks_of

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
def _closely(d, n, y, x, k, table, first, per_px, reach, near):  # type: ignore[no-untyped-def]
    """Sixteen looks: of the nine pieces of outline round about, the nearest holds in each.

    near : (9, 4) room for the pieces that differ: distance at the px's middle, slopes, turn
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
                near[count, 3] = nx * k[0] + ny * k[1]
                count += 1
    r = g = b = a = zero
    for sy in range(4):
        fy = ((np.float32(sy) + half) * quarter - half) * sign
        for sx in range(4):
            fx = ((np.float32(sx) + half) * quarter - half) * sign
            best, turn = np.float32(1e9), zero
            for m in range(count):
                e = near[m, 0] + near[m, 1] * fx + near[m, 2] * fy
                if e < best:
                    best, turn = e, near[m, 3]
            one = look(best * sign, turn, table, first, per_px, reach)
            r, g, b, a = r + one[0], g + one[1], b + one[2], a + one[3]
    return r, g, b, a


@njit(nogil=True, cache=True, error_model="numpy")
def _carve(d, n, top, left, outer, k, table, first, per_px, reach, out, y0, y1):  # type: ignore[no-untyped-def]
    """top, left : where out's corner lies in the fields d and n."""
    one, zero, tiny = np.float32(1), np.float32(0), np.float32(1e-6)
    lx, ly, width = k[0], k[1], out.shape[2]
    ridge, near = np.zeros(d.shape[1], np.bool_), np.zeros((9, 4), np.float32)
    for y in range(y0, y1):
        fy = y + top
        _ridges(n, fy, ridge)
        line, nx, ny = d[fy, left:], n[0, fy, left:], n[1, fy, left:]
        red, green, blue, alpha, close = out[0, y], out[1, y], out[2, y], out[3, y], ridge[left:]
        for at in range(width):
            x = np.uint32(at)
            if line[x] < outer:
                red[x] = green[x] = blue[x] = alpha[x] = zero
            elif close[x]:
                r, g, b, a = _closely(d, n, fy, at + left, k, table, first, per_px, reach, near)
                store(r, g, b, a, np.float32(16), out, y, at)
            else:
                turn = nx[x] * lx + ny[x] * ly
                r, g, b, a = look(line[x], turn, table, first, per_px, reach)
                scale = one / max(a, tiny)
                red[x], green[x] = min(r * scale, one), min(g * scale, one)
                blue[x], alpha[x] = min(b * scale, one), a


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
        lambda a, b: _carve(d, n, top, left, outer, light.numbers, *looks, out, a, b),
        bands.split(box.height),
    )
    return out
