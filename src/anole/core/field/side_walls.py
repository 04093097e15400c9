"""Side walls of an extruded shape, exactly: each chord of the face sweeps a quad, and of all quads
that lie over a px the one nearest to the face is seen."""

from __future__ import annotations

import math

import numpy as np

from .. import bands
from ..arrays import Chords, Indices, Mask, Numbers, Plane, Planes, Records, Values
from ..box import Box
from ..kernels import njit
from .edge_area import ascending
from .extrusion import Extrusion
from .normals import facing
from .wall_rows import (
    AX,
    AY,
    DX,
    DY,
    FAR,
    LENGTH,
    NX,
    NY,
    C,
    D,
    across,
    deepest,
    heights,
    wall_rows,
)
from .walls import Walls

PLACES = 8
"""Places of a px that are looked at where walls meet: each in a column and a row of its own..."""
ROWS = np.array([2, 5, 0, 7, 4, 1, 6, 3])
"""...which are these rows."""
ALIKE, JUMP = 0.97, 0.06
"""Cosine of neighbours' normals, and share of the depth, by which they still are of one wall."""
SAME = 1e-3
"""px by which walls count as equally far: the first is seen then, in every box."""
SLACK = 1e-3
"""px beyond a chord's ends that still count as its own."""


@njit(nogil=True, cache=True, error_model="numpy")
def _nearest(
    rows: Records,
    inside: Mask,
    deep: Plane,
    which: Numbers,
    first: int,
    last: int,
) -> None:
    """deep, which : (H, W) of the wall nearest to the face over each px's middle."""
    width = deep.shape[1]
    for k in range(len(rows)):
        row = rows[k]
        low, high = heights(row)
        for y in range(max(first, math.ceil(low - 0.5)), min(last, math.floor(high - 0.5) + 1)):
            py = y + 0.5
            xa, xb = across(row, py)
            for x in range(
                max(0, math.ceil(xa - 0.5 - 1e-7)),
                min(width, math.floor(xb - 0.5 + 1e-7) + 1),
            ):
                if inside[y, x]:
                    continue
                far = (row[NX] * (x + 0.5) + row[NY] * py - row[C]) / row[D]
                if far < deep[y, x] - SAME:
                    deep[y, x], which[y, x] = far, k


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _way_out(
    row: Values, joint: Plane, k: int, px: float, py: float, far: float, way_back: Extrusion
) -> tuple[float, float]:
    """The unit way out of a wall, whose foot lies somewhere along its chord."""
    wx, wy, w = way_back.axis
    near = 1.0 - far * w
    fx, fy = (px - far * wx) / near, (py - far * wy) / near
    s = ((fx - row[AX]) * row[DX] + (fy - row[AY]) * row[DY]) / row[LENGTH]
    nx, ny = facing(joint, k, np.float32(s), np.float32(row[LENGTH]), 0.0, 0.0, 0.0)
    return -nx, -ny


@njit(nogil=True, cache=True, error_model="numpy")
def _ways_out(
    rows: Records,
    joint: Plane,
    way_back: Extrusion,
    far: Plane,
    which: Numbers,
    cover: Plane,
    outward: Planes,
    first: int,
    last: int,
) -> None:
    for y in range(first, last):
        for x in range(which.shape[1]):
            k = which[y, x]
            if k < 0 or cover[y, x] == 0:
                far[y, x] = outward[0, y, x] = outward[1, y, x] = 0.0
                continue
            outward[0, y, x], outward[1, y, x] = _way_out(
                rows[k], joint, k, x + 0.5, y + 0.5, far[y, x], way_back
            )


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _candidates(which: Numbers, y: int, x: int, found: Indices) -> int:
    """The walls seen at a px and round it, each once; returns how many."""
    count = 0
    for v in range(max(y - 1, 0), min(y + 2, which.shape[0])):
        for u in range(max(x - 1, 0), min(x + 2, which.shape[1])):
            k, known = which[v, u], which[v, u] < 0
            for n in range(count):
                known = known or found[n] == k
            if not known:
                found[count] = k
                count += 1
    return count


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _reaches(row: Values, px: float, py: float, way_back: Extrusion) -> float:
    """How far back a place lies on what a chord sweeps; FAR where it does not lie on it."""
    far = (row[NX] * px + row[NY] * py - row[C]) / row[D]
    (wx, wy, w), (mx, my, m) = way_back.axis, way_back.plane
    near = mx * px + my * py + m - far * (mx * wx + my * wy + m * w)
    if far < 0.0 or far > near:
        return FAR
    small = 1.0 - far * w
    fx, fy = (px - far * wx) / small, (py - far * wy) / small
    s = ((fx - row[AX]) * row[DX] + (fy - row[AY]) * row[DY]) / row[LENGTH]
    return far if -SLACK <= s <= row[LENGTH] + SLACK else FAR


@njit(nogil=True, cache=True, error_model="numpy")
def _averaged(
    rows: Records,
    joint: Plane,
    way_back: Extrusion,
    which: Numbers,
    at: Indices,
    hit: Mask,
    back: Plane,
    outward: Planes,
    first: int,
    last: int,
) -> None:
    """at : (n, 2) rows and columns of px that get the means over some places of theirs; how far
    back they lie is the mean over the first wall, as that of two walls lies on neither."""
    found = np.empty(9, np.int32)
    for n in range(first, last):
        y, x, count = at[n, 0], at[n, 1], 0
        ox, oy, own, same, deep = 0.0, 0.0, -1, 0, 0.0
        there = _candidates(which, y, x, found)
        ascending(found, there)
        for place in range(PLACES):
            px, py = x + (place + 0.5) / PLACES, y + (ROWS[place] + 0.5) / PLACES
            best, k = FAR, -1
            for m in range(there):
                far = _reaches(rows[found[m]], px, py, way_back)
                if far < best - SAME:
                    best, k = far, found[m]
            if k < 0:
                continue
            nx, ny = _way_out(rows[k], joint, k, px, py, best, way_back)
            if count == 0:
                own = k
            if k == own:
                same, deep = same + 1, deep + best
            count += 1
            ox, oy = ox + nx, oy + ny
        if count:
            hit[y, x] = True
            back[y, x] = deep / same
            outward[0, y, x], outward[1, y, x] = ox / count, oy / count


@njit(nogil=True, cache=True, error_model="numpy", inline="always")
def _differ(out: Planes, far: Plane, jump: float, y: int, x: int, v: int, u: int) -> bool:
    """Whether two px show different walls."""
    alike = out[0, y, x] * out[0, v, u] + out[1, y, x] * out[1, v, u]
    return alike < ALIKE or abs(far[y, x] - far[v, u]) > jump


@njit(nogil=True, cache=True, error_model="numpy")
def _where_walls_meet(
    which: Numbers,
    cover: Plane,
    far: Plane,
    jump: float,
    out: Planes,
    wanted: Mask,
    first: int,
    last: int,
) -> None:
    """Marks px that want a closer look: those that no wall was found for, and those beside a px of
    another wall that differs by more than `jump`.
    """
    height, width = which.shape
    for y in range(first, last):
        for x in range(width):
            if cover[y, x] == 0:
                continue
            k = which[y, x]
            if k < 0:
                wanted[y, x] = True
                continue
            for n in range(4):
                v, u = y + (n == 0) - (n == 1), x + (n == 2) - (n == 3)
                if v < 0 or u < 0 or v >= height or u >= width:
                    continue
                other = which[v, u]
                if (
                    other >= 0
                    and other != k
                    and cover[v, u] > 0
                    and _differ(out, far, jump, y, x, v, u)
                ):
                    wanted[y, x] = True


@njit(nogil=True, cache=True, error_model="numpy")
def _filled(hit: Mask, cover: Plane, far: Plane, outward: Planes) -> None:
    """Px that are covered but show no wall at any place they were looked at take a neighbour's."""
    height, width = hit.shape
    for y in range(height):
        for x in range(width):
            if hit[y, x] or cover[y, x] == 0:
                continue
            for n in range(9):
                v, u = y + n // 3 - 1, x + n % 3 - 1
                if 0 <= v < height and 0 <= u < width and hit[v, u]:
                    far[y, x] = far[v, u]
                    outward[0, y, x], outward[1, y, x] = outward[0, v, u], outward[1, v, u]
                    break


def side_walls(
    chords: Chords, joint: Plane, inside: Mask, cover: Plane, extrusion: Extrusion, box: Box
) -> Walls:
    """The walls of an outline over a box.

    chords : (m, 4) px; joint : (m, 8) of normals.joints(); inside : (H, W) over the box, px whose
    middle lies on the face; cover : (H, W) float32, 0..1, how much of what the face leaves is wall
    """
    shape = (box.height, box.width)
    here = extrusion.seen_from(box.x0, box.y0)
    rows, seen = wall_rows(chords - (box.x0, box.y0) * 2, here)
    joint, way_back = np.ascontiguousarray(joint[seen]), here.as_floats
    far, which = np.full(shape, FAR, np.float32), np.full(shape, -1, np.int32)
    outward, wanted = np.empty((2, *shape), np.float32), np.zeros(shape, np.bool_)
    split = bands.split(box.height)

    def by_middle(first: int, last: int) -> None:
        _nearest(rows, inside, far, which, first, last)
        _ways_out(rows, joint, way_back, far, which, cover, outward, first, last)

    bands.run(by_middle, split)
    jump = JUMP * deepest(rows)
    bands.run(lambda a, b: _where_walls_meet(which, cover, far, jump, outward, wanted, a, b), split)
    at, hit = np.argwhere(wanted), (which >= 0) & (cover > 0)
    bands.run(
        lambda a, b: _averaged(rows, joint, way_back, which, at, hit, far, outward, a, b),
        bands.split(len(at)),
    )
    _filled(hit, cover, far, outward)
    return Walls(cover, far, outward)
