"""Gaussian blur whose cost hardly depends on its radius: reduce, blur, enlarge.

The area reduction, the linear enlargement and the box that takes its facets off blur a little
themselves; their variances are taken off the Gaussian in between.
"""

from __future__ import annotations

import math

import cv2
import numpy as np

from ..arrays import Plane

LEAST = 4.0
"""Sigma in px, at the reduced size, that keeps the error under half a percent."""


def factor_for(sigma: float) -> int:
    """Reduction (a power of two) at which sigma is still at least LEAST px."""
    return 1 << max(0, int(math.log2(max(sigma, 1.0) / LEAST)))


def _gauss(plane: Plane, sigma: float) -> Plane:
    taps = 2 * math.ceil(3.5 * sigma) + 1
    return cv2.GaussianBlur(plane, (taps, taps), sigma, borderType=cv2.BORDER_CONSTANT)


def gaussian(plane: Plane, sigma: float) -> Plane:
    """Blur a plane; beyond its border everything counts as 0.

    plane : (H, W) float32
    sigma : px; 0 or less gives the plane itself
    returns (H, W) float32, within 0.5 % of full scale of the true Gaussian
    """
    if sigma <= 0.05 or not plane.size:
        return plane
    f = factor_for(sigma)
    if f == 1:
        return _gauss(plane, sigma)
    height, width = plane.shape
    small_h, small_w = -(-height // f) + 2, -(-width // f) + 2
    padded = cv2.copyMakeBorder(
        plane, f, small_h * f - height - f, f, small_w * f - width - f, cv2.BORDER_CONSTANT
    )
    small = cv2.resize(padded, (small_w, small_h), interpolation=cv2.INTER_AREA)
    rest = (sigma / f) ** 2 - (1 - 1 / f**2) / 12 - (1 - 1 / f**2) / 6 - _box_variance(f)
    blurred = _gauss(small, math.sqrt(rest))
    large = cv2.resize(blurred, (small_w * f, small_h * f), interpolation=cv2.INTER_LINEAR)
    smooth = cv2.blur(large, (f + 1, f + 1), borderType=cv2.BORDER_CONSTANT)
    return np.ascontiguousarray(smooth[f : f + height, f : f + width])


def _box_variance(f: int) -> float:
    """Variance of a box f + 1 px wide, in reduced px^2."""
    return ((f + 1) ** 2 - 1) / 12 / f**2


def smoothed(field: Plane, sigma: float) -> Plane:
    """Blur a field, going on at its borders as it was there.

    A blur wider than the field is held to the field's size: it is a mean of it either way.
    """
    sigma = min(sigma, max(field.shape))
    margin = int(3 * sigma) + 1
    wide = cv2.copyMakeBorder(field, margin, margin, margin, margin, cv2.BORDER_REPLICATE)
    return np.ascontiguousarray(gaussian(wide, sigma)[margin:-margin, margin:-margin])
