"""Looking at a font's bytes: names and measures, or one clear reason why it cannot be used.

Bytes of strangers are looked at in the helper alone.
"""

from __future__ import annotations

import io
from pathlib import Path
from typing import Any

import uharfbuzz as hb
from fontTools.ttLib import TTFont

from ..text import short
from .font_file import FontError, FontMeasures, font_bytes

COMPRESSED = (b"wOFF", b"wOF2")
DRAWING = ("glyf", "CFF ", "CFF2", "CBDT", "sbix", "SVG ")
"""Tables of outlines, or of pictures in colour."""
MOST_UNPACKED = 256 << 20


def read_face(data: bytes, name: str, index: int = 0) -> tuple[bytes, FontMeasures]:
    """What a shaper reads, and the measures. Raises FontError."""
    plain = plain_sfnt(data, name)
    return plain, measured(plain, name, index)


def read_font(path: Path, index: int = 0) -> FontMeasures:
    """Names and measures of a font file on disk that can be trusted. Raises FontError."""
    return measured(font_bytes(path), path.name, index)


def plain_sfnt(data: bytes, name: str) -> bytes:
    """WOFF and WOFF2 unpacked to what a shaper reads; other bytes as they are."""
    if data[:4] not in COMPRESSED:
        return data
    try:
        room = io.BytesIO()
        with TTFont(io.BytesIO(data)) as font:
            font.flavor = None
            font.save(room)
        return room.getvalue()
    except Exception as error:  # a damaged file can raise anything in here
        raise FontError(f"{name} cannot be unpacked: {short(error)}") from error


def measured(data: bytes, name: str, index: int = 0) -> FontMeasures:
    """Names and measures of a font's bytes. Raises FontError."""
    try:
        with TTFont(io.BytesIO(data), lazy=True, fontNumber=index) as font:
            _refuse_unusable(font, name, len(data))
            return _looked_at(font, data, name, index)
    except FontError:
        raise
    except Exception as error:  # fontTools raises whatever its table readers stumble over
        raise FontError(f"{name} is not a usable font: {short(error)}") from error


def _refuse_unusable(font: TTFont, name: str, size: int) -> None:
    for tag, entry in font.reader.tables.items():
        if entry.offset + entry.length > size:
            raise FontError(f"{name} is cut short: its table {tag} goes past the end")
    if font["maxp"].numGlyphs < 1:
        raise FontError(f"{name} has no glyphs")
    if not any(tag in font for tag in DRAWING):
        raise FontError(f"{name} has no outlines (a bitmap font cannot be scaled)")
    if not 16 <= font["head"].unitsPerEm <= 16384:
        raise FontError(f"{name}: {font['head'].unitsPerEm} units per em is not a usable font")


def _looked_at(font: TTFont, data: bytes, name: str, index: int) -> FontMeasures:
    names, os2, hhea = font["name"], font["OS/2"], font["hhea"]
    upem = font["head"].unitsPerEm
    family = names.getDebugName(16) or names.getDebugName(1) or name.rpartition(".")[0] or name
    ascent, descent = hhea.ascent / upem, -hhea.descent / upem
    if not 0.1 < ascent + descent < 10:
        ascent, descent = 0.9, 0.25
    return FontMeasures(
        short(family.removesuffix(" Black")),
        min(max(os2.usWeightClass, 1), 1000),
        bool(os2.fsSelection & 1),
        _cap_height(data, index, getattr(os2, "sCapHeight", 0) / upem),
        ascent,
        descent,
        *_rules(font, os2, upem),
    )


def _rules(font: TTFont, os2: Any, upem: int) -> tuple[tuple[float, float], tuple[float, float]]:
    """Middle above the baseline and thickness, in em, of the underline and the strike."""
    post = font.get("post")
    thick = max(getattr(post, "underlineThickness", 0), 0.03 * upem)
    middle = getattr(post, "underlinePosition", 0) or -0.1 * upem
    strike = max(getattr(os2, "yStrikeoutSize", 0), 0.03 * upem)
    at = getattr(os2, "yStrikeoutPosition", 0) or 0.3 * upem
    return (middle / upem, thick / upem), ((at - strike / 2) / upem, strike / upem)


def _cap_height(data: bytes, index: int, told: float) -> float:
    """Height of the H, in em; some fonts tell a wrong one, some have no H."""
    face = hb.Face(hb.Blob(data), index)
    font = hb.Font(face)
    glyph = font.get_nominal_glyph(ord("H"))
    box = font.get_glyph_extents(glyph) if glyph else None
    height = box.y_bearing / face.upem if box is not None else told
    return height if 0.2 < height < 2 else 0.7


def faces_in(data: bytes) -> int:
    """How many fonts the bytes hold: more than one in a collection."""
    return max(int.from_bytes(data[8:12], "big"), 1) if data[:4] == b"ttcf" else 1
