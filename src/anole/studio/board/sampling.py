"""A colour taken from pixels: one alone, or the average of 3 x 3 or 9 x 9."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QImage

from ...core.arrays import Pixels
from ...core.colour.spaces import to_encoded, to_linear
from ...core.model import Colour
from ..look.pixel_images import STRAIGHT, memory_of


def side_for(keys: Qt.KeyboardModifier) -> int:
    """px of the square that a colour is the mean of: 9 with Ctrl, 3 with Shift."""
    if keys & Qt.KeyboardModifier.ControlModifier:
        return 9
    return 3 if keys & Qt.KeyboardModifier.ShiftModifier else 1


def average(pixels: Pixels, x: int, y: int, keys: Qt.KeyboardModifier) -> Colour:
    """Of (H, W, 4) uint8 straight RGBA round (x, y), in linear light, weighted by alpha."""
    reach = side_for(keys) // 2
    part = pixels[max(y - reach, 0) : y + reach + 1, max(x - reach, 0) : x + reach + 1]
    flat = part.reshape(-1, 4).astype(float) / 255
    weight = flat[:, 3:]
    if weight.sum() < 1e-6:
        return Colour(0, 0, 0, 0)
    light = (to_linear(flat[:, :3]) * weight).sum(0) / weight.sum()
    r, g, b = (round(float(v) * 255) for v in to_encoded(light))
    return Colour(r, g, b)


def pixels_of(image: QImage) -> Pixels:
    """(H, W, 4) uint8 straight RGBA of a picture."""
    plain = image.convertToFormat(STRAIGHT)
    return memory_of(plain)[:, : plain.width()].copy()
