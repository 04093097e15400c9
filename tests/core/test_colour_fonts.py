"""Colour fonts of strangers: layers, paints, bitmaps and drawings in their own colours, as another
renderer shows them, with silhouettes of their own; what is broken costs nothing."""

from __future__ import annotations

import random
import time

import cv2
import numpy as np
import pytest
import resvg_py
import skia
import uharfbuzz as hb

from anole.core import isolation
from anole.core.box import Box
from anole.core.coats.kinds.fill import plain
from anole.core.field.coverage import rasterise
from anole.core.lettering.bent import positive
from anole.core.lettering.coloured.glyphs import blank, draw, has_colours, is_coloured
from anole.core.lettering.coloured.painting import painted
from anole.core.lettering.flatten import flatten
from anole.core.lettering.font_file import FontError
from anole.core.lettering.fonts import add, let_go
from anole.core.lettering.glyphs import NO_GLYPH, glyph
from anole.core.lettering.outline import outline
from anole.core.lettering.shaping import shape_line
from anole.core.model import Board, Colour, Font, Length, Lettering, Place
from anole.core.render.export import part, rgba

from . import colour_fonts as made

EM, AT, SIDE = 200.0, (30.0, 190.0), 260
BOX = Box(0, 0, SIDE, SIDE)
FONTS = {
    "layers": made.layered, "sbix": made.sbix, "cbdt": made.cbdt, "svg": made.drawn,
    "svgz": lambda: made.drawn(packed=True),
    **{name: lambda name=name: made.painted(name) for name in made.PAINTS},
}  # fmt: skip


@pytest.fixture(autouse=True)
def no_fonts_left():
    yield
    let_go(())


def only(data: bytes):
    file = add(data, "a font.ttf")
    (found,) = [g for g in shape_line(file, "A", 0.0).glyphs if g.glyph]
    return file, found.glyph


def drawing(file, number) -> np.ndarray:
    """(260, 260, 4) premultiplied 0..255"""
    canvas, pixels = blank(BOX)
    draw(canvas, file, number, np.array([[EM, 0, AT[0]], [0, EM, AT[1]]]))
    return pixels.astype(float)


def by_skia(data: bytes, number: int) -> np.ndarray:
    """The same, by Skia's own reader of fonts."""
    face = skia.FontMgr.New_Custom_Empty().makeFromData(skia.Data.MakeWithCopy(data), 0)
    font = skia.Font(face, EM)
    font.setEdging(skia.Font.Edging.kAntiAlias)
    font.setHinting(skia.FontHinting.kNone)
    font.setSubpixel(True)
    builder = skia.TextBlobBuilder()
    builder.allocRunPos(font, [number], [skia.Point(0, 0)])
    canvas, pixels = blank(BOX)
    canvas.drawTextBlob(builder.make(), *AT, skia.Paint(AntiAlias=True))
    return pixels.astype(float)


def by_resvg() -> np.ndarray:
    scale = EM / made.UPEM
    box = " ".join(f"{v:g}" for v in (-AT[0] / scale, -AT[1] / scale, SIDE / scale, SIDE / scale))
    text = made.DRAWING.replace("<svg ", f'<svg viewBox="{box}" width="{SIDE}" height="{SIDE}" ')
    text = text.replace('id="glyph3"', 'visibility="hidden"')
    text = text.replace('<g id="glyph4">', '<g id="glyph4" display="none">').replace(
        '<use href="#glyph4" fill="gold"/>', '<rect x="100" y="-420" width="700" height="120" fill="gold"/>'
    )  # fmt: skip
    png = resvg_py.svg_to_bytes(svg_string=text, width=SIDE, height=SIDE)
    pixels = cv2.imdecode(np.frombuffer(bytes(png), np.uint8), cv2.IMREAD_UNCHANGED)
    straight = pixels[..., [2, 1, 0, 3]].astype(float)
    straight[..., :3] *= straight[..., 3:] / 255
    return straight


def by_hand() -> np.ndarray:
    """The bitmap where it stands: from the origin up, EM / 120 px a px of it."""
    wide, high = round(EM), round(90 * EM / made.SIDE)
    large = cv2.resize(made.bitmap(), (wide, high), interpolation=cv2.INTER_NEAREST).astype(float)
    large[..., :3] *= large[..., 3:] / 255
    out = np.zeros((SIDE, SIDE, 4))
    out[round(AT[1]) - high : round(AT[1]), round(AT[0]) : round(AT[0]) + wide] = large
    return out


def wanted(name: str, data: bytes, number: int) -> np.ndarray:
    if name in ("sbix", "cbdt"):
        return by_hand()
    return by_resvg() if name.startswith("svg") else by_skia(data, number)


@pytest.mark.parametrize("name", FONTS)
def test_a_glyph_has_the_colours_that_another_renderer_gives_it(name):
    data = FONTS[name]()
    file, number = only(data)
    assert has_colours(file) and is_coloured(file, number)
    shown, right = drawing(file, number), wanted(name, data, number)
    assert right[..., 3].mean() > 4
    apart = np.abs(shown - right).max(2)
    # along edges two renderers differ
    solid = cv2.erode((right[..., 3] > 0).astype(np.uint8), np.ones((5, 5))) > 0
    solid |= cv2.dilate((right[..., 3] > 0).astype(np.uint8), np.ones((5, 5))) == 0
    assert np.percentile(apart[solid], 99) <= 3 and (apart > 64).mean() < 0.012


def test_a_gradient_is_mixed_premultiplied():
    """As the standard of COLR asks; half way between two stops."""
    file, number = only(made.painted("reflected", made.CLEAR))
    pixel = drawing(file, number)[100, round(AT[0] + 180 / made.UPEM * EM)]
    (r, g, b, _), (r2, g2, b2, alpha) = made.CLEAR[0], made.CLEAR[2]
    mixed = np.array([r + r2 * alpha, g + g2 * alpha, b + b2 * alpha, 1 + alpha]) / 2 * 255
    assert np.abs(pixel - mixed).max() <= 3


@pytest.mark.parametrize("name", FONTS)
def test_its_silhouette_is_that_of_what_it_paints(name):
    data = FONTS[name]()
    file, number = only(data)
    alpha = wanted(name, data, number)[..., 3]
    curves = glyph(file, number).curves * EM + AT
    covered = rasterise(positive(flatten(curves, 0.02)), BOX)[0] > 0.5
    there = (alpha > alpha.max() / 2).astype(np.uint8)
    most, least = cv2.dilate(there, np.ones((5, 5))), cv2.erode(there, np.ones((5, 5)))
    assert not (covered & (most == 0)).any() and not (~covered & (least == 1)).any()


def board(data: bytes, text="A A") -> Board:
    file = add(data, "a font.ttf")
    words = Lettering(
        id="w", text=text, font=Font(family=file.family, weight=700, file=file.carried_as), size=Length(90),
        place=Place(x=150, y=100), style=(plain(Colour(20, 200, 60), "f"),),
    )  # fmt: skip
    return Board(width=300, height=200, pieces=(words,))


@pytest.mark.parametrize("name", FONTS)
def test_words_wear_them_the_same_in_every_cut(name):
    shown = board(FONTS[name]())
    whole = rgba(shown).astype(int)
    assert whole[..., 3].mean() > 4
    # the colours are the font's, none the fill's
    seen = whole[whole[..., 3] == 255]
    assert not ((seen[:, 1] > 150) & (seen[:, 0] < 100) & (seen[:, 2] < 100)).any()
    for y in range(0, 200, 70):
        band = part(shown, 1.0, Box(0, y, 300, min(y + 70, 200))).astype(int)
        assert np.abs(band - whole[y : y + 70]).max() <= 1
    shifted = part(shown, 1.0, Box(37, 21, 271, 190)).astype(int)
    assert np.abs(shifted - whole[21:190, 37:271]).max() <= 1


@pytest.mark.parametrize("name", ["sbix", "cbdt", "svg"])
def test_a_thread_that_must_not_wait_has_the_words_later(name):
    isolation.end()
    piece = board(FONTS[name](shade={"sbix": 71, "cbdt": 72, "svg": 73}[name])).pieces[0]
    isolation.hurry()
    try:
        first = outline(piece, 96.0)
        came = isolation.FETCHER.arrivals
        assert not first.block.complete and glyph(*placed(first)) is NO_GLYPH
        for _ in range(400):
            if isolation.FETCHER.arrivals > came and outline(piece, 96.0).block.complete:
                break
            time.sleep(0.05)
        later = outline(piece, 96.0)
        assert later.block.complete and len(later.block.curves) and later.key != first.key
    finally:
        isolation.hurry(False)


def placed(line) -> tuple:
    first = line.block.glyphs[0]
    return first.file, first.glyph


@pytest.mark.parametrize("data", [b"", b"\x89PNG\r\n\x1a\n" + b"\0" * 40, b"not a picture" * 9])
def test_a_broken_bitmap_shows_nothing_and_stops_nothing(data):
    shown = board(made.sbix(data=data or b"\0"))
    assert rgba(shown).shape == (200, 300, 4)


def test_a_font_without_outlines_or_pictures_is_still_refused():
    with pytest.raises(FontError, match="no letter with an outline"):
        add(made.saved(made.plain("Quay Nothing", outlines=False)), "nothing.ttf")


@pytest.mark.parametrize("name", FONTS)
def test_a_damaged_font_is_painted_as_far_as_it_goes(name):
    """No error and no crash, whatever its tables say; what looks at it first would not let all in."""
    dice = random.Random(name)
    whole = FONTS[name]()
    for _ in range(60):
        data = bytearray(whole)
        for _ in range(dice.choice((1, 2, 4, 10))):
            data[dice.randrange(len(data))] = dice.choice((0, 255, dice.randrange(256)))
        face = hb.Face(hb.Blob(bytes(data)))
        font = hb.Font(face)
        for number in range(min(face.glyph_count, 6)):
            assert painted(font, number, 10.0) is not None
            font.get_glyph_color_png(number), face.get_glyph_color_svg(number)
