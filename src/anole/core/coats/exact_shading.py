"""A moulding carved along the edge and lit, px by px from exact distances and normals.

How a px looks depends on two numbers alone: its distance, and how far its normal turns to the lamp
(the half vector of the gleam leans the same way). So all looks are tabulated over these two, each
the mean of several across the slope, and a px is one look-up between four entries.
Where the normals of neighbouring px part (on a ridge, in a mitre, at a corner) the px is looked at in
nine places, each at the nearest of the chords that it and its neighbours know.
"""

from __future__ import annotations

import numpy as np
from numba import njit

from .. import bands
from ..arrays import Plane, Planes
from ..box import Box
from ..field.edge_area import candidates
from ..field.normals import facing
from ..field.shape_fields import ShapeFields
from .lighting import RIDGE, Light, store
from .shading_rows import sample_row
from .shading_table import add_highlight, gleam, sample_shading, shading_tables, turn_at

LOOKS = 9
"""Three by three places in a px that is looked at closely."""


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


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _nearest_of(own, count, px, py):  # type: ignore[no-untyped-def]
    """The nearest of some chords to a point: which, its square, the way there, and how far along.

    own : (9, 5) float32, the chords' x0, y0, dx, dy, 1 / length^2
    """
    best, which = np.float32(1e12), 0
    vx, vy, along = np.float32(0), np.float32(0), np.float32(0)
    zero, one = np.float32(0), np.float32(1)
    u0, u1, u2, u3, u4 = np.uint32(0), np.uint32(1), np.uint32(2), np.uint32(3), np.uint32(4)
    for m in range(count):
        dx, dy = own[m, u2], own[m, u3]
        wx, wy = px - own[m, u0], py - own[m, u1]
        t = (wx * dx + wy * dy) * own[m, u4]
        held = min(max(t, zero), one)
        ex, ey = wx - held * dx, wy - held * dy
        square = ex * ex + ey * ey
        if square < best:
            best, which, vx, vy, along = square, m, ex, ey, t
    return which, best, vx, vy, along


@njit(nogil=True, cache=True, error_model="numpy")
def _closely(d, near, c, joint, y, x, k, looks, gleams, found, own):  # type: ignore[no-untyped-def]
    """Nine looks, each at the nearest of the chords that the px round about know.

    found, own : room for nine numbers of chords, and for the chords
    """
    third, half, zero, one = np.float32(1 / 3), np.float32(0.5), np.float32(0), np.float32(1)
    count = candidates(near, y, x, found)
    for m in range(count):
        for part in range(5):
            own[m, part] = c[found[m], part]
    r = g = b = a = zero
    for sample in range(np.uint32(LOOKS)):
        px = np.float32(x) + (np.float32(sample % np.uint32(3)) + half) * third
        py = np.float32(y) + (np.float32(sample // np.uint32(3)) + half) * third
        m, square, vx, vy, along = _nearest_of(own, count, px, py)
        inside = d[y, x] > 0
        if zero < along < one:
            inside = own[m, 2] * vy - own[m, 3] * vx > 0
        far = np.sqrt(square) if inside else -np.sqrt(square)
        length = one / np.sqrt(own[m, 4])
        nx, ny = facing(joint, found[m], along * length, length, vx, vy, far)
        c_turn = nx * k.lx + ny * k.ly
        turn = turn_at(c_turn, looks.reach)
        whole = np.floor(turn)
        colour = sample_shading(far, whole, turn - whole, looks)
        if gleams.shine.size:
            colour = add_highlight(colour, gleam(far, c_turn, gleams, 1), gleams.tint)
        r, g, b, a = r + colour[0], g + colour[1], b + colour[2], a + colour[3]
    return r, g, b, a


@njit(nogil=True, cache=True, error_model="numpy")
def _carve(d, near, c, joint, n, top, left, outer, k, looks, gleams, out, y0, y1):  # type: ignore[no-untyped-def]
    """top, left : where out's corner lies in the fields d and n."""
    width = out.shape[2]
    ridge, found = np.zeros(d.shape[1], np.bool_), np.empty(9, np.int32)
    own = np.empty((9, 5), np.float32)
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
                sample_row(line, nx, ny, k.lx, k.ly, looks, gleams, y, start, x, room, out)
            x += 1
        _ridges(n, fy, ridge)
        close = ridge[left:]
        for x in range(width):
            if close[x] and line[x] >= outer:
                r, g, b, a = _closely(d, near, c, joint, fy, x + left, k, looks, gleams, found, own)
                store(r, g, b, a, np.float32(LOOKS), out, y, x)


def shade_exact(
    letters: ShapeFields,
    box: Box,
    span: tuple[float, float],
    rise: float,
    heights: Plane,
    light: Light,
) -> Planes:
    """(4, H, W) straight colours over `box`, px.

    span : outer and inner end, px
    rise : height in px of a moulding's 1; heights : its table
    """
    out = np.empty((4, box.height, box.width), np.float32)
    (looks, gleams), outer = shading_tables(heights, span, rise, light), np.float32(span[0] - 2)
    top, left = box.y0 - letters.box.y0, box.x0 - letters.box.x0
    nearest, joint, n = letters.nearest, letters.joints, letters.normals
    bands.run(
        lambda a, b: _carve(
            *nearest, joint, n, top, left, outer, light.numbers, looks, gleams, out, a, b
        ),
        bands.split(box.height),
    )
    return out
