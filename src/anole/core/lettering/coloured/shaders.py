"""Gradients of a coloured glyph as Skia's shaders (OpenType, COLR version 1)."""

from __future__ import annotations

import math
from typing import NamedTuple

import skia
import uharfbuzz as hb

MODES = {
    hb.PaintExtend.PAD: skia.TileMode.kClamp,
    hb.PaintExtend.REPEAT: skia.TileMode.kRepeat,
    hb.PaintExtend.REFLECT: skia.TileMode.kMirror,
}
PREMULTIPLIED = 1
"""Flag of Skia's shaders: colours are mixed as the standard asks."""
LEAST = 1e-6
"""Share of a gradient's length within which all its stops count as one place."""
FULL_TURN = 2 * math.pi


class ColourLine(NamedTuple):
    """A gradient's stops brought to 0..1, and where these ends lay on the line that was told."""

    colours: list[int]
    offsets: list[float]
    mode: skia.TileMode
    first: float
    last: float


def argb(colour: hb.Color) -> int:
    """As Skia takes it."""
    return skia.Color(colour.red, colour.green, colour.blue, colour.alpha)


def colour_line(told: hb.ColorLine) -> ColourLine | None:
    """What HarfBuzz tells while it paints, which is not kept after that; None without a stop."""
    stops = sorted(told.color_stops, key=lambda stop: stop.offset)
    if not stops:
        return None
    first, last = stops[0].offset, stops[-1].offset
    if last - first < LEAST:
        last = first + LEAST
    offsets = [min((stop.offset - first) / (last - first), 1.0) for stop in stops]
    colours = [argb(stop.color) for stop in stops]
    if len(stops) == 1:
        colours, offsets = colours * 2, [0.0, 1.0]
    return ColourLine(colours, offsets, MODES[told.extend], first, last)


def linear(
    line: ColourLine, x0: float, y0: float, x1: float, y1: float, x2: float, y2: float
) -> skia.Shader | None:
    """From p0 to p1, its colours along p0 p2; None where these two are one direction."""
    turned, along = (x2 - x0, y2 - y0), (x1 - x0, y1 - y0)
    length = turned[0] ** 2 + turned[1] ** 2
    if length == 0:
        return None
    share = (along[0] * turned[0] + along[1] * turned[1]) / length
    dx, dy = along[0] - share * turned[0], along[1] - share * turned[1]
    if dx == dy == 0:
        return None
    ends = [skia.Point(x0 + at * dx, y0 + at * dy) for at in (line.first, line.last)]
    return skia.GradientShader.MakeLinear(
        ends, line.colours, line.offsets, line.mode, PREMULTIPLIED
    )


def radial(
    line: ColourLine, x0: float, y0: float, r0: float, x1: float, y1: float, r1: float
) -> skia.Shader | None:
    """Between two circles; one that its stops take to a radius below 0 ends at 0."""
    dx, dy, dr = x1 - x0, y1 - y0, r1 - r0
    (xa, ya, ra), (xb, yb, rb) = (
        (x0 + at * dx, y0 + at * dy, max(r0 + at * dr, 0.0)) for at in (line.first, line.last)
    )
    return skia.GradientShader.MakeTwoPointConical(
        skia.Point(xa, ya), ra, skia.Point(xb, yb), rb,
        line.colours, line.offsets, line.mode, PREMULTIPLIED,
    )  # fmt: skip


def sweep(line: ColourLine, x: float, y: float, start: float, end: float) -> skia.Shader | None:
    """Round a point, angles in radians against the clock where y is up."""
    first, last = (start + at * (end - start) for at in (line.first, line.last))
    colours, offsets = line.colours, line.offsets
    if last < first:
        first, last = last, first
        colours, offsets = colours[::-1], [1 - at for at in offsets[::-1]]
    last = max(last, first + LEAST * FULL_TURN)
    return skia.GradientShader.MakeSweep(
        x, y, colours, offsets, line.mode, math.degrees(first), math.degrees(last), PREMULTIPLIED
    )
