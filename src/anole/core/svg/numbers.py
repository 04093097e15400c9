"""Numbers, lengths and transforms as SVG writes them."""

from __future__ import annotations

import math
import re

import numpy as np

from ..arrays import Matrix
from .errors import SvgError

_NUMBER = re.compile(r"[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?")
_LENGTH = re.compile(rf"\s*({_NUMBER.pattern})\s*([a-zA-Z%]*)\s*")
_CALL = re.compile(r"(\w+)\s*\(([^)]*)\)")
UNITS = {"": 1.0, "px": 1.0, "pt": 4 / 3, "pc": 16.0, "mm": 96 / 25.4, "cm": 96 / 2.54, "in": 96.0}
"""px of each unit (CSS Values 4, section 6.2)."""
GREATEST = 1e7
UNIT_MATRIX = np.array([[1.0, 0, 0], [0, 1.0, 0]])


def numbers(text: str) -> list[float]:
    """All numbers of a list, whatever stands between them."""
    return [float(found) for found in _NUMBER.findall(text)]


def length(text: str | None, of: float, em: float = 16.0, default: float = 0.0) -> float:
    """px of a length; `of` is what a percentage is taken of. Raises SvgError beyond all bounds."""
    match = _LENGTH.fullmatch(text) if text else None
    if match is None:
        return default
    value, unit = float(match[1]), match[2].lower()
    scale = {"%": of / 100, "em": em, "rem": 16.0, "ex": em / 2, **UNITS}.get(unit)
    if scale is None:
        return default
    if not abs(value * scale) <= GREATEST:
        raise SvgError(f"it has a length beyond all bounds ({text.strip()[:20] if text else ''})")
    return value * scale


def share(text: str | None, default: float = 1.0) -> float:
    """An opacity, 0..1, a number or a percentage."""
    match = _LENGTH.fullmatch(text) if text else None
    if match is None:
        return default
    return min(max(float(match[1]) / (100 if match[2] == "%" else 1), 0.0), 1.0)


def joined(outer: Matrix, inner: Matrix) -> Matrix:
    """(2, 3): first inner, then outer."""
    return outer[:, :2] @ inner + np.array([[0, 0, outer[0, 2]], [0, 0, outer[1, 2]]])


def _one(name: str, v: list[float]) -> Matrix | None:
    """A transform function (CSS Transforms 1, section 7); None for what is none."""
    count = len(v)
    if name == "matrix" and count == 6:
        return np.array([[v[0], v[2], v[4]], [v[1], v[3], v[5]]])
    if name in ("translate", "translateX") and count:
        return np.array([[1, 0, v[0]], [0, 1, v[1] if count > 1 else 0.0]])
    if name == "translateY" and count:
        return np.array([[1, 0, 0], [0, 1, v[0]]])
    if name == "scale" and count:
        return np.array([[v[0], 0, 0], [0, v[1] if count > 1 else v[0], 0]])
    if name == "rotate" and count:
        c, s = math.cos(math.radians(v[0])), math.sin(math.radians(v[0]))
        x, y = (v[1], v[2]) if count > 2 else (0.0, 0.0)
        return np.array([[c, -s, x - c * x + s * y], [s, c, y - s * x - c * y]])
    if name in ("skewX", "skewY") and count:
        t = math.tan(math.radians(v[0]))
        return np.array([[1, t, 0], [0, 1, 0]] if name == "skewX" else [[1, 0, 0], [t, 1, 0]])
    return None


def transform(text: str | None) -> Matrix:
    """(2, 3) of a list of transforms. Raises SvgError for what cannot be read."""
    matrix = UNIT_MATRIX
    for name, inside in _CALL.findall(text or ""):
        one = _one(name, numbers(inside))
        if one is None:
            raise SvgError(f"it is moved by {name}({inside[:30]}), which cannot be read")
        matrix = joined(matrix, one.astype(float))
    if not (np.abs(matrix) <= GREATEST).all():
        raise SvgError("it is moved beyond all bounds")
    return matrix
