"""Fonts with one coloured glyph for "A", in each way there is, made from nothing."""

from __future__ import annotations

import io

import numpy as np
from fontTools.fontBuilder import FontBuilder
from fontTools.pens.ttGlyphPen import TTGlyphPen
from fontTools.ttLib import newTable
from fontTools.ttLib.tables.BitmapGlyphMetrics import SmallGlyphMetrics
from fontTools.ttLib.tables.C_B_D_T_ import cbdt_bitmap_format_17
from fontTools.ttLib.tables.E_B_L_C_ import SbitLineMetrics, Strike, eblc_index_sub_table_1
from fontTools.ttLib.tables.otTables import CompositeMode, ExtendMode, PaintFormat
from fontTools.ttLib.tables.sbixGlyph import Glyph as SbixGlyph
from fontTools.ttLib.tables.sbixStrike import Strike as SbixStrike
from PIL import Image

UPEM, SIDE = 1000, 120
"""Units and px of an em: bitmaps are 120 x 90 px, from the baseline up."""
NAMES = [".notdef", "space", "A", "disc", "bar"]
PALETTE = [(0.9, 0.1, 0.1, 1.0), (0.1, 0.3, 0.9, 1.0), (1.0, 0.8, 0.0, 1.0)]
CLEAR = [*PALETTE[:2], (1.0, 0.8, 0.0, 0.6)]


def bitmap(shade: int = 30) -> np.ndarray:
    """(90, 120, 4) uint8: a red left half, a blue right half, a clear quarter at the top right."""
    pixels = np.zeros((90, SIDE, 4), np.uint8)
    pixels[:, :60] = (220, shade, 40, 255)
    pixels[:, 60:] = (30, 60, 220, 255)
    pixels[:40, 70:] = 0
    return pixels


def png(shade: int = 30) -> bytes:
    room = io.BytesIO()
    Image.fromarray(bitmap(shade)).save(room, "PNG")
    return room.getvalue()


def _drawn(*contours: list) -> object:
    pen = TTGlyphPen(None)
    for points in contours:
        pen.moveTo(points[0])
        for p in points[1:]:
            pen.lineTo(p)
        pen.closePath()
    return pen.glyph()


def _disc(x: float, y: float, r: float) -> list:
    turns = np.linspace(0, -2 * np.pi, 64, endpoint=False)
    return [(round(x + r * np.cos(t)), round(y + r * np.sin(t))) for t in turns]


def plain(family: str, outlines: bool = True) -> FontBuilder:
    """The font without its colours."""
    made = FontBuilder(UPEM, isTTF=True)
    made.setupGlyphOrder(NAMES)
    made.setupCharacterMap({32: "space", ord("A"): "A"})
    glyphs = {name: _drawn() for name in NAMES}
    if outlines:
        glyphs["A"] = _drawn([(50, 0), (50, 700), (850, 700), (850, 0)])
        glyphs["disc"] = _drawn(_disc(450, 350, 300))
        glyphs["bar"] = _drawn([(100, 300), (100, 420), (800, 420), (800, 300)])
    made.setupGlyf(glyphs)
    made.setupHorizontalMetrics({name: (1000 if name != "space" else 300, 0) for name in NAMES})
    made.setupHorizontalHeader(ascent=900, descent=-200)
    made.setupNameTable({"familyName": family, "styleName": "Regular"})
    made.setupOS2(sCapHeight=700, usWeightClass=700)
    made.setupPost()
    return made


def saved(made: FontBuilder) -> bytes:
    room = io.BytesIO()
    made.font.save(room)
    return room.getvalue()


def layered() -> bytes:
    """COLR version 0: a red plate, a blue disc on it, a clear yellow bar."""
    made = plain("Quay Layers")
    made.setupCPAL([CLEAR])
    made.setupCOLR({"A": [("A", 0), ("disc", 1), ("bar", 2)]}, version=0)
    return saved(made)


def _line(*stops: tuple[float, int], extend: ExtendMode = ExtendMode.PAD) -> dict:
    return {
        "Extend": extend,
        "ColorStop": [{"StopOffset": at, "PaletteIndex": n, "Alpha": 1.0} for at, n in stops],
    }


LINEAR = {"Format": PaintFormat.PaintLinearGradient, "x0": 100, "y0": 100, "x1": 700, "y1": 200,
          "x2": 100, "y2": 600, "ColorLine": _line((0.2, 0), (0.9, 1))}  # fmt: skip
REPEATED = {"Format": PaintFormat.PaintLinearGradient, "x0": 100, "y0": 0, "x1": 260, "y1": 0,
            "x2": 100, "y2": 200, "ColorLine": _line((0, 0), (1, 2), extend=ExtendMode.REFLECT)}  # fmt: skip
RADIAL = {"Format": PaintFormat.PaintRadialGradient, "x0": 400, "y0": 350, "r0": 20, "x1": 450,
          "y1": 350, "r1": 300, "ColorLine": _line((0, 2), (0.5, 0), (1, 1))}  # fmt: skip
SWEEP = {"Format": PaintFormat.PaintSweepGradient, "centerX": 450, "centerY": 350,
         "startAngle": 30, "endAngle": 300, "ColorLine": _line((0, 0), (1, 1))}  # fmt: skip


def _within(name: str, paint: dict) -> dict:
    return {"Format": PaintFormat.PaintGlyph, "Glyph": name, "Paint": paint}


def _solid(number: int) -> dict:
    return {"Format": PaintFormat.PaintSolid, "PaletteIndex": number, "Alpha": 1.0}


TURNED = {
    "Format": PaintFormat.PaintRotateAroundCenter, "angle": 20, "centerX": 450, "centerY": 350,
    "Paint": _within("bar", LINEAR),
}  # fmt: skip
CUT = {
    "Format": PaintFormat.PaintComposite, "CompositeMode": CompositeMode.SRC_OUT,
    "SourcePaint": _within("A", LINEAR), "BackdropPaint": _within("disc", _solid(1)),
}  # fmt: skip
MULTIPLIED = {
    "Format": PaintFormat.PaintComposite, "CompositeMode": CompositeMode.MULTIPLY,
    "SourcePaint": _within("disc", RADIAL), "BackdropPaint": _within("A", _solid(2)),
}  # fmt: skip
PAINTS = {
    "linear": _within("A", LINEAR), "reflected": _within("A", REPEATED),
    "radial": _within("disc", RADIAL), "sweep": _within("disc", SWEEP), "turned": TURNED,
    "cut": CUT, "multiplied": MULTIPLIED,
}  # fmt: skip


def painted(name: str, palette: list = PALETTE) -> bytes:
    """COLR version 1 with one of PAINTS."""
    made = plain(f"Quay {name}")
    made.setupCPAL([palette])
    made.setupCOLR({"A": PAINTS[name]}, version=1)
    return saved(made)


def sbix(shade: int = 30, data: bytes | None = None) -> bytes:
    made = plain("Quay Stamps")
    table = made.font["sbix"] = newTable("sbix")
    strike = SbixStrike(ppem=SIDE, resolution=72)
    for name in NAMES:
        held = png(shade) if data is None else data
        strike.glyphs[name] = SbixGlyph(
            glyphName=name, graphicType="png " if name == "A" else None,
            imageData=held if name == "A" else b"", originOffsetX=0, originOffsetY=0,
        )  # fmt: skip
    table.strikes = {SIDE: strike}
    return saved(made)


def cbdt(shade: int = 30) -> bytes:
    """Nothing but bitmaps, as colour fonts of desktops are."""
    made = plain("Quay Bitmaps", outlines=False)
    font = made.font
    data, places = newTable("CBDT"), newTable("CBLC")
    font["CBDT"], font["CBLC"] = data, places
    data.version = places.version = 3.0
    glyph = cbdt_bitmap_format_17(b"", font)
    glyph.metrics = SmallGlyphMetrics()
    glyph.metrics.height, glyph.metrics.width = 90, SIDE
    glyph.metrics.BearingX, glyph.metrics.BearingY, glyph.metrics.Advance = 0, 90, SIDE
    glyph.imageData = png(shade)
    data.strikeData = [{"A": glyph}]
    strike = Strike()
    size = strike.bitmapSizeTable
    size.colorRef, size.flags, size.bitDepth = 0, 1, 32
    size.ppemX = size.ppemY = SIDE
    for line in ("hori", "vert"):
        metrics = SbitLineMetrics()
        for field in ("ascender", "descender", "widthMax", "caretSlopeNumerator",
                      "caretSlopeDenominator", "caretOffset", "minOriginSB", "minAdvanceSB",
                      "maxBeforeBL", "minAfterBL", "pad1", "pad2"):  # fmt: skip
            setattr(metrics, field, 0)
        metrics.ascender, metrics.descender = 108, -24
        setattr(size, line, metrics)
    at = font.getGlyphID("A")
    size.startGlyphIndex = size.endGlyphIndex = at
    index = eblc_index_sub_table_1(b"", font)
    index.names, index.indexFormat, index.imageFormat = ["A"], 1, 17
    index.firstGlyphIndex = index.lastGlyphIndex = at
    strike.indexSubTables = [index]
    places.strikes = [strike]
    del font["glyf"], font["loca"]
    return saved(made)


DRAWING = (
    '<svg xmlns="http://www.w3.org/2000/svg"><defs><linearGradient id="g">'
    '<stop offset="0" stop-color="#d2281e"/><stop offset="1" stop-color="#1e3cd2"/>'
    "</linearGradient></defs>"
    '<g id="glyph3"><rect width="3000" height="3000" fill="lime"/></g>'
    '<g id="glyph2"><circle cx="450" cy="-350" r="300" fill="url(#g)"/>'
    '<use href="#glyph4" fill="gold"/></g>'
    '<g id="glyph4"><rect x="100" y="-420" width="700" height="120"/></g></svg>'
)


def drawn(shade: int = 40, packed: bool = False) -> bytes:
    """SVG, with a document of several glyphs that use each other's parts."""
    made = plain("Quay Drawings")
    table = made.font["SVG "] = newTable("SVG ")
    table.docList = [(DRAWING.replace("#d2281e", f"#d2{shade:02x}1e"), 2, 4)]
    table.compressed = packed
    return saved(made)
