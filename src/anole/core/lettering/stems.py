"""How thick a font's stems are, measured on its letters."""

from __future__ import annotations

import functools

from ..field.shape_fields import greatest_inside
from .coloured.glyphs import is_coloured
from .flatten import flatten
from .font_file import FontFile
from .fonts import load
from .glyphs import glyph

LETTERS = "nHlo"
SIDE = 200.0


@functools.lru_cache(8192)
def stem_of(file: FontFile) -> float:
    """Twice the greatest inside distance of a font's plain letters, in em; 0 when it has none, or has
    them in colours of their own."""
    try:
        font = load(file).hb_font
    except (OSError, KeyError):
        return 0.0
    widths = []
    for letter in LETTERS:
        index = font.get_nominal_glyph(ord(letter))
        if index and not is_coloured(file, index):
            curves = glyph(file, index).curves
            if len(curves):
                widths.append(2 * greatest_inside(flatten(curves * SIDE, 0.1)) / SIDE)
    return sorted(widths)[len(widths) // 2] if widths else 0.0
