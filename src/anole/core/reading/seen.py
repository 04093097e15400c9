"""A picture as it is read: its colours, and how alike they look."""

from __future__ import annotations

import math
from typing import NamedTuple

import cv2
import numpy as np

from ..arrays import Mask, Pixels, Plane
from ..box import Box
from ..colour.spaces import LAB, LMS, to_linear

MOST_PIXELS = 1.3e6
"""What is larger is read from a smaller picture."""
ALIKE = 0.045
"""Colours this near in OKLab are one colour that was made a little rough."""
STEP = 0.05
"""Between two px that are next to each other so much is an edge, in OKLab."""
STANDS_OUT = (
    (1.0, 0.0, 1.0),
    (0.0, 1.0, 0.0),
    (0.0, 0.0, 0.0),
    (1.0, 1.0, 1.0),
    (0.0, 1.0, 1.0),
    (1.0, 0.4, 0.0),
)


_STEPS = 8192
_LINEAR = to_linear(np.linspace(0, 1, _STEPS + 1)).astype(np.float32)
_TO_LMS = np.ascontiguousarray(LMS.T, np.float32)
_TO_LAB = np.ascontiguousarray(LAB.T, np.float32)


class Unreadable(ValueError):
    """There is no look to be read, and why."""


class GivenUp(Exception):
    """Nobody waits for this look any more."""


class Seen(NamedTuple):
    """rgb, lab : (H, W, 3) float32, encoded sRGB 0 to 1 and OKLab; of a picture that lets something
    through they lie on a ground that nothing in it looks like.

    straight : (H, W, 4) float32, its own colours and alpha; `clear` whether it lets anything through;
    scale : how many of its px a px of the picture is
    """

    rgb: Plane
    lab: Plane
    straight: Plane
    clear: bool
    scale: float


def oklab(rgb: Plane) -> Plane:
    """(..., 3) float32 OKLab of (..., 3) encoded sRGB, within 0.001: linear light is looked up."""
    linear = _LINEAR[
        np.clip(rgb * np.float32(_STEPS) + np.float32(0.5), 0, _STEPS).astype(np.int32)
    ]
    return np.cbrt(linear @ _TO_LMS) @ _TO_LAB


def _unlike(straight: Plane) -> tuple[float, float, float]:
    """A colour that what is seen of the picture looks like least."""
    some = straight[straight[..., 3] > 0.2][:, :3]
    if not len(some):
        raise Unreadable("There is nothing in this picture.")
    some = oklab(some[:: max(1, len(some) // 4000)])
    far = [
        np.quantile(np.linalg.norm(some - oklab(np.array(c, np.float32)), axis=1), 0.01)
        for c in STANDS_OUT
    ]
    return STANDS_OUT[int(np.argmax(far))]


def look_at(pixels: Pixels, box: Box | None = None, most: float = MOST_PIXELS) -> Seen:
    """A picture, or a box of it, as it is read: at `most` so many px. pixels : (H, W, 4) uint8, not
    premultiplied"""
    if box is not None:
        inside = box.meet(Box(0, 0, pixels.shape[1], pixels.shape[0]))
        if inside.width < 8 or inside.height < 8:
            raise Unreadable("The box is too small, or lies beside the picture.")
        pixels = pixels[inside.slices_in(Box(0, 0, pixels.shape[1], pixels.shape[0]))]
    height, width = pixels.shape[:2]
    if min(height, width) < 8:
        raise Unreadable("This picture is too small to read a look off it.")
    scale = min(1.0, math.sqrt(most / (width * height)))
    straight = pixels.astype(np.float32) / np.float32(255)
    if scale < 1:
        straight[..., :3] *= straight[..., 3:]
        size = (max(8, round(width * scale)), max(8, round(height * scale)))
        straight = cv2.resize(straight, size, interpolation=cv2.INTER_AREA)
        straight[..., :3] /= np.maximum(straight[..., 3:], 1 / 255)
    clear = bool((straight[..., 3] < 0.98).mean() > 0.002)
    rgb = np.ascontiguousarray(straight[..., :3])
    if clear:
        alpha = straight[..., 3:]
        rgb = rgb * alpha + np.array(_unlike(straight), np.float32) * (1 - alpha)
    return Seen(rgb, oklab(rgb), straight, clear, scale)


def smooth_px(lab: Plane) -> Mask:
    """(H, W) bool: where no edge is, one px to each side."""
    soft = np.stack([cv2.medianBlur(np.ascontiguousarray(lab[..., c]), 3) for c in range(3)], 2)
    most = np.linalg.norm(
        cv2.dilate(soft, np.ones((3, 3))) - cv2.erode(soft, np.ones((3, 3))), axis=2
    )
    return np.asarray(most < STEP)


def apart(lab: Plane, colour: Plane) -> Plane:
    """How unlike colours look: the way between them in OKLab."""
    way = lab - colour
    return np.sqrt(np.einsum("...c,...c->...", way, way))


def share_of(inner: Plane, outer: Plane, rgb: Plane) -> Plane:
    """How much of the inner colour is in px that are a mixture of two: (..., ) float32, 0 to 1. Mixed as
    encoded values, as nearly everything that draws edges does."""
    way = inner - outer
    length = (way**2).sum(-1)
    share = ((rgb - outer) * way).sum(-1) / np.maximum(length, 1e-9)
    return np.asarray(np.clip(share, 0, 1), np.float32)
