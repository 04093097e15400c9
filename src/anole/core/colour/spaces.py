"""Colour spaces as array functions; colours lie along the first axis, (3, ...) float64.

sRGB transfer: IEC 61966-2-1. OKLab: B. Ottosson, 2020, matrices as in CSS Color 4, section 9.
HSL: CSS Color 4, section 7.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

import numpy as np

from ..arrays import Colours, Planes

LMS = np.array(
    [
        [0.4122214694707630, 0.5363325372617349, 0.0514459932675022],
        [0.2119034958178251, 0.6806995506452345, 0.1073969535369405],
        [0.0883024591900564, 0.2817188391361215, 0.6299787016738222],
    ]
)
LAB = np.array(
    [
        [0.2104542683093140, 0.7936177747023054, -0.0040720430116193],
        [1.9779985324311684, -2.4285922420485799, 0.4505937096174110],
        [0.0259040424655478, 0.7827717124575296, -0.8086757549230774],
    ]
)
_FROM_LMS, _FROM_LAB = np.linalg.inv(LMS), np.linalg.inv(LAB)


def to_linear(srgb: Colours) -> Colours:
    """sRGB-encoded to linear light; odd for negative values."""
    a = np.abs(srgb)
    return np.sign(srgb) * np.where(a <= 0.04045, a / 12.92, ((a + 0.055) / 1.055) ** 2.4)


def to_encoded(linear: Colours) -> Colours:
    """Linear light to sRGB-encoded; odd for negative values."""
    a = np.abs(linear)
    return np.sign(linear) * np.where(a <= 0.0031308, a * 12.92, 1.055 * a ** (1 / 2.4) - 0.055)


def to_oklab(srgb: Colours) -> Colours:
    """Oklab (3, ...) of encoded sRGB (3, ...) in 0 to 1 (B. Ottosson, "A perceptual color space", 2020)."""
    return np.tensordot(LAB, np.cbrt(np.tensordot(LMS, to_linear(srgb), 1)), 1)


def from_oklab(lab: Colours) -> Colours:
    """Encoded sRGB (3, ...) of Oklab (3, ...): the inverse of `to_oklab`; may lie outside 0 to 1."""
    lms = np.tensordot(_FROM_LAB, lab, 1) ** 3
    return to_encoded(np.tensordot(_FROM_LMS, lms, 1))


def polar(lab: Colours) -> Colours:
    """Lightness, chroma, hue in degrees."""
    hue = np.degrees(np.arctan2(lab[2], lab[1])) % 360
    return np.stack([lab[0], np.hypot(lab[1], lab[2]), hue])


def flat(lch: Colours) -> Colours:
    """The way back from polar()."""
    turn = np.radians(lch[2])
    return np.stack([lch[0], lch[1] * np.cos(turn), lch[1] * np.sin(turn)])


def to_oklch(srgb: Colours) -> Colours:
    """Lightness, chroma and hue in degrees (3, ...) of encoded sRGB (3, ...)."""
    return polar(to_oklab(srgb))


def from_oklch(lch: Colours) -> Colours:
    """Encoded sRGB (3, ...) of lightness, chroma and hue in degrees; may lie outside 0 to 1."""
    return from_oklab(flat(lch))


def to_hsl(srgb: Colours) -> Colours:
    """Hue in degrees, saturation and lightness 0..1."""
    high, low = srgb.max(0), srgb.min(0)
    light, wide = (high + low) / 2, high - low
    safe = np.where(wide > 0, wide, 1.0)
    r, g, b = srgb
    hue = np.select(
        [high == r, high == g], [(g - b) / safe % 6, (b - r) / safe + 2], (r - g) / safe + 4
    )
    room = np.maximum(1 - np.abs(2 * light - 1), 1e-12)
    return np.stack([hue * 60 % 360, np.where(wide > 0, wide / room, 0.0), light])


def from_hsl(hsl: Colours) -> Colours:
    """sRGB (3, ...) of hue in degrees, saturation and lightness in 0 to 1 (CSS Color 4, 7.1)."""
    hue, saturation, light = hsl
    reach = saturation * np.minimum(light, 1 - light)

    def part(n: int) -> Colours:
        k = (n + hue / 30) % 12
        return light - reach * np.clip(np.minimum(k - 3, 9 - k), -1, 1)

    return np.stack([part(0), part(8), part(4)])


def _same(colours: Planes) -> Colours:
    return colours


class Space(NamedTuple):
    """`hue` is the part that is an angle, `strength` the part without which a hue means nothing."""

    into: Callable[[Colours], Colours]
    out: Callable[[Colours], Colours]
    hue: int | None = None
    strength: int | None = None
    grey: float = 0.0


SPACES = {
    "srgb": Space(_same, _same),
    "srgb-linear": Space(to_linear, to_encoded),
    "oklab": Space(to_oklab, from_oklab),
    "oklch": Space(to_oklch, from_oklch, 2, 1, 4e-6),
    "hsl": Space(to_hsl, from_hsl, 0, 1, 1e-5),
}
"""Conversions from and to sRGB-encoded; below `grey` a colour has no hue (CSS Color 4, 12.2)."""
