"""What a format of pictures declares."""

from __future__ import annotations

import functools
from collections.abc import Callable
from typing import NamedTuple

import numpy as np

from ...arrays import Pixels

DEEP = 65535
PAPER = 255
"""What shows through where a format has no alpha: white, as a page is."""


class Encoding(NamedTuple):
    """What px are written with."""

    quality: int = 90
    dpi: float = 96.0
    srgb: bool = True


class Format(NamedTuple):
    """`encode(pixels, encoding)`: the file's bytes of (H, W, 4) uint8, or uint16 where it is deep;
    straight alpha, sRGB-encoded."""

    name: str
    ending: str
    title: str
    encode: Callable[[Pixels, Encoding], bytes]
    alpha: bool = True
    lossy: bool = False
    deep: bool = False


def flattened(pixels: Pixels) -> Pixels:
    """(H, W, 3) uint8 over white paper."""
    alpha = pixels[..., 3:].astype(np.uint16)
    over = pixels[..., :3] * alpha + PAPER * (255 - alpha) + 127
    return (over // 255).astype(np.uint8)


def without_spare_alpha(pixels: Pixels) -> Pixels:
    """(H, W, 3) where nothing shows through, else as it is."""
    opaque = pixels[..., 3].min() == np.iinfo(pixels.dtype).max
    return np.ascontiguousarray(pixels[..., :3]) if opaque else pixels


@functools.cache
def srgb_profile() -> bytes:
    """An ICC profile that says sRGB (IEC 61966-2-1)."""
    from PIL import ImageCms

    return ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes()


def icc(encoding: Encoding) -> bytes | None:
    """The profile to embed, where it is wanted."""
    return srgb_profile() if encoding.srgb else None
