"""Carried pictures, small enough to be looked at and taken colours from."""

from __future__ import annotations

import cv2
import numpy as np

from ...core import assets
from ...core.arrays import Pixels
from ...core.paint.image_formats import ImageError
from ...core.paint.picture_files import decoded_asset

SIDE = 320


def small_picture(sha: str) -> Pixels | None:
    """(h, w, 4) uint8 of a carried picture, at most SIDE px a side; None where there is none."""
    try:
        pixels = decoded_asset(sha).pixels
    except (assets.MissingAsset, ImageError):
        return None
    small = (pixels >> 8).astype(np.uint8) if pixels.dtype == np.uint16 else pixels
    factor = min(1.0, SIDE / max(small.shape[:2]))
    size = (max(1, int(small.shape[1] * factor)), max(1, int(small.shape[0] * factor)))
    return np.ascontiguousarray(cv2.resize(small, size, interpolation=cv2.INTER_AREA))
