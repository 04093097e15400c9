"""What a coat shows along the cut: its strength at each position, by the coats' own formulas."""

from __future__ import annotations

import math

import msgspec
import numpy as np
from scipy.ndimage import gaussian_filter1d

from ....core.box import Box
from ....core.cache import Cache
from ....core.coats import easing
from ....core.coats.band import along
from ....core.coats.glow import fade
from ....core.coats.lighting import light_of, lit_heights
from ....core.field.mouldings import height
from ....core.model import (
    Backdrop,
    Board,
    Coat,
    Colour,
    ColourPaint,
    Glow,
    Gradient,
    Grain,
    Ink,
    OwnPaint,
    Paint,
    Pattern,
    Relief,
    Shadow,
    Sheen,
    Stroke,
)  # fmt: skip
from ....core.paint.source import Frames, Spot, source
from ....core.paint.stops import STEPS, table_of
from ....core.units import Units
from .axis import Cut, ends, thrown

_kept = Cache(8 << 20)
STAND_IN = Ink(Colour(200, 190, 170))
"""For inks that take their colour from the picture."""


def strength(coat: Coat, at: np.ndarray, cut: Cut, board: Board) -> np.ndarray:
    """Coverage 0..1 at positions `at` (board px, + inside), opacity left out."""
    line = np.ascontiguousarray(at[None], np.float32)
    pair = ends(coat, cut)
    if isinstance(coat, Stroke) and pair is not None:
        return along(line[0], min(pair), max(pair))
    if isinstance(coat, Glow) and pair is not None:
        start, end = pair
        out = np.empty(line.shape, np.float32)
        cutting = end > start and abs(start) > 0.01
        fade(line, start, end, coat.hot, easing.table(coat.falloff), cutting, out)
        if end > start and start >= 0:
            out[line < 0] = 0
        if end < start <= 0:
            out[line >= 0] = 0
        return out[0]
    if isinstance(coat, Relief) and pair is not None:
        return along(line[0], min(pair), math.inf)
    if isinstance(coat, Shadow):
        return _shadow(coat, at, cut, board)
    return (at >= 0).astype(np.float32)


def _shadow(coat: Shadow, at: np.ndarray, cut: Cut, board: Board) -> np.ndarray:
    far, soft = thrown(coat, cut, board)
    base = cut.base(coat)
    soft = max(soft, 0.5)
    if coat.falls == "inside":
        reach = np.clip((far + soft - at) / (2 * soft), 0, 1)
        return np.where(at >= 0, reach * reach * (3 - 2 * reach), 0.0).astype(np.float32)
    outer = -(far + base + coat.grow.px(cut.em, cut.dpi))
    rise = np.clip((at - outer + soft) / (2 * soft), 0, 1)
    return (rise * rise * (3 - 2 * rise)).astype(np.float32)


def _laid(paint: Paint, count: int, em: float) -> np.ndarray:
    """A row of px through the middle of a square letter."""
    if isinstance(paint, Pattern):
        inks = tuple(ink if ink.colour else STAND_IN for ink in paint.inks)
        paint = msgspec.structs.replace(paint, inks=inks)
    frame = (0.0, -em / 2, em, em / 2)
    spot = Spot(Frames(frame, frame), Box(0, 0, count, 1), _kept, Units(em))
    return source(paint, spot)[:, 0]


def colours(paint: Paint, count: int, em: float = 100.0) -> np.ndarray:
    """(4, count) straight colours of a paint, a gradient from its start to its end."""
    if isinstance(paint, ColourPaint):
        return np.repeat(np.array(paint.colour.floats)[:, None], count, 1)
    if isinstance(paint, Backdrop | OwnPaint):
        return np.repeat(np.array([[0.8], [0.75], [0.6], [1.0]]), count, 1)
    if not isinstance(paint, Gradient):
        return _laid(paint, count, em)
    runs = 1 if paint.spread == "pad" else min(max(1 / paint.scale, 1), 12)
    t = (np.arange(count) + 0.5) / count * runs
    if paint.spread == "reflect":
        t = np.abs(t - 2 * np.floor(t / 2 + 0.5))
    elif paint.spread == "repeat":
        t = t % 1
    lut = table_of(paint)
    return lut[:, np.clip((t * STEPS).astype(int), 0, STEPS - 1)]


def lit(coat: Relief, at: np.ndarray, cut: Cut, board: Board) -> np.ndarray:
    """(4, count) straight colours of a relief whose outer side faces left, as it is lit."""
    pair = ends(coat, cut) or (0.0, 1.0)
    outer, reach = min(pair), max(abs(pair[1] - pair[0]), 1e-3)
    p = np.clip((at - outer) / reach, 0, 1)
    rise = coat.height.px(cut.em, cut.dpi)
    h = height(coat.moulding, p) * rise
    if coat.rounding > 0:
        h = gaussian_filter1d(h, max(coat.rounding * len(at) * 0.06, 0.5), mode="nearest")
    # the drawing is wider than the coat: slopes are those of board px
    slope = np.gradient(h, at) if len(at) > 1 else np.zeros_like(h)
    light = light_of(coat.lamp or board.lamp, coat.ramp, coat.gleam)
    steps = np.cumsum(slope.astype(np.float32))
    return lit_heights(np.repeat(steps[None], 3, 0), light)[:, 1]


def plain(coat: Coat, count: int, at: np.ndarray, cut: Cut, board: Board) -> np.ndarray:
    """(4, count) colours of what can be seen of a coat."""
    if isinstance(coat, Relief):
        return lit(coat, at, cut, board)
    if isinstance(coat, Grain):
        lut = table_of(Gradient(stops=coat.ramp))
        wave = 0.5 + 0.35 * np.sin(np.linspace(0, 23, count)) * np.sin(np.linspace(0, 7, count))
        return lut[:, (wave * (STEPS - 1)).astype(int)]
    return colours(coat.paint, count, cut.em)


def row_pixels(coat: Coat, at: np.ndarray, cut: Cut, board: Board) -> np.ndarray:
    """(count, 4) uint8 straight RGBA of a coat's band at positions `at`."""
    alpha = strength(coat, at, cut, board) * coat.opacity
    seen = np.flatnonzero(alpha > 0.004)
    rgba = np.zeros((4, len(at)))
    if len(seen):
        # the paint runs over what can be seen of the coat
        part = slice(seen[0], seen[-1] + 1)
        rgba[:, part] = plain(coat, seen[-1] + 1 - seen[0], at[part], cut, board)
    if isinstance(coat, Sheen):
        alpha = alpha * (0.5 + 0.5 * np.cos(np.linspace(0, 4 * np.pi, len(at))))
    rgba[3] *= alpha
    return np.ascontiguousarray((rgba.T * 255 + 0.5).astype(np.uint8))


def summary(coat: Coat, cut: Cut, unit: str) -> str:
    """A few words under a coat's name: where it lies."""
    if coat.name:
        return coat.name
    pair = ends(coat, cut)
    if pair is not None:
        return " to ".join(in_unit(value, cut, unit) for value in pair)
    if isinstance(coat, Shadow):
        return f"lift {in_unit(coat.lift.px(cut.em, cut.dpi), cut, unit)}"
    return "the face"


def in_unit(px: float, cut: Cut, unit: str) -> str:
    """A length as a short number in px or em."""
    if math.isclose(px, cut.core, abs_tol=1e-6):
        return "core"
    return f"{px:.0f}" if unit == "px" else f"{px / cut.em:.2f}".rstrip("0").rstrip(".")
