"""Gradients: stops to a table of colours, and the table laid along a line through a frame."""

from __future__ import annotations

import functools
import math

import numpy as np
from numba import njit

from .. import bands
from ..box import Box
from ..field.letters import soften_borders
from ..model import Gradient, Stop
from .frames import LetterFrames
from .spaces import SPACES

STEPS = 8192
_SPREADS = {"pad": 0, "reflect": 1, "repeat": 2}


def _mixed(t: np.ndarray, first: Stop, second: Stop, space: str) -> np.ndarray:
    """Colours at shares t of the way between two stops (CSS Images 4, 3.5.3: premultiplied)."""
    into, out = SPACES[space]
    hint = min(max(first.hint, 1e-4), 1 - 1e-4)
    share = t ** (math.log(0.5) / math.log(hint))
    a, b = np.array(first.colour.floats), np.array(second.colour.floats)
    alpha = a[3] + (b[3] - a[3]) * share
    pa, pb = into(a[:3]) * a[3], into(b[:3]) * b[3]
    colour = pa[:, None] + (pb - pa)[:, None] * share
    straight = out(colour / np.maximum(alpha, 1e-9))
    return np.vstack([np.clip(straight, 0, 1), alpha])


@functools.lru_cache(256)
def table(stops: tuple[Stop, ...], space: str, backward: bool = False) -> np.ndarray:
    """(4, STEPS) float32, straight alpha, sRGB-encoded, for t = (k + 1/2) / STEPS.

    Stops out of order are moved up to the one before them (CSS Images 4, 3.5.1).
    """
    t = (np.arange(STEPS) + 0.5) / STEPS
    if backward:
        t = 1 - t
    places = np.maximum.accumulate([stop.at for stop in stops])
    out = np.empty((4, STEPS))
    out[:] = np.array(stops[-1].colour.floats)[:, None]
    out[:, t < places[0]] = np.array(stops[0].colour.floats)[:, None]
    for i in range(len(stops) - 1):
        here = (t >= places[i]) & (t < places[i + 1])
        if here.any():
            share = (t[here] - places[i]) / (places[i + 1] - places[i])
            out[:, here] = _mixed(share, stops[i], stops[i + 1], space)
    return np.ascontiguousarray(out, np.float32)


@functools.lru_cache(256)
def _smooth_table(
    stops: tuple[Stop, ...], space: str, backward: bool, spread: str, taps: int
) -> np.ndarray:
    """The table averaged over what one pixel sees, so that hard stops have smooth edges."""
    lut = table(stops, space, backward).astype(np.float64)
    if taps < 2:
        return lut.astype(np.float32)
    lut[:3] *= lut[3]
    mode = {"pad": "edge", "reflect": "symmetric", "repeat": "wrap"}[spread]
    wide = np.pad(lut, ((0, 0), (taps // 2 + 1, taps - taps // 2)), mode=mode)  # type: ignore[call-overload]
    sums = np.cumsum(wide, 1)
    mean = (sums[:, taps : taps + STEPS] - sums[:, :STEPS]) / taps
    mean[:3] /= np.maximum(mean[3], 1e-9)
    return np.ascontiguousarray(np.clip(mean, 0, 1), np.float32)


def line(
    gradient: Gradient, frame: tuple[float, float, float, float]
) -> tuple[float, float, float]:
    """t = t0 + tx x + ty y for px (x, y): the CSS gradient line through the frame's middle."""
    x0, y0, x1, y1 = frame
    turn = math.radians(gradient.angle)
    sx, sy = math.sin(turn), -math.cos(turn)
    length = max(abs((x1 - x0) * sx) + abs((y1 - y0) * sy), 1e-6)
    tx, ty = sx / length / gradient.scale, sy / length / gradient.scale
    middle = (0.5 - gradient.offset) / gradient.scale
    return middle - tx * (x0 + x1) / 2 - ty * (y0 + y1) / 2, tx, ty


@njit(nogil=True, cache=True)
def _lay(
    lut: np.ndarray, t0: float, tx: float, ty: float, spread: int, out: np.ndarray, y0: int, y1: int
) -> None:
    steps = lut.shape[1]
    width = out.shape[2]
    index = np.empty(width, np.int32)
    for y in range(y0, y1):
        start = t0 + ty * (y + 0.5) + tx * 0.5
        for x in range(width):
            t = start + tx * x
            if spread == 1:
                t = abs(t - 2.0 * np.floor(t * 0.5 + 0.5))
            elif spread == 2:
                t = t - np.floor(t)
            index[x] = int(min(max(t * steps, 0.0), steps - 1.0))
        for plane in range(4):
            row, colours = out[plane, y], lut[plane]
            for x in range(width):
                row[x] = colours[index[x]]


def lay(gradient: Gradient, frame: tuple[float, float, float, float], box: Box) -> np.ndarray:
    """The gradient over a box of px: (4, H, W) float32, straight alpha, sRGB-encoded.

    frame : x0, y0, x1, y1 in the same px
    """
    t0, tx, ty = line(gradient, frame)
    taps = min(round((abs(tx) + abs(ty)) * STEPS), STEPS // 2)
    lut = _smooth_table(gradient.stops, gradient.space, gradient.reversed, gradient.spread, taps)
    start = t0 + tx * box.x0 + ty * box.y0
    out = np.empty((4, box.height, box.width), np.float32)
    spread = _SPREADS[gradient.spread]
    bands.run(lambda a, b: _lay(lut, start, tx, ty, spread, out, a, b), bands.split(box.height))
    return out


@njit(nogil=True, cache=True)
def _lay_grouped(lut, lines, owner, spread, out, y0, y1):  # type: ignore[no-untyped-def]
    """As _lay, with a line of its own for each pixel's group: rows of `lines` are t0, tx, ty."""
    steps = lut.shape[1]
    for y in range(y0, y1):
        for x in range(out.shape[2]):
            k = owner[y, x]
            t = lines[k, 0] + lines[k, 1] * (x + 0.5) + lines[k, 2] * (y + 0.5)
            if spread == 1:
                t = abs(t - 2.0 * np.floor(t * 0.5 + 0.5))
            elif spread == 2:
                t = t - np.floor(t)
            index = int(min(max(t * steps, 0.0), steps - 1.0))
            for plane in range(4):
                out[plane, y, x] = lut[plane, index]


def lay_grouped(gradient: Gradient, letters: LetterFrames, box: Box) -> np.ndarray:
    """The gradient stretched over each letter, word or line by itself: as lay()."""
    groups, boxes = letters.grouped(gradient.frame)
    lines = np.array([line(gradient, frame) for frame in boxes])
    lines[:, 0] += lines[:, 1] * box.x0 + lines[:, 2] * box.y0
    owner = groups[letters.owners(box)]
    taps = min(round(float(np.abs(lines[:, 1:]).sum(1).max()) * STEPS), STEPS // 2)
    lut = _smooth_table(gradient.stops, gradient.space, gradient.reversed, gradient.spread, taps)
    out = np.empty((4, box.height, box.width), np.float32)
    spread = _SPREADS[gradient.spread]
    bands.run(
        lambda a, b: _lay_grouped(lut, lines, owner, spread, out, a, b), bands.split(box.height)
    )
    return soften_borders(out, owner)
