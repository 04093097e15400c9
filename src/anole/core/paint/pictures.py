"""Pictures that a board carries: their bytes to pixels, reduced to what is looked at."""

from __future__ import annotations

import math
from typing import NamedTuple

import cv2
import numpy as np

from .. import assets, isolation
from ..arrays import FloatPixels, Pixels, Planes
from ..cache import Cache
from ..maths import smoothstep
from .image_formats import ImageError
from .picture_files import decoded_asset

__all__ = ["SizedPicture", "has_alpha", "reduced", "size_of", "tile"]

BAND = 1 << 20
"""px that are premultiplied at a time."""
ALPHAS, SIZES = Cache(1 << 16), Cache(1 << 16)
"""By content, for as long as the process lives: they stay when pixels are given up."""


class SizedPicture(NamedTuple):
    """(4, H, W) float32 premultiplied, sRGB-encoded."""

    planes: Planes


def _pixels(asset: str) -> Pixels | None:
    """(H, W, 4) uint8 or uint16 straight; None for a picture that is missing or broken. Raises
    isolation.NotYet."""
    try:
        return decoded_asset(asset).pixels
    except (assets.MissingAsset, ImageError):
        return None


def has_alpha(asset: str) -> bool:
    """Whether anything of the picture is clear; False as long as that is not known in a thread that
    must not wait."""

    def clear() -> bool:
        pixels = _pixels(asset)
        if pixels is None:
            return False
        most = 65535 if pixels.dtype == np.uint16 else 255
        return bool(pixels[..., 3].min() < most)

    if not assets.has(asset):
        return False
    return isolation.at_hand(("alpha", asset), lambda: ALPHAS.get((asset,), clear), False)


def size_of(asset: str) -> tuple[int, int] | None:
    """Width and height in px; None as long as they are not known in a thread that must not wait."""

    def size() -> tuple[int, int] | None:
        pixels = _pixels(asset)
        return None if pixels is None else (pixels.shape[1], pixels.shape[0])

    if not assets.has(asset):
        return None
    return isolation.at_hand(("size", asset), lambda: SIZES.get((asset,), size), None)


def reduced(asset: str, width: float, height: float, cache: Cache) -> Planes | None:
    """The picture at about width x height px, never enlarged: (4, h, w) premultiplied float32."""
    pixels = _pixels(asset)
    if pixels is None:
        return None
    w = min(max(math.ceil(width), 1), pixels.shape[1])
    h = min(max(math.ceil(height), 1), pixels.shape[0])

    def make() -> Planes:
        planes = _narrowed(pixels, w)
        if h != pixels.shape[0]:
            planes = cv2.resize(planes, (w, h), interpolation=cv2.INTER_AREA)
        return np.ascontiguousarray(np.moveaxis(planes, -1, 0))

    return cache.get(("reduced", asset, w, h), make)


def _narrowed(pixels: Pixels, width: int) -> FloatPixels:
    """(H, width, 4) float32 premultiplied of straight whole numbers, some rows at a time: a large
    picture as floats would be four times as large."""
    height, whole = pixels.shape[:2]
    most = 65535 if pixels.dtype == np.uint16 else 255
    planes = np.empty((height, width, 4), np.float32)
    rows = max(BAND // whole, 1)
    for y in range(0, height, rows):
        band = pixels[y : y + rows].astype(np.float32) * np.float32(1 / most)
        band[..., :3] *= band[..., 3:]
        if width != whole:
            band = cv2.resize(band, (width, len(band)), interpolation=cv2.INTER_AREA)
        planes[y : y + rows] = band
    return planes


def tile(asset: str, side: float, seamless: bool, cache: Cache) -> Planes:
    """A picture as a tile `side` px wide: (4, h, w) premultiplied; clear when it is missing."""
    size = size_of(asset)
    if size is None:
        return np.zeros((4, 1, 1), np.float32)
    planes = reduced(asset, side, side * size[1] / size[0], cache)
    assert planes is not None
    return _joined(planes) if seamless else planes


def _joined(planes: Planes) -> Planes:
    """Opposite sides made to meet: the picture melted with itself moved by half, near its border."""
    for axis in (1, 2):
        n = planes.shape[axis]
        moved = np.roll(planes, n // 2, axis)
        at = (np.arange(n) + 0.5) / n
        keep = np.clip((0.5 - np.abs(at - 0.5)) * 6, 0, 1).astype(np.float32)
        keep = smoothstep(keep)
        shape = [1, 1, 1]
        shape[axis] = n
        keep = keep.reshape(shape)
        planes = planes * keep + moved * (1 - keep)
    return np.ascontiguousarray(planes)
