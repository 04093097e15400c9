"""What the piece has painted there so far."""

from __future__ import annotations

import numpy as np

from ..model import OwnPaint
from .spot import Spot


def straight(planes: np.ndarray) -> np.ndarray:
    """Premultiplied to straight alpha."""
    out = planes.copy()
    out[:3] = np.clip(out[:3] / np.maximum(out[3], 1e-6), 0, 1)
    return out


def lay(paint: OwnPaint, spot: Spot) -> np.ndarray:
    """(4, H, W) straight; clear where nothing was painted yet."""
    if spot.backing is None:
        return np.zeros((4, 1, spot.box.width), np.float32)
    return straight(spot.backing.planes("own", 1.0, spot.box))
