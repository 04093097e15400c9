"""Glyphs that a font gives colours of their own (COLR), drawn by Skia; their silhouettes, traced."""

from __future__ import annotations

import functools

import numpy as np
import skia

from ..arrays import Chords, Curves, Matrix, Pixels, Plane
from ..box import Box
from ..field.contour import contour
from ..field.simplified import following, simplified
from .font_file import FontFile, bytes_of, is_stored
from .fonts import is_built_in, load

TRACED_EM = 512
"""px of an em at which a silhouette is traced."""
ROUND = 0.2
"""px there by which its chords may lie beside it."""
COS_CORNER = 0.8
"""Cosine of the turn from which on two chords meet in a corner."""
BULGE = 0.0008
"""em by which a curve may lie beside its chord: more than that the tracing left out nowhere."""
DRAWN_EM = 64.0
"""px of the size at which glyphs are asked for; a matrix does the rest."""


@functools.lru_cache(64)
def has_colours(file: FontFile) -> bool:
    """Whether a font has glyphs with colours of their own that are drawn here: what draws them reads
    more of a font's bytes than a shaper, so that must be one of ours."""
    if is_stored(file) or not is_built_in(file):
        return False
    face = load(file).hb_font.face
    return bool(face.has_color_paint or face.has_color_layers)


@functools.lru_cache(4096)
def is_coloured(file: FontFile, glyph: int) -> bool:
    """Whether this glyph of a font is."""
    if not has_colours(file):
        return False
    face = load(file).hb_font.face
    return bool(face.glyph_has_color_paint(glyph) or face.get_glyph_color_layers(glyph))


@functools.lru_cache(16)
def _typeface(file: FontFile) -> skia.Typeface:
    data = skia.Data.MakeWithCopy(bytes_of(file))
    return skia.FontMgr.New_Custom_Empty().makeFromData(data, file.number)


def draw(canvas: skia.Canvas, file: FontFile, glyph: int, matrix: Matrix) -> None:
    """Draw a glyph; matrix : (2, 3), from em, y down, its origin at 0, to px of the canvas."""
    (a, b, x), (c, d, y) = matrix.tolist()
    font = skia.Font(_typeface(file), DRAWN_EM)
    font.setEdging(skia.Font.Edging.kAntiAlias)
    font.setHinting(skia.FontHinting.kNone)
    font.setSubpixel(True)
    font.setBaselineSnap(False)
    builder = skia.TextBlobBuilder()
    builder.allocRunPos(font, [glyph], [skia.Point(0, 0)])
    canvas.save()
    one = DRAWN_EM
    canvas.concat(skia.Matrix.MakeAll(a / one, b / one, x, c / one, d / one, y, 0, 0, 1))
    canvas.drawTextBlob(builder.make(), 0, 0, skia.Paint(AntiAlias=True))
    canvas.restore()


def blank(box: Box) -> tuple[skia.Canvas, Pixels]:
    """A canvas over a box of px, and its pixels: (H, W, 4) uint8 premultiplied."""
    pixels = np.zeros((box.height, box.width, 4), np.uint8)
    canvas = skia.Canvas(pixels, colorType=skia.kRGBA_8888_ColorType)
    canvas.translate(-box.x0, -box.y0)
    return canvas, pixels


@functools.lru_cache(1024)
def silhouette(file: FontFile, glyph: int) -> Curves:
    """(n, 4, 2) straight cubics, em, y down: the outline of all that a glyph paints."""
    extents = load(file).hb_font.get_glyph_extents(glyph)
    if extents is None or not extents.width or not extents.height:
        return np.zeros((0, 4, 2))
    upem = load(file).upem
    x0, y0 = extents.x_bearing / upem, -extents.y_bearing / upem
    x1, y1 = x0 + extents.width / upem, y0 - extents.height / upem
    # what a font says of itself may be a little off
    room = 8
    box = Box(
        int(np.floor(x0 * TRACED_EM)) - room,
        int(np.floor(y0 * TRACED_EM)) - room,
        int(np.ceil(x1 * TRACED_EM)) + room,
        int(np.ceil(y1 * TRACED_EM)) + room,
    )
    canvas, pixels = blank(box)
    draw(canvas, file, glyph, np.array([[TRACED_EM, 0.0, 0.0], [0.0, TRACED_EM, 0.0]]))
    alpha: Plane = np.ascontiguousarray(pixels[..., 3], np.float32) / np.float32(255)
    # so finely that the line at half of what it is at most, from px to px, is exact enough
    depth = alpha - np.float32(max(float(alpha.max()), 1e-3) / 2)
    chords = simplified(contour(depth, 0.0, box), ROUND) / TRACED_EM
    return _rounded(chords)


def _rounded(chords: Chords) -> Curves:
    """(n, 4, 2) cubics through the ends of closed outlines, one after the other, smooth where these turn little: a relief
    would show the facets of chords."""
    if not len(chords):
        return np.zeros((0, 4, 2))
    after = following(chords)
    along = chords[:, 2:] - chords[:, :2]
    length = np.maximum(np.hypot(along[:, 0], along[:, 1]), 1e-12)[:, None]
    way = along / length
    # the nearer neighbour says more of the direction between two
    between = way * length[after] + way[after] * length
    between /= np.maximum(np.hypot(between[:, 0], between[:, 1]), 1e-12)[:, None]
    smooth = ((way * way[after]).sum(1) > COS_CORNER)[:, None]
    leaving, coming = way.copy(), np.where(smooth, between, way)
    leaving[after] = np.where(smooth, between, way[after])
    for tangent in (leaving, coming):
        # a long straight side would bulge after a short curve at its end
        aside = np.abs(way[:, 0] * tangent[:, 1] - way[:, 1] * tangent[:, 0])
        straight = aside * length[:, 0] * 4 / 27 > BULGE
        tangent[straight] = way[straight]
    third = length / 3
    start, end = chords[:, :2], chords[:, 2:]
    # ends that meet stay equal to the last bit
    return np.stack([start, start + leaving * third, end - coming * third, end], 1)
