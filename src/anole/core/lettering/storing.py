"""Outlines made when a board is saved, for where its fonts are missing."""

from __future__ import annotations

import numpy as np

from ..model import Lettering, Outlines, StoredLine
from .font_file import FontFile
from .fonts import find
from .glyphs import glyph
from .shaping import drawable, shape_line
from .stored_outlines import UPEM, digest


def outlines_to_store(piece: Lettering) -> Outlines | None:
    """Outlines to store with a piece; those it has already where its font is missing."""
    file, found = find(piece.font)
    if not found or not piece.text.strip():
        return piece.outlines
    axes = piece.font.axes.pairs
    features = tuple((tag, int(value)) for tag, value in piece.font.features.pairs)
    numbers: dict[tuple[FontFile, int], int] = {}
    texts: list[str] = []
    lines = []
    for text in drawable(piece.text).split("\n"):
        line = shape_line(file, text, 0.0, features, axes)
        glyphs = []
        for shaped in line.glyphs:
            key = (shaped.file, shaped.glyph)
            if key not in numbers:
                numbers[key] = len(texts)
                cubics = glyph(
                    shaped.file, shaped.glyph, axes if shaped.file == file else ()
                ).curves
                texts.append(" ".join(map(str, np.round(cubics * UPEM).astype(int).ravel())))
            glyphs.append((numbers[key], round(shaped.x, 5), round(shaped.y, 5), shaped.letter))
        lines.append(StoredLine(tuple(glyphs), round(line.width, 5), line.rightward))
    return Outlines(
        of=digest(piece.text, piece.font),
        glyphs=tuple(texts),
        lines=tuple(lines),
        cap_height=file.cap_height,
        ascent=file.ascent,
        descent=file.descent,
    )
