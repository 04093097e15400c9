"""The coloured glyphs of a placed outline, drawn where they stand, bent as it is."""

from __future__ import annotations

import functools
import math

import numpy as np
import skia

from ..arrays import Matrix, Pixels, Points
from ..box import Box
from .coloured.glyphs import blank, draw, has_colours, is_coloured
from .joining import PlacedGlyph
from .matrix import apply
from .outline import Outline
from .warp import Warp

TILE = 512
"""px"""
CELLS = 24
"""Of a bent glyph's box, a side: within each the bend is a straight map."""
MOST_EM = 1024
"""px of an em at which a bent glyph is drawn flat at most."""
ROOM = 2
"""px round it there."""


def coloured(line: Outline) -> list[PlacedGlyph]:
    """Those of its glyphs that have colours of their own."""
    # asked for each frame: most words have none
    if not any(map(has_colours, line.fonts)):
        return []
    return [one for one in line.block.glyphs if is_coloured(one.file, one.glyph)]


def drawn(line: Outline, scale: float, box: Box) -> Pixels:
    """(H, W, 4) uint8 premultiplied: the coloured glyphs over a box of px of the render scale.

    Drawn in tiles that lie where they always lie: Skia draws a shape a little differently where its
    canvas ends amid it, and a picture is to be the same however it is cut.
    """
    pixels = np.zeros((box.height, box.width, 4), np.uint8)
    shape = Warp(line.block, line.bends) if line.bends.bent else None
    for y in range(box.y0 // TILE * TILE, box.y1, TILE):
        for x in range(box.x0 // TILE * TILE, box.x1, TILE):
            tile = Box(x, y, x + TILE, y + TILE)
            part = tile.meet(box)
            pixels[part.slices_in(box)] = _tile(line, shape, scale, tile)[part.slices_in(tile)]
    return pixels


def _tile(line: Outline, shape: Warp | None, scale: float, box: Box) -> Pixels:
    canvas, pixels = blank(box)
    matrix = line.matrix * scale
    for glyph in coloured(line):
        if shape is None:
            into = matrix[:, :2] @ np.column_stack([np.eye(2) * glyph.size, (glyph.x, glyph.y)])
            into[:, 2] += matrix[:, 2]
            draw(canvas, glyph.file, glyph.glyph, into)
        else:
            _draw_bent(canvas, glyph, shape, matrix, line.em * scale)
    return pixels


def _draw_bent(
    canvas: skia.Canvas, glyph: PlacedGlyph, shape: Warp, matrix: Matrix, em: float
) -> None:
    """Drawn flat, and laid over a mesh that is bent."""
    if glyph.shape.box is None:
        return
    fine = min(max(em * glyph.size, 1.0), MOST_EM)
    flat, picture = _flat(glyph, round(fine))
    cells = np.linspace(0, 1, CELLS + 1)
    across, down = (part.ravel() for part in np.meshgrid(cells, cells))
    texture = np.column_stack([across * flat.width, down * flat.height])
    points = (texture + (flat.x0, flat.y0)) / round(fine) * glyph.size + (glyph.x, glyph.y)
    letter = np.full(len(points), shape.number(glyph.letter))
    placed = apply(matrix, shape(points, letter))
    _lay(canvas, picture, placed, texture)


def _flat(glyph: PlacedGlyph, em: int) -> tuple[Box, skia.Image]:
    """A glyph upright at so many px an em, over a box of px about its origin."""
    box = glyph.shape.box
    assert box is not None
    x0, y0 = (math.floor(v * em) - ROOM for v in box[:2])
    x1, y1 = (math.ceil(v * em) + ROOM for v in box[2:])
    flat = Box(x0, y0, x1, y1)
    canvas, pixels = blank(flat)
    upright = np.array([[float(em), 0.0, 0.0], [0.0, float(em), 0.0]])
    draw(canvas, glyph.file, glyph.glyph, upright)
    return flat, skia.Image.fromarray(
        pixels, skia.kRGBA_8888_ColorType, skia.kPremul_AlphaType, copy=True
    )


@functools.cache
def _triangles() -> list[int]:
    """Corners of the mesh's triangles, two a cell."""
    found = []
    for row in range(CELLS):
        for column in range(CELLS):
            first = row * (CELLS + 1) + column
            below = first + CELLS + 1
            found += [first, first + 1, below, first + 1, below + 1, below]
    return found


def _lay(canvas: skia.Canvas, picture: skia.Image, placed: Points, texture: Points) -> None:
    paint = skia.Paint(AntiAlias=True)
    paint.setShader(
        picture.makeShader(
            skia.TileMode.kDecal,
            skia.TileMode.kDecal,
            skia.SamplingOptions(skia.FilterMode.kLinear, skia.MipmapMode.kNone),
        )
    )
    mesh = skia.Vertices.MakeCopy(
        skia.Vertices.kTriangles_VertexMode,
        [skia.Point(x, y) for x, y in placed.tolist()],
        [skia.Point(x, y) for x, y in texture.tolist()],
        None,
        _triangles(),
    )
    canvas.drawVertices(mesh, paint, skia.BlendMode.kModulate)
