"""The shading of many px of a row at once: first where they stand in the table, then plane by plane."""

from __future__ import annotations

import numpy as np

from ...arrays import Plane, Planes, Real, Row
from ...kernels import njit
from .shading_table import SHORT, TURNS, HighlightTable, ShadingTable, add_highlight, gleam, turn_at


@njit(nogil=True, cache=True, error_model="numpy")
def _places(
    d: Plane,
    nx: Plane,
    ny: Plane,
    lx: Real,
    ly: Real,
    first: Real,
    per_px: Real,
    reach: Real,
    rows: Real,
    at: Row,
    down: Plane,
    right: Plane,
) -> None:
    """at : entry above and to the left, times four; down, right : how far beyond it"""
    zero, lowest = np.float32(0), rows - np.float32(1) - SHORT
    for x in range(at.shape[0]):
        y = min(max((d[x] - first) * per_px, zero), lowest)
        c = turn_at(nx[x] * lx + ny[x] * ly, reach)
        i, j = np.int32(y), np.int32(c)
        down[x], right[x] = y - np.float32(i), c - np.float32(j)
        at[x] = np.uint32(i * np.int32(TURNS) + j) * np.uint32(4)


@njit(nogil=True, cache=True, error_model="numpy")
def _between(flat: Plane, plane: int, at: Row, down: Plane, right: Plane, out: Plane) -> None:
    # unsigned places: a signed one might count from the end, and would be asked each time
    which, beside, below = np.uint32(plane), np.uint32(4), np.uint32(4 * TURNS)
    for x in range(out.shape[0]):
        p = at[x] + which
        a, b, s, t = flat[p], flat[p + beside], flat[p + below], flat[p + below + beside]
        upper, lower = a + (b - a) * right[x], s + (t - s) * right[x]
        out[x] = upper + (lower - upper) * down[x]


@njit(nogil=True, cache=True, error_model="numpy")
def _straight(red: Plane, green: Plane, blue: Plane, alpha: Plane) -> None:
    one, tiny = np.float32(1), np.float32(1e-6)
    for x in range(alpha.shape[0]):
        scale = one / max(alpha[x], tiny)
        red[x], green[x] = min(red[x] * scale, one), min(green[x] * scale, one)
        blue[x] = min(blue[x] * scale, one)


@njit(nogil=True, cache=True, error_model="numpy")
def _gleam(
    d: Plane,
    nx: Plane,
    ny: Plane,
    lx: Real,
    ly: Real,
    highlights: HighlightTable,
    y: int,
    x0: int,
    x1: int,
    out: Planes,
) -> None:
    for x in range(x0, x1):
        light = gleam(d[x], nx[x] * lx + ny[x] * ly, highlights, highlights.samples)
        if light > 0:
            colour = (out[0, y, x], out[1, y, x], out[2, y, x], out[3, y, x])
            r, g, b, a = add_highlight(colour, light, highlights.tint)
            out[0, y, x], out[1, y, x], out[2, y, x], out[3, y, x] = r, g, b, a


@njit(nogil=True, cache=True, error_model="numpy")
def sample_row(
    d: Plane,
    nx: Plane,
    ny: Plane,
    lx: Real,
    ly: Real,
    shading: ShadingTable,
    highlights: HighlightTable,
    y: int,
    x0: int,
    x1: int,
    room: tuple[Row, Plane, Plane],
    out: Planes,
) -> None:
    """Straight colours of the px x0..x1 of row y of out, (4, H, W).

    d, nx, ny : (W,) distances and normals of the row; shading, highlights : of shading_tables()
    room : at (W,) uint32, down (W,) and right (W,) float32, overwritten
    """
    table, first, per_px, reach = shading.colours, shading.first, shading.per_px, shading.reach
    rows, flat = np.float32(table.shape[0] // TURNS), table.ravel()
    at, down, right = room[0][: x1 - x0], room[1][: x1 - x0], room[2][: x1 - x0]
    _places(d[x0:x1], nx[x0:x1], ny[x0:x1], lx, ly, first, per_px, reach, rows, at, down, right)
    for plane in range(4):
        _between(flat, plane, at, down, right, out[plane, y, x0:x1])
    if highlights.shine.size:
        _gleam(d, nx, ny, lx, ly, highlights, y, x0, x1, out)
    _straight(out[0, y, x0:x1], out[1, y, x0:x1], out[2, y, x0:x1], out[3, y, x0:x1])
