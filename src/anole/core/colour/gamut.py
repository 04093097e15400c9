"""Colours outside sRGB brought back by taking chroma away (CSS Color 4, section 13.2)."""

from __future__ import annotations

import numpy as np

from ..arrays import Colours, Mask, Points
from .spaces import flat, from_oklab, from_oklch, polar, to_oklab

JUST_SEEN, CLOSE = 0.02, 1e-4


def _inside(srgb: Colours) -> Mask:
    return (srgb.min(0) >= -1e-6) & (srgb.max(0) <= 1 + 1e-6)


def _far(srgb: Colours, lab: Colours) -> Points:
    """Distance in OKLab."""
    return np.sqrt(((to_oklab(srgb) - lab) ** 2).sum(0))


def into_srgb(lab: Colours) -> Colours:
    """(3, n) OKLab to sRGB-encoded 0..1, hue and lightness kept as far as can be seen."""
    srgb = from_oklab(lab)
    clipped = np.clip(srgb, 0, 1)
    if _inside(srgb).all():
        return clipped
    outside = ~_inside(srgb) & (lab[0] < 1) & (lab[0] > 0) & (_far(clipped, lab) >= JUST_SEEN)
    clipped[:, lab[0] >= 1], clipped[:, lab[0] <= 0] = 1, 0
    if outside.any():
        clipped[:, outside] = _reduced(polar(lab[:, outside]))
    return clipped


def _reduced(lch: Colours) -> Colours:
    """Bisect the chroma until clipping what is left cannot be seen."""
    low, high = np.zeros(lch.shape[1]), lch[1].copy()
    low_inside = np.ones(lch.shape[1], bool)
    best = np.clip(from_oklch(lch), 0, 1)
    for _ in range(14):
        chroma = (low + high) / 2
        now = np.stack([lch[0], chroma, lch[2]])
        srgb = from_oklch(now)
        inside = low_inside & _inside(srgb)
        clipped = np.clip(srgb, 0, 1)
        far = _far(clipped, flat(now))
        near = far < JUST_SEEN
        best = clipped
        low = np.where(inside | near, chroma, low)
        high = np.where(~inside & (~near | (JUST_SEEN - far < CLOSE)), chroma, high)
        low_inside &= inside | ~near
    return best
