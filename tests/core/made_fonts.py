"""Small fonts made for tests: variable, with features, broken in one way each."""

from __future__ import annotations

import functools
import io

from fontTools.feaLib.builder import addOpenTypeFeaturesFromString
from fontTools.fontBuilder import FontBuilder
from fontTools.pens.ttGlyphPen import TTGlyphPen
from fontTools.ttLib import TTFont
from fontTools.ttLib.tables._g_l_y_f import Glyph

UPEM = 1000
FEATURES = """
feature liga { sub f i by f_i; } liga;
feature ss01 { featureNames { name "Round ends"; }; sub A by A.alt; } ss01;
"""


def slab(width: int, height: int = 700) -> Glyph:
    pen = TTGlyphPen(None)
    pen.moveTo((0, 0))
    for point in ((0, height), (width, height), (width, 0)):
        pen.lineTo(point)
    pen.closePath()
    return pen.glyph()


def whole(glyphs: Glyph, of: list[str]) -> Glyph:
    """A composite of other glyphs."""
    pen = TTGlyphPen(dict.fromkeys(of))
    for name in of:
        pen.addComponent(name, (1, 0, 0, 1, 0, 0))
    return pen.glyph()


def builder(family: str = "Plank Sans", letters: str = "ABfiHn") -> FontBuilder:
    """A font of slabs: A is 500 wide, its alternate 300, the rest 400; one em is 1000."""
    names = [".notdef", "space", *letters, "A.alt", "f_i"]
    made = FontBuilder(UPEM, isTTF=True)
    made.setupGlyphOrder(names)
    made.setupCharacterMap({32: "space", **{ord(c): c for c in letters}})
    wide = {"A": 500, "A.alt": 300, "space": 0}
    made.setupGlyf({name: slab(wide.get(name, 400)) for name in names})
    made.setupHorizontalMetrics({name: (wide.get(name, 400) + 100, 0) for name in names})
    made.setupHorizontalHeader(ascent=800, descent=-200)
    made.setupNameTable({"familyName": family, "styleName": "Regular"})
    made.setupOS2(sTypoAscender=800, usWeightClass=400, sCapHeight=700)
    made.setupPost()
    return made


def bytes_of(font: TTFont) -> bytes:
    room = io.BytesIO()
    font.save(room)
    return room.getvalue()


@functools.cache
def featured() -> bytes:
    made = builder()
    addOpenTypeFeaturesFromString(made.font, FEATURES)
    return bytes_of(made.font)


@functools.cache
def wide() -> bytes:
    """A font of the same name, whose A is 900 wide."""
    made = builder()
    made.setupGlyf({name: slab(900 if name == "A" else 400) for name in made.font.getGlyphOrder()})
    made.setupHorizontalMetrics(dict.fromkeys(made.font.getGlyphOrder(), (1000, 0)))
    return bytes_of(made.font)


def variable() -> bytes:
    """Weight 100..900 widens the A from 500 to 900 units."""
    from fontTools.ttLib.tables.TupleVariation import TupleVariation

    made = builder("Plank Vary")
    made.setupFvar([("wght", 100, 100, 900, "Weight of planks")], [])
    wider = [(0, 0), (0, 0), (400, 0), (400, 0), (0, 0), (400, 0), (0, 0), (0, 0)]
    none = {name: [] for name in made.font.getGlyphOrder()}
    made.setupGvar({**none, "A": [TupleVariation({"wght": (0, 1, 1)}, wider)]})
    return bytes_of(made.font)


def woff2(data: bytes) -> bytes:
    font = TTFont(io.BytesIO(data))
    font.flavor = "woff2"
    return bytes_of(font)


def cyclic() -> bytes:
    """A is made of B and B of A."""
    made = builder("Plank Ring")
    glyf = made.font["glyf"]
    data = bytes_of(made.font)
    font = TTFont(io.BytesIO(data))
    glyf = font["glyf"]
    # compiling would follow the ring, so the two composites are written as raw bytes
    order = font.getGlyphOrder()
    for name, other in (("A", "B"), ("B", "A")):
        raw = (
            b"\xff\xff" + b"\0" * 8 + b"\x00\x02" + order.index(other).to_bytes(2, "big") + b"\0\0"
        )
        glyph = Glyph.__new__(Glyph)
        glyph.data = raw
        glyf.glyphs[name] = glyph
    return bytes_of_raw(font)


def bytes_of_raw(font: TTFont) -> bytes:
    """Save without touching boxes, which would expand every glyph."""
    font.recalcBBoxes = False
    return bytes_of(font)


def without_glyphs() -> bytes:
    """maxp says that there are none."""
    data = bytearray(bytes_of(builder("Plank Null").font))
    font = TTFont(io.BytesIO(bytes(data)))
    at = font.reader.tables["maxp"].offset
    data[at + 4 : at + 6] = b"\0\0"
    return bytes(data)


def huge_table() -> bytes:
    """The table directory promises a glyf of almost 4 GB."""
    data = bytearray(bytes_of(builder("Plank Huge").font))
    for at in range(12, 12 + 16 * int.from_bytes(data[4:6], "big"), 16):
        if data[at : at + 4] == b"glyf":
            data[at + 12 : at + 16] = b"\xff\xff\xff\x00"
    return bytes(data)
