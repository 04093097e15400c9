"""Gradients: the table of colours laid along a line, round a point, about it, or along an edge."""

from __future__ import annotations

import math

import numpy as np

from .. import bands
from ..arrays import Numbers, Plane, Planes, Points, Records, Table
from ..box import Box
from ..field.letter_owners import soften_borders
from ..model import Gradient
from .frames import FrameBox, LetterFrames
from .gradient_rows import (
    CONIC,
    LINEAR,
    PER_X,
    PER_Y,
    POLYGON,
    RADIAL,
    T0,
    TX,
    TY,
    WAYS,
    along_rows,
    fold,
    rasterise_rows,
)
from .stops import SPREADS, STEPS, smooth_series, smooth_table

_SHAPES = {"linear": LINEAR, "radial": RADIAL, "polygon": POLYGON, "conic": CONIC}
LEVELS = 13
MOST_SIDES = 12
GEOMETRY = WAYS + 2 * MOST_SIDES


def axes(gradient: Gradient, frame: FrameBox) -> tuple[Points, Points, Points]:
    """The gradient's middle, and the frame's lengths along and across its line as vectors, px."""
    x0, y0, x1, y1 = frame
    turn = math.radians(gradient.angle)
    sx, sy = math.sin(turn), -math.cos(turn)
    wide, high = x1 - x0, y1 - y0
    if gradient.fitted:
        # what crosses the line in a square is stretched with it (CSS Images 4, 3.1.1: corners)
        size = max(math.hypot(sx * high, sy * wide), 1e-12)
        sx, sy = sx * high / size, sy * wide / size
    along = max(abs(wide * sx) + abs(high * sy), 1e-6)
    across = max(abs(wide * sy) + abs(high * sx), 1e-6)
    middle = np.array([(x0 + x1) / 2 + gradient.x * wide, (y0 + y1) / 2 + gradient.y * high])
    return middle, np.array([sx, sy]) * along, np.array([-sy, sx]) * across


def line(gradient: Gradient, frame: FrameBox) -> tuple[float, float, float]:
    """t = t0 + tx x + ty y for px (x, y): the CSS gradient line through the gradient's middle."""
    (mx, my), along, _ = axes(gradient, frame)
    length = max(float(np.hypot(*along)), 1e-6)
    tx, ty = (along / length**2 / gradient.scale).tolist()
    middle = (0.5 - gradient.offset) / gradient.scale
    return middle - tx * mx - ty * my, tx, ty


def centre(gradient: Gradient, frame: FrameBox) -> Points:
    """Where a radial or conic gradient has its centre, px."""
    return axes(gradient, frame)[0]


def radii(gradient: Gradient, frame: FrameBox) -> tuple[float, float]:
    """Across and down, px: where 100 % of a radial gradient lies (CSS Images 4, 3.2.2)."""
    x, y = centre(gradient, frame)
    sides_x, sides_y = (
        (abs(x - frame[0]), abs(frame[2] - x)),
        (abs(y - frame[1]), abs(frame[3] - y)),
    )
    pick = min if gradient.extent.startswith("closest") else max
    across, down = pick(sides_x), pick(sides_y)
    if gradient.extent.endswith("corner"):
        # an ellipse to a corner has the proportions of the one to the sides
        far = math.hypot(across, down)
        wide, high = (far, far) if gradient.form == "circle" else (2**0.5 * across, 2**0.5 * down)
    else:
        one = pick(across, down)
        wide, high = (one, one) if gradient.form == "circle" else (across, down)
    return max(wide, 1e-6), max(high, 1e-6)


def _geometry(gradient: Gradient, frame: FrameBox, box: Box) -> Points:
    """The numbers that t is computed from, for px counted from the box's corner."""
    if gradient.shape in ("linear", "edge"):
        t0, tx, ty = line(gradient, frame)
        return _padded(t0 + tx * box.x0 + ty * box.y0, tx, ty)
    x, y = centre(gradient, frame) - (box.x0, box.y0)
    turn, first = math.radians(gradient.angle), gradient.offset / gradient.scale
    if gradient.shape == "conic":
        return _padded(x, y, gradient.angle / 360 % 1, 1 / gradient.scale, 0, first)
    rx, ry = radii(gradient, frame)
    sides = _sides(gradient)
    row = _padded(x, y, 1 / (rx * gradient.scale), 1 / (ry * gradient.scale), sides, first)
    for k in range(sides):
        # a corner points along the angle; sides lie nearer than corners
        way = turn + 2 * math.pi * (k + 0.5) / sides
        row[WAYS + 2 * k : WAYS + 2 + 2 * k] = np.array([math.sin(way), -math.cos(way)]) / math.cos(
            math.pi / sides
        )
    return row


def _padded(*numbers: float) -> Points:
    row = np.zeros(GEOMETRY)
    row[: len(numbers)] = numbers
    return row


def _sides(gradient: Gradient) -> int:
    sides = round(gradient.sides)
    return sides if sides >= 3 else 0


def _tables(gradient: Gradient, geometry: Records) -> Planes:
    """(1, 4, STEPS) where a px sees the same share everywhere, else (levels, STEPS, 4)."""
    if gradient.shape == "conic":
        spread = "repeat" if gradient.scale == 1 and not gradient.offset else None
        return smooth_series(gradient, LEVELS, spread)
    if gradient.shape == "radial":
        steep = float(np.abs(geometry[:, [PER_X, PER_Y]]).max())
    else:
        steep = float(np.abs(geometry[:, [TX, TY]]).sum(1).max())
    return smooth_table(gradient, round(steep * STEPS))[None]


def _rasterised(gradient: Gradient, geometry: Records, owner: Numbers, box: Box) -> Planes:
    luts, spread = _tables(gradient, geometry), SPREADS[gradient.spread]
    if owner.shape[1] == 1 and gradient.shape == "linear":
        plain = _plain(gradient, luts[0], geometry[0], box)
        if plain is not None:
            return plain
    name = "polygon" if gradient.shape == "radial" and _sides(gradient) else gradient.shape
    shape = _SHAPES.get(name, LINEAR)
    out = np.empty((4, box.height, box.width), np.float32)
    numbers, reach = geometry.astype(np.float32), _reach(gradient, len(luts))
    bands.run(
        lambda a, b: rasterise_rows(luts, numbers, owner, shape, spread, reach, out, a, b),
        bands.split(box.height),
    )
    return out


def _reach(gradient: Gradient, levels: int) -> Plane:
    """Squared px from a conic gradient's centre within which each level is needed."""
    taps = 2.0 ** (np.arange(levels) - 0.5)
    return ((STEPS / gradient.scale / (2 * math.pi) / taps) ** 2).astype(np.float32)


def _plain(gradient: Gradient, lut: Table, g: Points, box: Box) -> Planes | None:
    """A gradient that runs straight across or straight down: one row or column is all of it."""
    small = 1e-3 / max(box.width, box.height)
    if min(abs(g[TX]), abs(g[TY])) > small:
        return None
    across = abs(g[TX]) > abs(g[TY])
    count, step = (box.width, g[TX]) if across else (box.height, g[TY])
    t = g[T0] + step * (np.arange(count) + 0.5)
    t = folded(t, gradient.spread)
    colours = lut[:, np.clip(t * STEPS, 0, STEPS - 1).astype(np.int64)]
    if across:
        return np.ascontiguousarray(colours[:, None, :])
    return np.ascontiguousarray(colours[:, :, None])


def folded(t: Points, spread: str) -> Points:
    """Where t lies on 0..1 once it has gone beyond; `pad` leaves it to be held within."""
    return np.asarray(fold(t, SPREADS[spread]))


_ONE = np.zeros((1, 1), np.int32)


def rasterise(gradient: Gradient, frame: FrameBox, box: Box) -> Planes:
    """The gradient over a box of px: (4, H, W) float32, straight alpha, sRGB-encoded.

    (4, 1, W) or (4, H, 1) where it runs straight across or down.
    frame : x0, y0, x1, y1 in the same px
    """
    return _rasterised(gradient, _geometry(gradient, frame, box)[None], _ONE, box)


def rasterise_grouped(gradient: Gradient, letters: LetterFrames, box: Box) -> Planes:
    """The gradient stretched over each letter, word or line by itself: as rasterise()."""
    groups, boxes = letters.grouped(gradient.frame)
    geometry = np.array([_geometry(gradient, frame, box) for frame in boxes])
    owner = groups[letters.owners(box)]
    if owner.shape[1] < 2:
        return rasterise(gradient, boxes[int(owner.flat[0])], box)
    return soften_borders(_rasterised(gradient, geometry, owner, box), owner)


def rasterise_along(gradient: Gradient, field: Plane, outer: float, inner: float) -> Plane:
    """The gradient across an edge: t = 0 at distance `outer`, 1 at `inner`; as rasterise().

    field : (H, W) float32 signed distance, px
    """
    reach = inner - outer
    reach = reach if abs(reach) > 1e-3 else 1e-3
    reach, outer = reach * gradient.scale, outer + gradient.offset * reach
    lut = smooth_table(gradient, round(abs(STEPS / reach)))
    out = np.empty((4, *field.shape), np.float32)
    spread = SPREADS[gradient.spread]
    bands.run(
        lambda a, b: along_rows(
            lut, field, np.float32(outer), np.float32(1 / reach), spread, out, a, b
        ),
        bands.split(field.shape[0]),
    )
    return out
