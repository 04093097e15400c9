"""A relief whose distance was smoothed first: lit from the distance's own differences."""

from __future__ import annotations

import cv2
import numpy as np

from ... import bands
from ...arrays import Plane, Planes, Real, Table
from ...box import Box
from ...kernels import njit
from .lighting import Light, LightNumbers, colour_at, tone
from .shading_table import entry, slopes


@njit(nogil=True, cache=True, error_model="numpy")
def _swell(
    d: Plane,
    outer: Real,
    slope: Plane,
    first: Real,
    per_px: Real,
    k: LightNumbers,
    ramp: Table,
    shine: Table,
    out: Planes,
    y0: int,
    y1: int,
) -> None:
    """d is one px wider than out on every side."""
    half, one, zero, tiny = np.float32(0.5), np.float32(1), np.float32(0), np.float32(1e-6)
    for y in range(y0, y1):
        up, line, low = d[y], d[y + 1], d[y + 2]
        red, green, blue, alpha = out[0, y], out[1, y], out[2, y], out[3, y]
        for at in range(out.shape[2]):
            x = np.uint32(at)
            here = line[x + np.uint32(1)]
            if here < outer:
                red[x] = green[x] = blue[x] = alpha[x] = zero
                continue
            g = slope[entry(here, first, per_px, len(slope)), 2] * half
            gx = (line[x + np.uint32(2)] - line[x]) * g
            gy = (low[x + np.uint32(1)] - up[x + np.uint32(1)]) * g
            u, light = tone(gx, gy, k, shine)
            r, g, b, a = colour_at(u, light, k, ramp)
            scale = one / max(a, tiny)
            red[x], green[x] = min(r * scale, one), min(g * scale, one)
            blue[x], alpha[x] = min(b * scale, one), a


def shade_smoothed(
    d: Plane,
    over: Box,
    box: Box,
    span: tuple[float, float],
    rise: float,
    heights: Plane,
    light: Light,
) -> Planes:
    """As shade_exact(), from a smoothed distance and its own differences."""
    out = np.empty((4, box.height, box.width), np.float32)
    rows, columns = box.grown(1).meet(over).slices_in(over)
    wide = d[rows, columns]
    short = box.grown(1)
    above, below = max(over.y0 - short.y0, 0), max(short.y1 - over.y1, 0)
    before, after = max(over.x0 - short.x0, 0), max(short.x1 - over.x1, 0)
    wide = cv2.copyMakeBorder(wide, above, below, before, after, cv2.BORDER_REPLICATE)
    slope, first, per_px = slopes(heights, span, rise, 1.0)
    values = tuple(np.float32(v) for v in (first, per_px))
    # a smoothed distance spreads beyond the edge: what is cut away by coverage may stay clear
    outer = np.float32(span[0] - 3 - 0.5 * (span[1] - span[0]))
    bands.run(
        lambda a, b: _swell(
            wide, outer, slope, *values, light.numbers, light.ramp, light.shine, out, a, b
        ),
        bands.split(box.height),
    )
    return out
