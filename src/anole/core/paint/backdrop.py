"""What lies beneath, moved, enlarged and blurred."""

from __future__ import annotations

import math

import cv2
import numpy as np

from ..model import Backdrop
from ..tone.blur import blurred
from .own import straight
from .spot import Spot


def _start(paint: Backdrop, spot: Spot) -> tuple[float, float]:
    """Where the picture, enlarged about the board's middle, has its corner, px."""
    x0, y0, x1, y1 = spot.frames.board
    wide, high = x1 - x0, y1 - y0
    return (
        wide * ((1 - paint.scale) / 2 + paint.x), high * ((1 - paint.scale) / 2 + paint.y)
    )  # fmt: skip


def lay(paint: Backdrop, spot: Spot) -> np.ndarray:
    """(4, H, W) straight; drawn at its own scale, so that enlarging loses nothing."""
    if spot.backing is None:
        return np.zeros((4, 1, spot.box.width), np.float32)
    sigma = spot.units.px(paint.blur) / 2
    x, y = _start(paint, spot)
    ix, iy = math.floor(x), math.floor(y)
    wide = spot.box.grown(3 * sigma + 1)
    planes = spot.backing.planes(paint.of, paint.scale, wide.moved(-ix, -iy))
    planes = blurred(_moved(planes, x - ix, y - iy), sigma)
    rows, columns = spot.box.slices_in(wide)
    return straight(np.ascontiguousarray(planes[:, rows, columns]))


def _moved(planes: np.ndarray, dx: float, dy: float) -> np.ndarray:
    """Moved by less than a px."""
    if abs(dx) < 1e-3 and abs(dy) < 1e-3:
        return planes
    into = np.array([[1, 0, dx], [0, 1, dy]])
    size = (planes.shape[2], planes.shape[1])
    return np.stack([
        cv2.warpAffine(np.ascontiguousarray(p), into, size, flags=cv2.INTER_LINEAR,
                       borderMode=cv2.BORDER_REPLICATE)
        for p in planes
    ])  # fmt: skip
