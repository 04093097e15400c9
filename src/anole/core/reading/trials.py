"""One coat more, tried on what was found so far: what it changes, and how much of it the picture wants."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ..arrays import Mask, Plane
from .seen import apart, oklab

LUMA = np.array([0.2126, 0.7152, 0.0722], np.float32)
LEAST_COVER = 0.004


class Wanted(NamedTuple):
    """A colour and how strong: sRGB-encoded 0 to 1; and what the picture is like with it, mean in OKLab"""

    rgb: Plane
    opacity: float
    off: float


def wanted(picture: Plane, below: Plane, lab: Plane, cover: Plane, where: Mask) -> Wanted | None:
    """Of a coat in one colour that covers so much: the colour and opacity that bring what lies below
    nearest to the picture, by least squares in encoded values over `where`.

    picture, below : (H, W, 3) float32; lab : the picture in OKLab; cover : (H, W) float32 at full opacity
    """
    here = where & (cover > LEAST_COVER)
    if here.sum() < 60:
        return None
    a, way = cover[here][:, None], picture[here] - below[here]
    b = below[here]
    # picture - below = s (colour - below) a, for a strength s and the colour: linear in s colour and s
    terms = np.zeros((3 * len(a), 4), np.float32)
    for channel in range(3):
        terms[channel::3, channel] = a[:, 0]
        terms[channel::3, 3] = -(a * b)[:, channel]
    got = np.linalg.lstsq(
        terms.T @ terms + 1e-3 * np.eye(4), terms.T @ way.reshape(-1), rcond=None
    )[0]
    strength = float(np.clip(got[3], 0.05, 1.0))
    rgb = np.clip(got[:3] / strength, 0, 1).astype(np.float32)
    towards = a * (rgb - b)
    strength = float(np.clip((way * towards).sum() / max(float((towards**2).sum()), 1e-9), 0, 1))
    made = b + strength * towards
    off = apart(oklab(made.astype(np.float32)), lab[here])
    before = apart(oklab(b), lab[here])
    return Wanted(rgb, strength, float(off.mean() - before.mean()) * len(off))
