"""Stored outlines in place of a font: made when a board is saved, used where its font is missing."""

from __future__ import annotations

import functools
import hashlib
from pathlib import Path

import numpy as np

from ..arrays import Curves
from ..model import Font, Lettering, Outlines, to_builtins, to_json
from .font_file import MARK, FontFile
from .fonts import find
from .shaping import Line, ShapedGlyph, drawable

UPEM = 10_000
_stored: dict[str, Outlines] = {}


def digest(text: str, font: Font) -> str:
    """Key of the outlines stored for a text in a font: 32 hex digits."""
    # which file a board carries for it is not of the font's looks, and older boards do not say it
    named = {key: value for key, value in to_builtins(font).items() if key != "file"}
    return hashlib.sha256(drawable(text).encode() + to_json(named)).hexdigest()[:32]


def usable(piece: Lettering) -> Outlines | None:
    """The piece's stored outlines, when its font is missing and its words are still the same."""
    stored = piece.outlines
    if stored is None or find(piece.font)[1]:
        return None
    rows = drawable(piece.text).count("\n") + 1
    return (
        stored
        if stored.of == digest(piece.text, piece.font) and len(stored.lines) == rows
        else None
    )


def file_of(stored: Outlines) -> FontFile:
    """A font of nothing but the stored glyphs."""
    _stored[stored.of] = stored
    return FontFile(
        "",
        400,
        False,
        "other",
        Path("stored"),
        stored.cap_height,
        stored.ascent,
        stored.descent,
        sha=MARK + stored.of,
    )


@functools.lru_cache(4096)
def _parsed(text: str) -> Curves:
    try:
        numbers = np.array(text.split(), float)
        return numbers[: len(numbers) // 8 * 8].reshape(-1, 4, 2) / UPEM
    except ValueError:
        return np.zeros((0, 4, 2))


def curves(file: FontFile, index: int) -> Curves:
    """(n, 4, 2) cubics in em of a stored glyph; none for a number it does not have."""
    glyphs = _stored[file.sha.removeprefix(MARK)].glyphs
    return _parsed(glyphs[index]) if 0 <= index < len(glyphs) else np.zeros((0, 4, 2))


def lines(stored: Outlines) -> list[Line]:
    """The stored lines, as shaping would give them without tracking."""
    file = file_of(stored)
    return [
        Line(
            tuple(ShapedGlyph(file, g, x, y, at) for g, x, y, at in line.glyphs),
            line.width,
            line.rightward,
        )
        for line in stored.lines
    ]
