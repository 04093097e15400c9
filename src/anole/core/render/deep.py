"""Float planes to 16-bit pixels."""

from __future__ import annotations

import numpy as np

from ..arrays import DeepPixels, Planes

TOP = 65535


def sixteen_bit(planes: Planes) -> DeepPixels:
    """(H, W, 4) uint16, straight alpha, sRGB-encoded, of (4, H, W) float32 premultiplied."""
    alpha = planes[3]
    straight = planes[:3] / np.maximum(alpha, 1e-6)
    levels = np.clip(np.concatenate([straight, alpha[None]]), 0, 1) * TOP
    return np.ascontiguousarray(np.moveaxis(np.rint(levels), 0, -1).astype(np.uint16))
