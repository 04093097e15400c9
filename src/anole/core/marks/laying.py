"""Many stamps laid into one coverage, or one picture."""

from __future__ import annotations

import math

import numpy as np

from .. import bands
from ..arrays import Curves, Plane, Planes, Points, Records
from ..box import Box
from ..field.coverage import rasterise
from ..kernels import njit
from ..lettering.bent import positive
from ..lettering.flatten import flatten
from .table import AREAS, REACH, SIDES, SMALL, coverage_table, depth_table

EXACT = 320.0
"""px of a stamp from which on its own outline is covered, corners and all."""
FAR = 0.8
"""px from an edge at which a px is surely all within it, or all without."""
X, Y, SIZE, COS, SIN, STRENGTH = range(6)


@njit(nogil=True, cache=True, error_model="numpy", fastmath=True, inline="always")
def _sampled(table: Plane, u: float, v: float) -> float:
    """Between the four values round a place, clamped to the table."""
    n = table.shape[0]
    u, v = min(max(u, 0.0), n - 1.001), min(max(v, 0.0), n - 1.001)
    x, y = int(u), int(v)
    a, b = u - x, v - y
    top = table[y, x] * (1 - a) + table[y, x + 1] * a
    low = table[y + 1, x] * (1 - a) + table[y + 1, x + 1] * a
    return top * (1 - b) + low * b


@njit(nogil=True, cache=True, error_model="numpy", fastmath=True, inline="always")
def _share(table: Plane, u: float, v: float, across: float, down: float, size: float) -> float:
    """Of a px about (u, v), looked at in several places: thin points stay thin."""
    places = 4 if size < 24.0 else 3
    total = 0.0
    for j in range(places):
        b = (j + 0.5) / places - 0.5
        for i in range(places):
            a = (i + 0.5) / places - 0.5
            depth = _sampled(table, u + a * across + b * down, v + b * across - a * down) * size
            total += min(max(depth * places + 0.5, 0.0), 1.0)
    return total / (places * places)


@njit(nogil=True, cache=True, error_model="numpy", fastmath=True)
def _lay_rows(
    stamps: Records,
    table: Plane,
    side: float,
    soft: float,
    x0: int,
    y0: int,
    first: int,
    last: int,
    clear: Plane,
) -> None:
    """Each stamp takes its share of what still shows: clear *= 1 - strength cover. Its cover is the depth
    in the mark's own table at the px turned back and scaled, over `soft` of its half size by a
    smoothstep, or the share of the px where it is crisp.

    stamps : (n, 6) x, y, size, cosine, sine, strength, px; clear : (H, W), what still shows of
    the ground, made less.
    """
    half = table.shape[0] / 2.0 - 0.5
    for k in range(stamps.shape[0]):
        size = stamps[k, 2]
        wide = soft * size * 0.5
        reach = min(0.71 * size + wide, REACH * size / 2) + 1
        top = max(first, math.floor(stamps[k, 1] - reach) - y0)
        low = min(last, math.ceil(stamps[k, 1] + reach) - y0)
        left = max(0, math.floor(stamps[k, 0] - reach) - x0)
        right = min(clear.shape[1], math.ceil(stamps[k, 0] + reach) - x0)
        scale = side / size
        for row in range(top, low):
            dy = row + y0 + 0.5 - stamps[k, 1]
            for column in range(left, right):
                dx = column + x0 + 0.5 - stamps[k, 0]
                u = (dx * stamps[k, 3] + dy * stamps[k, 4]) * scale + half
                v = (dy * stamps[k, 3] - dx * stamps[k, 4]) * scale + half
                depth = _sampled(table, u, v) * size
                if wide > 1.0:
                    t = min(max(depth / wide + 0.5, 0.0), 1.0)
                    cover = t * t * (3.0 - 2.0 * t)
                elif abs(depth) > FAR:
                    cover = 1.0 if depth > 0 else 0.0
                else:
                    cover = _share(table, u, v, stamps[k, 3] * scale, stamps[k, 4] * scale, size)
                if cover > 0.0:
                    clear[row, column] *= np.float32(1.0 - stamps[k, 5] * cover)


@njit(nogil=True, cache=True, error_model="numpy", fastmath=True)
def _lay_areas(
    stamps: Records,
    areas: Plane,
    side: float,
    x0: int,
    y0: int,
    first: int,
    last: int,
    clear: Plane,
) -> None:
    """As _lay_rows(), of crisp stamps, from the areas of a mark twice as large or more: of each px
    its four quarters are looked at."""
    half = areas.shape[0] / 2.0 - 0.5
    for k in range(stamps.shape[0]):
        size, scale = stamps[k, 2], side / stamps[k, 2]
        across, down = stamps[k, 3] * scale, stamps[k, 4] * scale
        reach = 0.64 * size + 1.0
        top = max(first, math.floor(stamps[k, 1] - reach) - y0)
        low = min(last, math.ceil(stamps[k, 1] + reach) - y0)
        left = max(0, math.floor(stamps[k, 0] - reach) - x0)
        right = min(clear.shape[1], math.ceil(stamps[k, 0] + reach) - x0)
        for row in range(top, low):
            dy = row + y0 + 0.5 - stamps[k, 1]
            for column in range(left, right):
                dx = column + x0 + 0.5 - stamps[k, 0]
                if dx * dx + dy * dy > reach * reach:
                    continue
                u, v = dx * across + dy * down + half, dy * across - dx * down + half
                total = 0.0
                for j in range(2):
                    b = 0.5 * j - 0.25
                    for i in range(2):
                        a = 0.5 * i - 0.25
                        total += _sampled(
                            areas, u + a * across + b * down, v + b * across - a * down
                        )
                if total > 0.0:
                    clear[row, column] *= np.float32(1.0 - 0.25 * stamps[k, 5] * total)


def placed(curves: Curves, stamp: Points) -> Curves:
    """A mark's curves where one stamp lies, px."""
    turn = np.array([[stamp[COS], -stamp[SIN]], [stamp[SIN], stamp[COS]]])
    return curves @ (turn.T * stamp[SIZE]) + stamp[[X, Y]]


def _lay(stamps: Records, table: Plane, side: int, soft: float, box: Box, clear: Plane) -> None:
    def rows(first: int, last: int) -> None:
        _lay_rows(stamps, table, float(side), soft, box.x0, box.y0, first, last, clear)

    bands.run(rows, bands.split(box.height))


def _lay_small(
    stamps: Records, key: object, curves: Curves, side: int, box: Box, clear: Plane
) -> None:
    areas = coverage_table(key, curves, side)

    def rows(first: int, last: int) -> None:
        _lay_areas(stamps, areas, float(side), box.x0, box.y0, first, last, clear)

    bands.run(rows, bands.split(box.height))


def coverage(key: object, curves: Curves, stamps: Records, soft: float, box: Box) -> Plane:
    """(H, W) float32 over a box, 0..1: what overlaps lets through what all of it let through.

    key : what the outline comes from; curves : a mark's, its size 1; stamps : (n, 6) px
    soft : 0 crisp to 1, the share of its half size over which its edge fades
    """
    clear = np.ones((box.height, box.width), np.float32)
    sizes = stamps[:, SIZE]
    exact = (sizes >= EXACT) & (soft == 0)
    level = np.searchsorted(AREAS, 2 * sizes)
    small = (level < len(AREAS)) & (soft == 0)
    for number in np.unique(level[small]):
        _lay_small(stamps[small & (level == number)], key, curves, AREAS[number], box, clear)
    for fine in (False, True):
        some = stamps[~exact & ~small & ((sizes > SMALL) == fine)]
        if len(some):
            _lay(some, depth_table(key, curves, SIDES[fine]), SIDES[fine], soft, box, clear)
    for stamp in stamps[exact]:
        own, _ = rasterise(positive(flatten(placed(curves, stamp), 0.01)), box)
        clear *= 1 - np.float32(stamp[STRENGTH]) * own
    return 1 - clear


@njit(nogil=True, cache=True, error_model="numpy", fastmath=True)
def _lay_picture_rows(
    stamps: Records,
    picture: Planes,
    x0: int,
    y0: int,
    first: int,
    last: int,
    out: Planes,
) -> None:
    """Source over, premultiplied: out = picture strength + out (1 - alpha strength), the picture turned
    back and scaled, between four of its px.

    picture : (4, h, w) premultiplied, its longer side a stamp's size; out : laid upon.
    """
    high, wide = picture.shape[1], picture.shape[2]
    longer = max(high, wide)
    for k in range(stamps.shape[0]):
        size, scale = stamps[k, 2], longer / stamps[k, 2]
        reach = 0.71 * size + 1
        top = max(first, math.floor(stamps[k, 1] - reach) - y0)
        low = min(last, math.ceil(stamps[k, 1] + reach) - y0)
        left = max(0, math.floor(stamps[k, 0] - reach) - x0)
        right = min(out.shape[2], math.ceil(stamps[k, 0] + reach) - x0)
        for row in range(top, low):
            dy = row + y0 + 0.5 - stamps[k, 1]
            for column in range(left, right):
                dx = column + x0 + 0.5 - stamps[k, 0]
                u = (dx * stamps[k, 3] + dy * stamps[k, 4]) * scale + wide / 2.0 - 0.5
                v = (dy * stamps[k, 3] - dx * stamps[k, 4]) * scale + high / 2.0 - 0.5
                if u <= -1 or v <= -1 or u >= wide or v >= high:
                    continue
                x, y = math.floor(u), math.floor(v)
                a, b = u - x, v - y
                alpha = 0.0
                for channel in (3, 0, 1, 2):
                    value = 0.0
                    for j in range(2):
                        for i in range(2):
                            if 0 <= y + j < high and 0 <= x + i < wide:
                                share = (a if i else 1 - a) * (b if j else 1 - b)
                                value += share * picture[channel, y + j, x + i]
                    value *= stamps[k, 5]
                    if channel == 3:
                        alpha = value
                    out[channel, row, column] = np.float32(
                        value + out[channel, row, column] * (1.0 - alpha)
                    )


def _lay_pictures(stamps: Records, picture: Planes, box: Box, out: Planes) -> None:
    def rows(first: int, last: int) -> None:
        _lay_picture_rows(stamps, picture, box.x0, box.y0, first, last, out)

    bands.run(rows, bands.split(box.height))


def pictures(levels: dict[int, Planes], stamps: Records, box: Box) -> Planes:
    """(4, H, W) float32 premultiplied over a box: a picture laid once for each stamp.

    levels : the picture by its longer side in px; each stamp takes the next larger one
    """
    out = np.zeros((4, box.height, box.width), np.float32)
    sides = sorted(levels)
    level = np.minimum(np.searchsorted(sides, stamps[:, SIZE] * 0.85), len(sides) - 1)
    start = 0
    # in their order, as many at a time as take the same level
    for end in [*(np.flatnonzero(np.diff(level)) + 1), len(stamps)]:
        some, start = stamps[start:end], end
        if len(some):
            _lay_pictures(some, levels[sides[level[end - 1]]], box, out)
    return out
