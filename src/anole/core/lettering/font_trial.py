"""A font tried with what it is for: shaped and drawn, so that what cannot be done shows before
anybody relies on it."""

from __future__ import annotations

import uharfbuzz as hb

from . import skia_paths
from .coloured.painting import painted
from .font_file import FontError

MOST_LETTERS, RUN, MOST_GLYPHS, MOST_UNITED = 200, 40, 50, 3
"""Letters that are shaped, so many together; glyphs that are drawn, and united from their contours."""
TRIED_EM = 64.0
"""px of an em for which glyphs are painted."""
LATIN = "Hamburgefonstiv AVATAR fi ffl 0123456789 \u00c4\u00e9\u0301"


def _spread(items: list[int], most: int) -> list[int]:
    """At most `most` of the items, evenly over all."""
    return items[:: max(1, -(-len(items) // most))]


def tried(data: bytes, name: str, index: int = 0) -> None:
    """Shape and draw a font's bytes. Raises FontError when no letter has an outline; what crashes
    or hangs here does so in the helper."""
    face = hb.Face(hb.Blob(data), index)
    font = hb.Font(face)
    letters = _spread(sorted(face.unicodes), MOST_LETTERS)
    runs = [letters[at : at + RUN] for at in range(0, len(letters), RUN)]
    for codepoints in ([ord(letter) for letter in LATIN], *runs):
        buffer = hb.Buffer()
        buffer.add_codepoints(codepoints)
        buffer.guess_segment_properties()
        hb.shape(font, buffer)
    inked = []
    for glyph in _spread(list(range(face.glyph_count)), MOST_GLYPHS):
        painted(font, glyph, face.upem / TRIED_EM)
        pen = skia_paths.PathPen()
        font.draw_glyph_with_pen(glyph, pen)
        if not pen.path.isEmpty():
            inked.append(pen.path)
    if not inked and not face.has_color_png and not face.has_color_svg:
        raise FontError(f"{name} has no letter with an outline")
    for path in inked[:: max(1, -(-len(inked) // MOST_UNITED))]:
        skia_paths.union(path, face.upem)
