"""Stored outlines in place of a font: made when a board is saved, used where its font is missing."""

from __future__ import annotations

import functools
import hashlib
from pathlib import Path

import numpy as np

from ..model import Font, KeptLine, Lettering, Outlines, to_json
from .font_file import FontFile
from .fonts import find
from .shaping import Line, Placed, drawable, shape_line

UPEM = 10_000
MARK = "kept:"
_stored: dict[str, Outlines] = {}


def digest(text: str, font: Font) -> str:
    return hashlib.sha256(drawable(text).encode() + to_json(font)).hexdigest()[:32]


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


def made(piece: Lettering) -> Outlines | None:
    """Outlines to store with a piece; those it has already where its font is missing."""
    from .glyphs import glyph

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
        spots = []
        for spot in line.glyphs:
            key = (spot.file, spot.glyph)
            if key not in numbers:
                numbers[key] = len(texts)
                cubics = glyph(spot.file, spot.glyph, axes if spot.file == file else ()).curves
                texts.append(" ".join(map(str, np.round(cubics * UPEM).astype(int).ravel())))
            spots.append((numbers[key], round(spot.x, 5), round(spot.y, 5), spot.letter))
        lines.append(KeptLine(tuple(spots), round(line.width, 5), line.rightward))
    return Outlines(
        of=digest(piece.text, piece.font), glyphs=tuple(texts), lines=tuple(lines),
        cap_height=file.cap_height, ascent=file.ascent, descent=file.descent,
    )  # fmt: skip


def file_of(stored: Outlines) -> FontFile:
    """A font of nothing but the stored glyphs."""
    _stored[stored.of] = stored
    return FontFile("", 400, False, "other", Path("kept"), stored.cap_height, stored.ascent,
                    stored.descent, sha=MARK + stored.of)  # fmt: skip


def is_kept(file: FontFile) -> bool:
    return file.sha.startswith(MARK)


@functools.lru_cache(4096)
def _parsed(text: str) -> np.ndarray:
    try:
        numbers = np.array(text.split(), float)
        return numbers[: len(numbers) // 8 * 8].reshape(-1, 4, 2) / UPEM
    except ValueError:
        return np.zeros((0, 4, 2))


def curves(file: FontFile, index: int) -> np.ndarray:
    """(n, 4, 2) cubics in em of a stored glyph; none for a number it does not have."""
    glyphs = _stored[file.sha.removeprefix(MARK)].glyphs
    return _parsed(glyphs[index]) if 0 <= index < len(glyphs) else np.zeros((0, 4, 2))


def lines(stored: Outlines) -> list[Line]:
    """The stored lines, as shaping would give them without tracking."""
    file = file_of(stored)
    return [
        Line(tuple(Placed(file, g, x, y, at) for g, x, y, at in line.glyphs), line.width,
             line.rightward)
        for line in stored.lines
    ]  # fmt: skip
