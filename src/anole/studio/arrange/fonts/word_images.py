"""Words in a font as a small picture: coverage alone, to be tinted in the theme's colour."""

from __future__ import annotations

import numpy as np
from PyQt6.QtGui import QColor, QImage

from ....core.arrays import Plane
from ....core.box import Box
from ....core.field.coverage import rasterise
from ....core.lettering.block import TypeSetting, block
from ....core.lettering.flatten import flatten
from ....core.lettering.shaping import drawable
from ....core.model import Font
from ...look.pixel_images import PREMULTIPLIED, image_of


def words_coverage(text: str, font: Font, width: int, height: int) -> Plane:
    """(height, width) float32 0..1: the words as large as the box allows, from its left side."""
    curves = block(TypeSetting(drawable(text), font, 0.0, 1.0, "start")).curves
    if not len(curves):
        return np.zeros((height, width), np.float32)
    low, high = curves.min((0, 1)), curves.max((0, 1))
    size = np.maximum(high - low, 1e-6)
    scale = min((width - 2) / size[0], (height - 2) / size[1])
    placed = (curves - low) * scale + (1, (height - size[1] * scale) / 2)
    return rasterise(flatten(placed, 0.05), Box(0, 0, width, height))[0]


def tinted(coverage: Plane, colour: QColor) -> QImage:
    """Coverage in a colour: an image of its own memory."""
    height, width = coverage.shape
    pixels = np.empty((height, width, 4), np.uint8)
    for n, part in enumerate((colour.blue(), colour.green(), colour.red(), 255)):
        pixels[..., n] = coverage * part + 0.5
    return image_of(pixels, PREMULTIPLIED)
