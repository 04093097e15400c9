"""Colour spaces as array functions; colours lie along the first axis, (3, ...) float64.

sRGB transfer: IEC 61966-2-1. OKLab: B. Ottosson, 2020, matrices as in CSS Color 4, section 9.
"""

from __future__ import annotations

import numpy as np

_LMS = np.array([
    [0.4122214694707630, 0.5363325372617349, 0.0514459932675022],
    [0.2119034958178251, 0.6806995506452345, 0.1073969535369405],
    [0.0883024591900564, 0.2817188391361215, 0.6299787016738222],
])  # fmt: skip
_LAB = np.array([
    [0.2104542683093140, 0.7936177747023054, -0.0040720430116193],
    [1.9779985324311684, -2.4285922420485799, 0.4505937096174110],
    [0.0259040424655478, 0.7827717124575296, -0.8086757549230774],
])  # fmt: skip


def to_linear(srgb: np.ndarray) -> np.ndarray:
    """sRGB-encoded to linear light; odd for negative values."""
    a = np.abs(srgb)
    return np.sign(srgb) * np.where(a <= 0.04045, a / 12.92, ((a + 0.055) / 1.055) ** 2.4)


def to_encoded(linear: np.ndarray) -> np.ndarray:
    """Linear light to sRGB-encoded; odd for negative values."""
    a = np.abs(linear)
    return np.sign(linear) * np.where(a <= 0.0031308, a * 12.92, 1.055 * a ** (1 / 2.4) - 0.055)


def to_oklab(srgb: np.ndarray) -> np.ndarray:
    return np.tensordot(_LAB, np.cbrt(np.tensordot(_LMS, to_linear(srgb), 1)), 1)


def from_oklab(lab: np.ndarray) -> np.ndarray:
    lms = np.tensordot(np.linalg.inv(_LAB), lab, 1) ** 3
    return to_encoded(np.tensordot(np.linalg.inv(_LMS), lms, 1))


def _same(colours: np.ndarray) -> np.ndarray:
    return colours


SPACES = {
    "srgb": (_same, _same),
    "srgb-linear": (to_linear, to_encoded),
    "oklab": (to_oklab, from_oklab),
}
"""name -> (from sRGB-encoded, to sRGB-encoded)"""
