"""What a format of pictures declares."""

from __future__ import annotations

import functools
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import TYPE_CHECKING, NamedTuple

import numpy as np

from ...arrays import DeepPixels, Pixels

if TYPE_CHECKING:
    from ...model.export import Export
    from ..export_target import Target

Progress = Callable[[float], None]
Stop = Callable[[], bool]

DEEP = 65535
PAPER = 255
"""What shows through where a format has no alpha: white, as a page is."""


class Encoding(NamedTuple):
    """What px are written with."""

    quality: int = 90
    dpi: float = 96.0
    srgb: bool = True


def encoding_of(export: Export, dpi: float) -> Encoding:
    """What the px of an export are written with."""
    return Encoding(round(export.quality), dpi, export.srgb)


class Format(NamedTuple):
    """All that is known of a format. One of the last three writes it.

    endings : of its files, its own first; title : what people read
    alpha : what lies behind may be left clear; lossy : it has a quality, and a limit in bytes
    deep : its px have 16 bits; says_dpi : it says how many dots there are to an inch
    printed : it has bleed and crop marks; moving : one stage of the board comes after the other
    encode : (pixels, encoding): the file's bytes of (H, W, 4) uint8, or uint16 where it is deep;
        straight alpha, sRGB-encoded
    streamed : (path, target, rows): writes a picture from its strips, top to bottom, and returns the
        file's bytes; instead of `encode` where that is none or the picture is large
    whole : (target, path, progress, stop): writes what is more than one picture's px, and returns
        the file's bytes
    """

    name: str
    endings: tuple[str, ...]
    title: str
    alpha: bool = True
    lossy: bool = False
    deep: bool = False
    says_dpi: bool = False
    printed: bool = False
    moving: bool = False
    encode: Callable[[Pixels, Encoding], bytes] | None = None
    streamed: Callable[[Path, Target, Iterator[DeepPixels]], int] | None = None
    whole: Callable[[Target, Path, Progress, Stop], int] | None = None

    @property
    def ending(self) -> str:
        """Of its files, where nobody says another."""
        return self.endings[0]


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
