"""A moulding carved along the edge and lit, px by px from exact distances and normals.

How a px looks depends on two numbers alone: its distance, and how far its normal turns to the lamp
(the half vector of the gleam leans the same way). So the shading is tabulated over these two, each
the mean of several across the slope, and a px is one look-up between four entries.
Where the normals of neighbouring px part (on a ridge, in a mitre, at a corner) the mean over several
places of the px is taken.
"""

from __future__ import annotations

import numpy as np

from ... import bands
from ...arrays import Plane, Planes, Real
from ...box import Box
from ...field.ridge_samples import PLACES, RidgeSamples
from ...field.shape_fields import ShapeFields
from ...kernels import njit
from .lighting import Light, LightNumbers, store
from .shading_rows import sample_row
from .shading_table import (
    HighlightTable,
    ShadingTable,
    add_highlight,
    gleam,
    sample_shading,
    shading_tables,
    turn_at,
)


@njit(nogil=True, cache=True, error_model="numpy")
def _shade_closely(
    distance: Plane,
    nx: Plane,
    ny: Plane,
    k: LightNumbers,
    shading: ShadingTable,
    highlights: HighlightTable,
) -> tuple[Real, Real, Real, Real]:
    """The sum over the places of one px, premultiplied; distance, nx, ny : (PLACES,)"""
    zero = np.float32(0)
    r = g = b = a = zero
    for place in range(np.uint32(PLACES)):
        far, c_turn = distance[place], nx[place] * k.lx + ny[place] * k.ly
        turn = turn_at(c_turn, shading.reach)
        whole = np.floor(turn)
        colour = sample_shading(far, whole, turn - whole, shading)
        if highlights.shine.size:
            colour = add_highlight(colour, gleam(far, c_turn, highlights, 1), highlights.tint)
        r, g, b, a = r + colour[0], g + colour[1], b + colour[2], a + colour[3]
    return r, g, b, a


@njit(nogil=True, cache=True, error_model="numpy")
def _shade_rows(
    d: Plane,
    n: Planes,
    ridges: RidgeSamples,
    top: int,
    left: int,
    outer: Real,
    k: LightNumbers,
    shading: ShadingTable,
    highlights: HighlightTable,
    out: Planes,
    y0: int,
    y1: int,
) -> None:
    """top, left : where out's corner lies in the fields d and n, and in `ridges`."""
    width, places = out.shape[2], np.float32(PLACES)
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
                sample_row(line, nx, ny, k.lx, k.ly, shading, highlights, y, start, x, room, out)
            x += 1
        for i in range(ridges.first[fy], ridges.first[fy + 1]):
            x = ridges.column[i] - left
            if 0 <= x < width:
                far, sx, sy = ridges.distance[i], ridges.nx[i], ridges.ny[i]
                r, g, b, a = _shade_closely(far, sx, sy, k, shading, highlights)
                store(r, g, b, a, places, out, y, x)


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
    shading, highlights = shading_tables(heights, span, rise, light)
    outer = np.float32(span[0] - 2)
    top, left = box.y0 - letters.box.y0, box.x0 - letters.box.x0
    d, n, ridges = letters.distance, letters.normals, letters.ridge_samples(float(outer))
    bands.run(
        lambda a, b: _shade_rows(
            d, n, ridges, top, left, outer, light.numbers, shading, highlights, out, a, b
        ),
        bands.split(box.height),
    )
    return out
