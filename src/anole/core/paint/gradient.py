"""Gradients: the table of colours laid along a line, round a point, about it, or along an edge."""

from __future__ import annotations

import math

import numpy as np
from numba import njit

from .. import bands
from ..box import Box
from ..field.letters import soften_borders
from ..model import Gradient
from .frames import FrameBox, LetterFrames
from .stops import STEPS, smooth_table

_SPREADS = {"pad": 0, "reflect": 1, "repeat": 2}
_SHAPES = {"linear": 0, "radial": 1, "polygon": 2, "conic": 3}
LEVELS = 13


def axes(gradient: Gradient, frame: FrameBox) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
    """The frame's middle, and its lengths along and across the gradient's line as vectors, px."""
    x0, y0, x1, y1 = frame
    turn = math.radians(gradient.angle)
    sx, sy = math.sin(turn), -math.cos(turn)
    wide, high = x1 - x0, y1 - y0
    along = max(abs(wide * sx) + abs(high * sy), 1e-6)
    across = max(abs(wide * sy) + abs(high * sx), 1e-6)
    middle = np.array([(x0 + x1) / 2, (y0 + y1) / 2])
    return middle, np.array([sx, sy]) * along, np.array([-sy, sx]) * across


def line(gradient: Gradient, frame: FrameBox) -> tuple[float, float, float]:
    """t = t0 + tx x + ty y for px (x, y): the CSS gradient line through the frame's middle."""
    (mx, my), along, _ = axes(gradient, frame)
    length = float(np.hypot(*along))
    tx, ty = (along / length**2 / gradient.scale).tolist()
    middle = (0.5 - gradient.offset) / gradient.scale
    return middle - tx * mx - ty * my, tx, ty


def centre(gradient: Gradient, frame: FrameBox) -> np.ndarray:
    """Where a radial or conic gradient has its centre, px."""
    middle, along, across = axes(gradient, frame)
    return middle + gradient.offset * along + gradient.aside * across


def _geometry(gradient: Gradient, frame: FrameBox, box: Box) -> np.ndarray:
    """Eight numbers that t is computed from, for px counted from the box's corner."""
    if gradient.shape in ("linear", "edge"):
        t0, tx, ty = line(gradient, frame)
        return np.array([t0 + tx * box.x0 + ty * box.y0, tx, ty, 0, 0, 0, 0, 0])
    x, y = centre(gradient, frame) - (box.x0, box.y0)
    turn = math.radians(gradient.angle)
    if gradient.shape == "conic":
        return np.array([x, y, math.sin(turn), -math.cos(turn), 1 / gradient.scale, 0, 0, 0])
    wide, high = max(frame[2] - frame[0], 1e-6), max(frame[3] - frame[1], 1e-6)
    # CSS's farthest corner for a gradient in the middle of its frame
    rx = math.hypot(wide, high) / 2 if gradient.form == "circle" else wide / math.sqrt(2)
    ry = rx if gradient.form == "circle" else high / math.sqrt(2)
    sides = _sides(gradient)
    return np.array([
        x, y, 1 / (rx * gradient.scale), 1 / (ry * gradient.scale), turn,
        2 * math.pi / max(sides, 1), math.cos(math.pi / max(sides, 1)), 0,
    ])  # fmt: skip


def _sides(gradient: Gradient) -> int:
    sides = round(gradient.sides)
    return sides if sides >= 3 else 0


@njit(nogil=True, cache=True)
def _t_at(shape: int, g: np.ndarray, x: float, y: float) -> float:
    if shape == 0:
        return g[0] + g[1] * x + g[2] * y
    dx, dy = x - g[0], y - g[1]
    if shape == 1:
        return np.sqrt(dx * dx * g[2] * g[2] + dy * dy * g[3] * g[3])
    if shape == 2:
        # distance to the nearest side of a polygon whose corners lie on the circle
        dx, dy = dx * g[2], dy * g[3]
        turn = np.arctan2(dx, -dy) - g[4]
        side = turn - g[5] * np.floor(turn / g[5]) - g[5] / 2
        return np.sqrt(dx * dx + dy * dy) * np.cos(side) / g[6]
    turn = np.arctan2(dx * -g[3] + dy * g[2], dx * g[2] + dy * g[3])
    turn = turn * (0.5 / np.pi)
    return (turn - np.floor(turn)) * g[4]


@njit(nogil=True, cache=True)
def _folded(t: float, spread: int) -> float:
    if spread == 1:
        return abs(t - 2.0 * np.floor(t * 0.5 + 0.5))
    if spread == 2:
        return t - np.floor(t)
    return t


@njit(nogil=True, cache=True)
def _level(g: np.ndarray, x: float, y: float, levels: int) -> int:
    """Which table is smooth enough this near to a conic gradient's centre."""
    radius = np.sqrt((x - g[0]) ** 2 + (y - g[1]) ** 2)
    taps = g[4] * STEPS / (2 * np.pi * max(radius, 0.3))
    return min(int(np.log2(max(taps, 1.0)) + 0.5), levels - 1)


@njit(nogil=True, cache=True)
def _lay(luts, geometry, owner, shape, spread, out, y0, y1):  # type: ignore[no-untyped-def]
    """luts (levels, 4, STEPS); geometry (groups, 8); owner (H, W), or (1, 1) for one group."""
    width, grouped, levels = out.shape[2], owner.shape[1] > 1, luts.shape[0]
    index, level = np.empty(width, np.int32), np.zeros(width, np.int32)
    g = geometry[0]
    for y in range(y0, y1):
        for x in range(width):
            if grouped:
                g = geometry[owner[y, x]]
            t = _folded(_t_at(shape, g, x + 0.5, y + 0.5), spread)
            index[x] = int(min(max(t * STEPS, 0.0), STEPS - 1.0))
        if levels > 1:
            for x in range(width):
                if grouped:
                    g = geometry[owner[y, x]]
                level[x] = _level(g, x + 0.5, y + 0.5, levels)
            for plane in range(4):
                for x in range(width):
                    out[plane, y, x] = luts[level[x], plane, index[x]]
        else:
            for plane in range(4):
                row, colours = out[plane, y], luts[0, plane]
                for x in range(width):
                    row[x] = colours[index[x]]


def _tables(gradient: Gradient, geometry: np.ndarray) -> np.ndarray:
    """(levels, 4, STEPS): one table where a px sees the same share everywhere, else a series."""
    if gradient.shape == "conic":
        spread = "repeat" if gradient.scale == 1 else None
        return np.stack([smooth_table(gradient, 2**n, spread) for n in range(LEVELS)])
    if gradient.shape == "radial":
        steep = float(np.abs(geometry[:, 2:4]).max())
    else:
        steep = float(np.abs(geometry[:, 1:3]).sum(1).max())
    return smooth_table(gradient, round(steep * STEPS))[None]


def _laid(gradient: Gradient, geometry: np.ndarray, owner: np.ndarray, box: Box) -> np.ndarray:
    luts, spread = _tables(gradient, geometry), _SPREADS[gradient.spread]
    name = "polygon" if gradient.shape == "radial" and _sides(gradient) else gradient.shape
    shape = _SHAPES.get(name, 0)
    out = np.empty((4, box.height, box.width), np.float32)
    bands.run(
        lambda a, b: _lay(luts, geometry, owner, shape, spread, out, a, b), bands.split(box.height)
    )
    return out


_ONE = np.zeros((1, 1), np.int32)


def lay(gradient: Gradient, frame: FrameBox, box: Box) -> np.ndarray:
    """The gradient over a box of px: (4, H, W) float32, straight alpha, sRGB-encoded.

    frame : x0, y0, x1, y1 in the same px
    """
    return _laid(gradient, _geometry(gradient, frame, box)[None], _ONE, box)


def lay_grouped(gradient: Gradient, letters: LetterFrames, box: Box) -> np.ndarray:
    """The gradient stretched over each letter, word or line by itself: as lay()."""
    groups, boxes = letters.grouped(gradient.frame)
    geometry = np.array([_geometry(gradient, frame, box) for frame in boxes])
    owner = groups[letters.owners(box)]
    if owner.shape[1] < 2:
        return lay(gradient, boxes[int(owner.flat[0])], box)
    return soften_borders(_laid(gradient, geometry, owner, box), owner)


@njit(nogil=True, cache=True)
def _along(lut, field, outer, share, spread, out, y0, y1):  # type: ignore[no-untyped-def]
    for y in range(y0, y1):
        for x in range(out.shape[2]):
            t = _folded((field[y, x] - outer) * share, spread)
            index = int(min(max(t * STEPS, 0.0), STEPS - 1.0))
            for plane in range(4):
                out[plane, y, x] = lut[plane, index]


def lay_along(gradient: Gradient, field: np.ndarray, outer: float, inner: float) -> np.ndarray:
    """The gradient across an edge: t = 0 at distance `outer`, 1 at `inner`; as lay().

    field : (H, W) float32 signed distance, px
    """
    reach = inner - outer
    reach = reach if abs(reach) > 1e-3 else 1e-3
    reach, outer = reach * gradient.scale, outer + gradient.offset * reach
    lut = smooth_table(gradient, round(abs(STEPS / reach)))
    out = np.empty((4, *field.shape), np.float32)
    spread = _SPREADS[gradient.spread]
    bands.run(
        lambda a, b: _along(lut, field, outer, 1 / reach, spread, out, a, b),
        bands.split(field.shape[0]),
    )
    return out
