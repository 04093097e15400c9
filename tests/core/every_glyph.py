"""Every glyph of every shipped font, or a sample of them, for tests against other libraries."""

from __future__ import annotations

import numpy as np
import pytest
import skia

from anole.core.lettering import fonts
from anole.core.lettering.flatten import flatten
from anole.core.lettering.fonts import FontFile
from anole.core.lettering.skia_paths import PathPen

FONTS = [pytest.param(font, id=f"{font.family} {font.weight}") for font in fonts.built_in()]


def numbers(font: FontFile, deep: bool, sample: int, named: str = "") -> list[int]:
    """Glyph numbers: all of them when `deep`, else some spread over the font and those named."""
    face = fonts.load(font).hb_font
    count = face.face.glyph_count
    if deep:
        return list(range(count))
    spread = np.linspace(1, count - 1, min(sample, count - 1)).astype(int).tolist()
    found = [face.get_nominal_glyph(ord(char)) for char in named]
    return sorted({*spread, *(number for number in found if number)})


def own_path(font: FontFile, number: int) -> skia.Path:
    """A glyph as the font draws it, nothing united; font units, y down."""
    pen = PathPen()
    fonts.load(font).hb_font.draw_glyph_with_pen(number, pen)
    return pen.path


def polygons(path: skia.Path, tolerance: float = 0.02) -> list[np.ndarray]:
    """The contours of a path as corners (n, 2), by the library's own curves."""
    found: list[list[np.ndarray]] = []
    verb = skia.Path.Verb
    for kind, points in path:
        p = [np.array([q.x(), q.y()]) for q in points]
        if kind == verb.kMove_Verb:
            found.append([])
        elif kind == verb.kLine_Verb:
            found[-1].append(p[0][None])
        elif kind == verb.kQuad_Verb:
            cubic = np.array([p[0], (p[0] + 2 * p[1]) / 3, (2 * p[1] + p[2]) / 3, p[2]])
            found[-1].append(flatten(cubic[None], tolerance)[:, :2])
        elif kind == verb.kCubic_Verb:
            found[-1].append(flatten(np.array(p)[None], tolerance)[:, :2])
    return [np.concatenate(part) for part in found if part]
