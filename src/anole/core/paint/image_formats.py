"""The one table of image formats that can be read."""

from __future__ import annotations

import re
from typing import NamedTuple

RASTER = {
    "PNG": (".png",),
    "JPEG": (".jpg", ".jpeg"),
    "WEBP": (".webp",),
    "TIFF": (".tif", ".tiff"),
    "AVIF": (".avif",),
    "GIF": (".gif",),
}
"""Pillow's names of the formats, and the endings of their files."""
MEDIA_TYPES = {name: f"image/{name.lower()}" for name in RASTER}
SVG, SVG_TYPE, SVG_SUFFIX = "SVG", "image/svg+xml", ".svg"
_SVG = re.compile(r"<(\w+:)?svg[\s>/]", re.IGNORECASE)
_MARKS = {b"\xff\xfe": "utf-16", b"\xfe\xff": "utf-16", b"<\0": "utf-16-le", b"\0<": "utf-16-be"}
"""How bytes begin that are UTF-16 (XML 1.0, appendix F.1)."""
SUFFIXES = (*(suffix for suffixes in RASTER.values() for suffix in suffixes), SVG_SUFFIX)


class ImageError(ValueError):
    """A picture that cannot be read; the message says which and why."""


class ImageFormat(NamedTuple):
    """A format by name, with its media type and the ending its files usually have."""

    name: str
    media_type: str
    suffix: str


def is_svg(data: bytes) -> bool:
    """Whether bytes begin as an SVG does, in the encodings that XML knows."""
    head = data[: 1 << 16].decode(_MARKS.get(data[:2], "utf-8-sig"), "replace").lstrip()
    return head.startswith("<") and _SVG.search(head) is not None


def format_named(name: str) -> ImageFormat:
    """A format by Pillow's name of it, or SVG. Raises KeyError."""
    if name == SVG:
        return ImageFormat(SVG, SVG_TYPE, SVG_SUFFIX)
    return ImageFormat(name, MEDIA_TYPES[name], RASTER[name][0])
