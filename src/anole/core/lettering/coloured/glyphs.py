"""Glyphs that a font gives colours of their own: drawn, and their silhouettes, traced."""

from __future__ import annotations

import functools
import math
from typing import NamedTuple

import numpy as np
import skia
import uharfbuzz as hb

from ...arrays import Chords, Curves, Matrix, Pixels, Plane
from ...box import Box
from ...field.contour import contour
from ...field.simplified import following, simplified
from ..font_file import FontFile, is_stored
from ..fonts import load
from .painting import painted
from .pictures import EmBox, glyph_bitmap, glyph_drawing

TRACED_EM = 512
"""px of an em at which a silhouette is traced."""
ROUND = 0.2
"""px there by which its chords may lie beside it."""
COS_CORNER = 0.8
"""Cosine of the turn from which on two chords meet in a corner."""
BULGE = 0.0008
"""em by which a curve may lie beside its chord: more than that the tracing left out nowhere."""
BESIDE = 0.03
"""px by which a chord may lie beside its curve where a glyph is drawn."""
LEAST_STEP = 6
MOST_REACH = 8.0
"""em from its origin to which a glyph is traced."""


@functools.lru_cache(64)
def has_colours(file: FontFile) -> bool:
    """Whether a font has glyphs with colours of their own."""
    if is_stored(file):
        return False
    face = load(file).hb_font.face
    return bool(face.has_color_paint or face.has_color_layers) or has_pictures(file)


@functools.lru_cache(64)
def has_pictures(file: FontFile) -> bool:
    """Whether some of them are pictures (CBDT, sbix, SVG), which the helper reads."""
    if is_stored(file):
        return False
    face = load(file).hb_font.face
    return bool(face.has_color_png or face.has_color_svg)


@functools.lru_cache(4096)
def is_coloured(file: FontFile, glyph: int) -> bool:
    """Whether this glyph of a font is."""
    if not has_colours(file):
        return False
    font = load(file).hb_font
    if _is_painted(font.face, glyph):
        return True
    return has_pictures(file) and bool(
        len(font.get_glyph_color_png(glyph)) or len(font.face.get_glyph_color_svg(glyph))
    )


def draw(canvas: skia.Canvas, file: FontFile, glyph: int, matrix: Matrix) -> None:
    """Draw a glyph; matrix : (2, 3), from em, y down, its origin at 0, to px of the canvas. Raises
    isolation.NotYet."""
    (a, b, x), (c, d, y) = matrix.tolist()
    em = math.sqrt(abs(a * d - b * c))
    one = load(file).upem
    canvas.save()
    # glyphs of a font have their y up
    canvas.concat(skia.Matrix.MakeAll(a / one, -b / one, x, c / one, -d / one, y, 0, 0, 1))
    canvas.drawPicture(_painted(file, glyph, stepped(em)).picture)
    canvas.restore()


def stepped(em: float) -> int:
    """px of an em for which a glyph is painted finely enough at `em` px, so that many sizes share it."""
    return 1 << max(math.ceil(math.log2(max(em, 1.0)) - 1e-9), LEAST_STEP)


class _Painted(NamedTuple):
    """What a glyph paints, and the box of its picture where that is one; font units, y up."""

    picture: skia.Picture
    box: EmBox | None


@functools.lru_cache(256)
def _painted(file: FontFile, glyph: int, em: int) -> _Painted:
    loaded = load(file)
    font, upem = loaded.hb_font, loaded.upem
    if _is_painted(font.face, glyph):
        return _Painted(painted(font, glyph, BESIDE * upem / em), None)
    document, bitmap = font.face.get_glyph_color_svg(glyph), font.get_glyph_color_png(glyph)
    extents = font.get_glyph_extents(glyph)
    box = _corners(extents) if extents is not None else (0.0, 0.0, 0.0, 0.0)
    if len(document):
        found = glyph_drawing(document.data, glyph, upem, em)
    else:
        found = glyph_bitmap(bitmap.data, box)
    return _Painted(*found)


def _is_painted(face: hb.Face, glyph: int) -> bool:
    """Whether its colours are layers or paints of outlines."""
    return bool(face.glyph_has_color_paint(glyph) or face.get_glyph_color_layers(glyph))


def _corners(told: hb.GlyphExtents) -> EmBox:
    """x0, y0, x1, y1, y up."""
    x0, y1 = told.x_bearing, told.y_bearing
    return x0, y1 + told.height, x0 + told.width, y1


def blank(box: Box) -> tuple[skia.Canvas, Pixels]:
    """A canvas over a box of px, and its pixels: (H, W, 4) uint8 premultiplied."""
    pixels = np.zeros((box.height, box.width, 4), np.uint8)
    canvas = skia.Canvas(pixels, skia.kRGBA_8888_ColorType, skia.kPremul_AlphaType)
    canvas.translate(-box.x0, -box.y0)
    return canvas, pixels


@functools.lru_cache(1024)
def silhouette(file: FontFile, glyph: int) -> Curves:
    """(n, 4, 2) straight cubics, em, y down: the outline of all that a glyph paints. Raises
    isolation.NotYet."""
    room = _painted_box(file, glyph)
    if room is None:
        return np.zeros((0, 4, 2))
    x0, y0, x1, y1 = (edge * TRACED_EM for edge in room)
    # what a font says of itself may be a little off
    box = Box(math.floor(x0), math.floor(y0), math.ceil(x1), math.ceil(y1)).grown(8)
    canvas, pixels = blank(box)
    draw(canvas, file, glyph, np.array([[TRACED_EM, 0.0, 0.0], [0.0, TRACED_EM, 0.0]]))
    alpha: Plane = np.ascontiguousarray(pixels[..., 3], np.float32) / np.float32(255)
    # so finely that the line at half of what it is at most, from px to px, is exact enough
    depth = alpha - np.float32(max(float(alpha.max()), 1e-3) / 2)
    chords = simplified(contour(depth, 0.0, box), ROUND) / TRACED_EM
    return _rounded(chords)


def _painted_box(file: FontFile, glyph: int) -> EmBox | None:
    """x0, y0, x1, y1 in em, y down: beyond it a glyph paints nothing; None when nowhere."""
    loaded = load(file)
    told = loaded.hb_font.get_glyph_extents(glyph)
    boxes = [] if told is None else [_corners(told)]
    picture = _painted(file, glyph, TRACED_EM).box
    if picture is not None:
        # it need not keep to what the outline takes
        boxes = [picture]
    boxes = [box for box in boxes if box[2] > box[0] and box[3] > box[1]]
    if not boxes:
        return None
    edges = np.array(boxes) / loaded.upem
    x0, y0 = np.maximum(edges[:, :2].min(0), -MOST_REACH)
    x1, y1 = np.minimum(edges[:, 2:].max(0), MOST_REACH)
    return float(x0), float(-y1), float(x1), float(-y0)


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
