"""The size of an SVG, and how a viewBox comes into a viewport (SVG 2, section 8.2)."""

from __future__ import annotations

from typing import NamedTuple
from xml.etree.ElementTree import Element

import numpy as np

from ..arrays import Matrix
from .errors import SvgError
from .numbers import UNIT_MATRIX, length, numbers

LEAST, MOST = 1e-3, 1e6
ALIGNED = {"Min": 0.0, "Mid": 0.5, "Max": 1.0}


class Viewport(NamedTuple):
    """Width and height in px, and (2, 3) from what it holds to it."""

    width: float
    height: float
    matrix: Matrix
    inner: tuple[float, float]


def view_box(element: Element) -> tuple[float, float, float, float] | None:
    """x, y, width, height; None without one that can be used."""
    found = numbers(element.get("viewBox", ""))
    if len(found) != 4:
        return None
    x, y, wide, high = found
    if not (LEAST <= wide <= MOST and LEAST <= high <= MOST and max(abs(x), abs(y)) <= MOST):
        raise SvgError(f"its viewBox {wide:g} x {high:g} is beyond all bounds")
    return x, y, wide, high


def _fitting(size: tuple[float, float], box: tuple[float, float, float, float], how: str) -> Matrix:
    """(2, 3) that preserveAspectRatio asks for."""
    x, y, wide, high = box
    across, down = size[0] / wide, size[1] / high
    words = how.split() or ["xMidYMid"]
    aligned = words[0] if len(words[0]) == 8 else "xMidYMid"
    if words[0] != "none":
        across = down = max(across, down) if "slice" in words else min(across, down)
    shift_x = (size[0] - wide * across) * ALIGNED.get(aligned[1:4], 0.5)
    shift_y = (size[1] - high * down) * ALIGNED.get(aligned[5:8], 0.5)
    if words[0] == "none":
        shift_x = shift_y = 0.0
    return np.array([[across, 0, shift_x - x * across], [0, down, shift_y - y * down]])


def viewport(element: Element, width: float, height: float) -> Viewport:
    """Of an svg or a symbol that is `width` x `height` px. Raises SvgError."""
    if not (LEAST <= width <= MOST and LEAST <= height <= MOST):
        raise SvgError(f"its size {width:g} x {height:g} is beyond all bounds")
    box = view_box(element)
    if box is None:
        return Viewport(width, height, UNIT_MATRIX, (width, height))
    matrix = _fitting((width, height), box, element.get("preserveAspectRatio", ""))
    return Viewport(width, height, matrix, box[2:])


def _absolute(text: str | None) -> float | None:
    """px of a length that says itself how long it is."""
    if text is None or "%" in text or text.strip() == "auto":
        return None
    return length(text, 0.0, default=-1.0)


def root_viewport(root: Element) -> Viewport | None:
    """What the file says of its size; None where it says nothing. Raises SvgError."""
    box = view_box(root)
    wide, high = _absolute(root.get("width")), _absolute(root.get("height"))
    if box is not None:
        if wide is None and high is None:
            wide, high = box[2], box[3]
        elif wide is None:
            wide = (high or 0.0) * box[2] / box[3]
        elif high is None:
            high = wide * box[3] / box[2]
    if wide is None or high is None:
        return None
    return viewport(root, wide, high)
